CREATE SCHEMA store;
CREATE TYPE temper AS ENUM ('calm', 'it''s wild');
CREATE TYPE store.size AS ENUM ('small', 'large');
CREATE DOMAIN kilos AS numeric(8,2) NOT NULL CHECK (VALUE > 0);
CREATE TABLE yards (yard_id serial PRIMARY KEY, name text COLLATE "C" NOT NULL UNIQUE, "Shade" boolean DEFAULT false, "order" int);
CREATE TABLE hives (
  hive_id bigint GENERATED ALWAYS AS IDENTITY,
  yard_id int NOT NULL REFERENCES yards ON DELETE CASCADE ON UPDATE SET NULL,
  name varchar(40) DEFAULT 'none' || 'such',
  mood temper DEFAULT 'calm',
  tags text[],
  weight kilos,
  wide numeric(10,2) GENERATED ALWAYS AS (yard_id * 2.5) STORED,
  seen timestamp with time zone DEFAULT now(),
  at timestamp(3) without time zone,
  took interval,
  notes jsonb,
  photo bytea,
  CONSTRAINT hives_pk PRIMARY KEY (hive_id),
  CONSTRAINT named UNIQUE (yard_id, name),
  CONSTRAINT sane CHECK (yard_id > 0 AND name <> '')
);
CREATE TABLE store.jars (jar_id int PRIMARY KEY, hive_id bigint REFERENCES public.hives, size store.size, price double precision, parent int REFERENCES store.jars (jar_id));
CREATE INDEX hives_lower ON hives (lower(name), yard_id DESC) WHERE weight > 3;
CREATE UNIQUE INDEX jars_once ON store.jars (hive_id, size);
CREATE INDEX hives_tags ON hives USING gin (tags);
CREATE VIEW heavy AS SELECT h.hive_id, h.name AS label, y.name AS yard FROM hives h LEFT JOIN yards y USING (yard_id) WHERE h.weight > 10;
CREATE VIEW heavier AS SELECT label FROM heavy;
CREATE MATERIALIZED VIEW counted AS SELECT yard_id, count(*) AS hives FROM hives GROUP BY yard_id;
CREATE TABLE marks (mark_id serial PRIMARY KEY, marked_on date NOT NULL, marked_by text CHECK (marked_by <> ''));
CREATE TABLE swarms (swarm_id integer PRIMARY KEY, marked_on date DEFAULT CURRENT_DATE) INHERITS (marks);
