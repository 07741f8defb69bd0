-- dialect: postgres
SELECT name FROM hives WHERE frame_count = 'ten'; -- want "type.literal"
SELECT name FROM hives WHERE NOT ('8 frames' < frame_count); -- want "type.literal"
SELECT name FROM hives WHERE frame_count IN (8, '9', ''); -- want "type.literal"
SELECT name FROM hives WHERE frame_count BETWEEN '1' AND 'many'; -- want "type.literal"
SELECT name FROM hives WHERE frame_count IN (' 8 ', '-1', '+9') AND name = 'ten';
SELECT hive_id FROM harvests WHERE weight_kg > '1.5e1' AND weight_kg <> 'NaN';
SELECT hive_id FROM harvests WHERE weight_kg > '12kg'; -- want "type.literal"
SELECT n FROM (SELECT frame_count AS n FROM hives) x WHERE x.n = 'few'; -- want "type.literal"
SELECT n FROM (SELECT name AS n FROM hives) x WHERE x.n = 'few';
SELECT name FROM hives WHERE frame_count > '8.5'; -- want "type.literal"
SELECT name FROM hives WHERE frame_count > 8.5;
SELECT name FROM hives WHERE moved_on > 'last week'; -- want "type.literal"
SELECT name FROM hives WHERE moved_on > 'yesterday' OR moved_on = 'infinity';
SELECT name FROM hives WHERE COALESCE(frame_count, 0) = 'none'; -- want "null.needless-coalesce" "type.literal"
