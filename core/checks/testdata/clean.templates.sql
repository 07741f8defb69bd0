-- dialect: spark
SELECT name, COUNT(*) FROM hives {{ group }};
DELETE FROM hives {{ where }};
SELECT name FROM hives {{ order }} LIMIT 3;
SELECT name FROM hives LIMIT 3 {{ lock }}; -- want "rows.limit-unordered"
SELECT h.name, k.colour FROM hives AS h {{ joins }} WHERE k.born = 1 AND frames = 2;
SELECT h.name FROM hives AS h, apiaries AS a {{ where }};
SELECT h.{{ column }}, {{ source }}.name, ${column} FROM hives AS h;
INSERT INTO hives ({{ columns }}) VALUES {{ rows }};
UPDATE hives SET {{ changes }} WHERE hive_id = 1;
SELECT name FROM hives WHERE frame_count ${operator} 3;
{{ config(materialized='table') }}
SELECT name FROM hives WHERE queen_id = NULL; -- want "null.equals"
{{ config(a) }} {{ config(b) }}
WITH strong AS (SELECT name FROM hives WHERE frame_count > ${least}) SELECT name FROM strong {{ where }};
