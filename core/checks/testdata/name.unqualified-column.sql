-- dialect: postgres
SELECT name, i.mites FROM hives AS h JOIN inspections AS i ON i.hive_id = h.hive_id WHERE frame_count > 8; -- want "name.unqualified-column"
SELECT h.name FROM hives AS h JOIN inspections AS i ON i.hive_id = h.hive_id ORDER BY mites; -- want "name.unqualified-column"
SELECT frame_count, COUNT(*) FROM hives JOIN inspections ON inspections.hive_id = hives.hive_id GROUP BY frame_count; -- want "name.unqualified-column"
SELECT h.name, (SELECT frame_count + a.apiary_id FROM apiaries AS a WHERE a.apiary_id = h.apiary_id) AS most FROM hives AS h JOIN inspections AS i ON i.hive_id = h.hive_id; -- want "name.outer-capture"
SELECT name FROM hives WHERE frame_count > 8;
SELECT hive_id, h.name FROM hives AS h JOIN inspections AS i USING (hive_id);
SELECT h.name, i.mites AS m FROM hives AS h JOIN inspections AS i ON i.hive_id = h.hive_id ORDER BY m;
SELECT mites FROM hives NATURAL JOIN inspections; -- want "join.natural"
SELECT hives.name FROM hives JOIN harvests ON harvests.hive_id = hives.hive_id WHERE EXISTS (SELECT 1 FROM inspections WHERE mites > 3); -- want "rows.exists-uncorrelated"
SELECT whatever FROM one AS a JOIN two AS b ON a.id = b.id; -- want "name.unknown-table" "name.unknown-table"
SELECT harvest_id, buyer_id FROM harvests JOIN buyers ON buyers.buyer_id = harvests.hive_id; -- want "name.unqualified-column" "type.different-domains"
WITH n AS (SELECT hive_id, COUNT(*) AS c FROM inspections GROUP BY hive_id) SELECT hives.name, c FROM hives JOIN n ON n.hive_id = hives.hive_id WHERE c <> 2; -- want "name.unqualified-column"
