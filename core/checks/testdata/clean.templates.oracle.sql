-- dialect: oracle
SELECT name, COUNT(*) FROM hives {{ group }};
DELETE FROM hives {{ where }};
SELECT name FROM hives {{ order }};
SELECT name FROM hives {{ lock }};
SELECT h.name, k.colour FROM hives h {{ joins }} WHERE k.born = 1 AND frames = 2;
SELECT h.name FROM hives h, apiaries a {{ where }};
SELECT h.{{ column }}, {{ source }}.name, ${column} FROM hives h;
INSERT INTO hives ({{ columns }}) VALUES {{ rows }};
UPDATE hives SET {{ changes }} WHERE hive_id = 1;
SELECT name FROM hives WHERE frame_count ${operator} 3;
{{ config(materialized='table') }}
SELECT name FROM hives WHERE queen_id = NULL; -- want "null.equals"
{{ config(a) }} {{ config(b) }}
WITH strong AS (SELECT name FROM hives WHERE frame_count > ${least}) SELECT name FROM strong {{ where }};
