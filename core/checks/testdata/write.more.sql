-- dialect: sqlite
-- checks: write.column-twice, write.conflict-target, write.case-erases, write.subquery-erases, write.columns-swapped, write.missing-required, write.join-many, write.target-unconnected
-- Through quoted names, other letter case, comments, parentheses and queries of WITH.
UPDATE hives SET "frame_count" = 8, keeper_id = 1, "frame_count" /* again */ = 9 WHERE hive_id = 3; -- want "write.column-twice"
INSERT INTO queens ("queen_id", name, bred_in) VALUES (901, 'Ada', 2026) ON CONFLICT ("name") DO NOTHING; -- want "write.conflict-target"
INSERT INTO queens (queen_id, name, bred_in) VALUES (901, 'Ada', 2026) ON CONFLICT (QUEEN_ID) DO NOTHING;
UPDATE queens SET colour = (CASE WHEN bred_in = 2025 THEN 'blue' END) WHERE (queen_id) > 3 AND NOT bred_in <> 2025;
UPDATE hives SET frame_count = 3, moved_on = ((SELECT max(t.treated_on) FROM treatments t WHERE hives.hive_id = t.hive_id)); -- want "write.subquery-erases"
UPDATE hives SET frame_count = (SELECT total(t.dose_ml) FROM treatments t WHERE hives.hive_id = t.hive_id);
INSERT INTO keepers (keeper_id, village, name, joined_on) SELECT b.buyer_id + 900, (b.name) AS name, b.village AS village, '2026-05-01' FROM buyers b WHERE b.buyer_id = 999; -- want "write.columns-swapped"
INSERT INTO hives ("hive_id", NAME, apiary_id, keeper_id) VALUES (901, 'Ash', 1, 1); -- want "write.missing-required"
UPDATE hives SET name = /* none */ (NULL) WHERE hive_id = 3; -- want "write.missing-required"
UPDATE hives SET moved_on = g.taken_on FROM harvests AS g WHERE (hives.hive_id) = g.hive_id AND 3 = g.hive_id; -- want "write.join-many"
UPDATE hives SET moved_on = g.taken_on FROM harvests AS g WHERE hives.hive_id = g.hive_id AND g.harvest_id = 3;
UPDATE hives SET frame_count = 8 FROM harvests AS g WHERE NOT g.weight_kg < 30; -- want "write.target-unconnected"
UPDATE hives SET frame_count = 8 FROM harvests AS g WHERE g.weight_kg > hives.frame_count;
