-- dialect: mariadb
SELECT name FROM hives WHERE frame_count = 'ten'; -- want "type.literal"
SELECT name FROM hives WHERE frame_count > '8 frames'; -- want "type.literal"
SELECT name FROM hives WHERE frame_count = '8' AND name = 'ten';
SELECT name FROM hives WHERE frame_count IN ('8.5', '1e1');
CREATE TABLE scales (scale_id integer, kilos integer DEFAULT 'none'); -- want "type.literal"
CREATE TABLE balances (scale_id integer, seen_on date DEFAULT 'never'); -- want "type.literal"
CREATE TABLE weights (scale_id integer, kilos integer DEFAULT '12', seen_on date DEFAULT '2026-01-01');
