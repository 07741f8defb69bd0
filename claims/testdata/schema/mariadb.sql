CREATE TABLE yards (yard_id INT AUTO_INCREMENT PRIMARY KEY, name VARCHAR(40) NOT NULL UNIQUE, `order` INT UNSIGNED DEFAULT 3, shade BOOLEAN DEFAULT FALSE COMMENT 'it''s dark');
CREATE TABLE hives (
  hive_id BIGINT NOT NULL,
  yard_id INT NOT NULL,
  name VARCHAR(40) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin DEFAULT 'none',
  mood ENUM('calm', 'it''s wild') DEFAULT 'calm',
  weight DECIMAL(8,2) NOT NULL,
  wide DECIMAL(10,2) AS (weight * 2.5) STORED,
  narrow INT AS (yard_id + 1) VIRTUAL,
  seen TIMESTAMP NOT NULL DEFAULT current_timestamp(),
  at DATETIME(3),
  notes JSON,
  photo LONGBLOB,
  `made on` DATE DEFAULT (curdate()),
  PRIMARY KEY (hive_id, yard_id),
  UNIQUE KEY named (yard_id, name),
  KEY by_weight (weight DESC, yard_id),
  FULLTEXT KEY words (name),
  CONSTRAINT sane CHECK (yard_id > 0 AND name <> ''),
  CONSTRAINT stands FOREIGN KEY (yard_id) REFERENCES yards (yard_id) ON DELETE CASCADE
);
CREATE TABLE jars (jar_id INT PRIMARY KEY, hive_id BIGINT, yard_id INT, parent INT, FOREIGN KEY (hive_id, yard_id) REFERENCES hives (hive_id, yard_id), FOREIGN KEY (parent) REFERENCES jars (jar_id) ON UPDATE SET NULL);
CREATE VIEW heavy AS SELECT h.hive_id, h.name AS label, y.name AS yard FROM hives h LEFT JOIN yards y USING (yard_id) WHERE h.weight > 10;
CREATE VIEW heavier AS SELECT label FROM heavy;
