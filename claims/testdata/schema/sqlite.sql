CREATE TABLE yards (yard_id INTEGER PRIMARY KEY AUTOINCREMENT, name TEXT NOT NULL UNIQUE COLLATE NOCASE, "order" INT DEFAULT -3, [shade ok] BOOLEAN DEFAULT (1 = 0));
CREATE TABLE hives (
  hive_id INTEGER NOT NULL,
  yard_id INT NOT NULL REFERENCES yards ON DELETE CASCADE ON UPDATE SET NULL,
  name VARCHAR(40) DEFAULT 'it''s none',
  weight DECIMAL(8,2) CHECK (weight > 0),
  wide REAL GENERATED ALWAYS AS (weight * 2.5) STORED,
  anything,
  seen TIMESTAMP DEFAULT CURRENT_TIMESTAMP,
  PRIMARY KEY (hive_id, yard_id),
  CONSTRAINT named UNIQUE (yard_id, name),
  CONSTRAINT sane CHECK (yard_id > 0 AND name <> '')
);
CREATE TABLE jars (jar_id INTEGER PRIMARY KEY, hive_id INT, yard_id INT, FOREIGN KEY (hive_id, yard_id) REFERENCES hives (hive_id, yard_id));
CREATE INDEX hives_lower ON hives (lower(name), yard_id DESC) WHERE weight > 3;
CREATE UNIQUE INDEX jars_once ON jars (hive_id, yard_id);
CREATE VIEW heavy AS SELECT h.hive_id, h.name AS label, y.name AS yard FROM hives h LEFT JOIN yards y USING (yard_id) WHERE h.weight > 10;
CREATE VIEW heavier (x) AS SELECT label FROM heavy;
