-- The tables of the Hollow Oak beekeeping cooperative. Everything in them is invented.

CREATE TABLE keepers (
  keeper_id   integer PRIMARY KEY,
  name        varchar(40) NOT NULL,
  village     varchar(40),
  joined_on   date NOT NULL,
  mentor_id   integer REFERENCES keepers (keeper_id)
);

CREATE TABLE apiaries (
  apiary_id   integer PRIMARY KEY,
  name        varchar(40) NOT NULL UNIQUE,
  altitude_m  integer,
  keeper_id   integer NOT NULL REFERENCES keepers (keeper_id)
);

CREATE TABLE queens (
  queen_id    integer PRIMARY KEY,
  name        varchar(40) NOT NULL,
  bred_in     integer NOT NULL,
  mother_id   integer REFERENCES queens (queen_id),
  colour      varchar(10)
);

CREATE TABLE hives (
  hive_id     integer PRIMARY KEY,
  name        varchar(40) NOT NULL,
  apiary_id   integer NOT NULL REFERENCES apiaries (apiary_id),
  keeper_id   integer NOT NULL REFERENCES keepers (keeper_id),
  queen_id    integer REFERENCES queens (queen_id),
  frame_count integer NOT NULL,
  moved_on    date
);

CREATE TABLE inspections (
  inspection_id integer PRIMARY KEY,
  hive_id       integer NOT NULL REFERENCES hives (hive_id),
  keeper_id     integer NOT NULL REFERENCES keepers (keeper_id),
  inspected_at  timestamp NOT NULL,
  mites         integer,
  temper        integer NOT NULL CHECK (temper BETWEEN 1 AND 5),
  remark        varchar(200)
);

CREATE TABLE treatments (
  treatment_id integer PRIMARY KEY,
  hive_id      integer NOT NULL REFERENCES hives (hive_id),
  treated_on   date NOT NULL,
  substance    varchar(30) NOT NULL,
  dose_ml      decimal(6,1)
);

CREATE TABLE harvests (
  harvest_id  integer PRIMARY KEY,
  hive_id     integer NOT NULL REFERENCES hives (hive_id),
  taken_on    date NOT NULL,
  weight_kg   decimal(6,2) NOT NULL,
  moisture    decimal(4,1)
);

CREATE TABLE buyers (
  buyer_id    integer PRIMARY KEY,
  name        varchar(40) NOT NULL,
  village     varchar(40),
  keeper_id   integer REFERENCES keepers (keeper_id)
);

CREATE TABLE sales (
  sale_id     integer PRIMARY KEY,
  buyer_id    integer NOT NULL REFERENCES buyers (buyer_id),
  harvest_id  integer NOT NULL REFERENCES harvests (harvest_id),
  sold_at     timestamp NOT NULL,
  jars        integer NOT NULL,
  price       decimal(8,2)
);

CREATE INDEX inspections_by_time ON inspections (inspected_at);
CREATE INDEX harvests_by_day ON harvests (taken_on);
CREATE INDEX sales_by_time ON sales (sold_at);
CREATE INDEX apiaries_by_name ON apiaries (name);
