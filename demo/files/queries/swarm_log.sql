-- A log of swarms, of which the hive is kept even when it is sold.
CREATE TABLE swarm_log (
  swarm_id  integer PRIMARY KEY,
  hive_id   integer NOT NULL,
  seen_on   date NOT NULL,
  weight_kg decimal(5, 1),
  CHECK (weight_kg < (SELECT MAX(weight_kg) FROM harvests)),
  FOREIGN KEY (hive_id) REFERENCES hives (hive_id) ON DELETE SET NULL,
  UNIQUE (hive, seen_on)
);
