-- dialect: postgres
-- checks: logic.always-false, logic.redundant, range.shared-bound, set.overlap, group.having-zero, null.inequality-drops
SELECT name FROM hives WHERE DATE '2026-05-01' < moved_on AND DATE '2026-04-01' > moved_on; -- want "logic.always-false"
SELECT name FROM hives WHERE DATE '2026-05-01' < moved_on AND DATE '2026-06-01' > moved_on;
SELECT name FROM hives WHERE -5 > frame_count AND frame_count > -3; -- want "logic.always-false"
SELECT name FROM hives WHERE moved_on IS NOT NULL AND DATE '2026-01-01' < moved_on; -- want "logic.redundant"
SELECT SUM(CASE WHEN 5 < mites THEN 1 WHEN 5 > mites THEN 2 END) AS n FROM inspections; -- want "range.shared-bound"
SELECT SUM(CASE WHEN 5 < mites THEN 1 WHEN 5 >= mites THEN 2 END) AS n FROM inspections;
SELECT hive_id FROM harvests WHERE '2026-06-30' >= taken_on UNION ALL SELECT hive_id FROM harvests WHERE '2026-06-01' <= taken_on; -- want "set.overlap"
SELECT hive_id FROM harvests WHERE '2026-06-30' >= taken_on UNION ALL SELECT hive_id FROM harvests WHERE '2026-07-01' <= taken_on;
SELECT apiary_id FROM hives GROUP BY apiary_id HAVING 0 = COUNT(*); -- want "group.having-zero"
SELECT apiary_id FROM hives GROUP BY apiary_id HAVING 1 <= COUNT(*);
SELECT name FROM hives WHERE (queen_id <> 3); -- want "null.inequality-drops"
SELECT name FROM hives WHERE 3 <> queen_id; -- want "null.inequality-drops"
SELECT name FROM hives WHERE (3 <> queen_id OR queen_id IS NULL);
