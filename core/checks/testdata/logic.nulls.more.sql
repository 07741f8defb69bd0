-- dialect: postgres, possible
-- checks: logic.constant-comparison, join.wrong-key, logic.chained-comparison, logic.not-scope, logic.and-or, logic.double-negative, logic.or-chain, logic.always-true, logic.always-false, range.reversed, logic.redundant, null.inequality-drops, null.not-in-subquery, null.equals, null.in-list, match.leading-wildcard, rows.subquery-width, type.different-domains, set.column-count, write.value-count, name.outer-capture
SELECT 1 FROM hives WHERE 1 = 1;
SELECT 1 FROM hives WHERE 1 = 2;
SELECT 1 FROM hives WHERE 'a' = 'b' OR frame_count > 3; -- want "logic.constant-comparison"
SELECT 1 FROM hives WHERE 3 > frame_count;
SELECT 1 FROM hives WHERE NOT frame_count = 3 AND apiary_id = 2; -- want "logic.not-scope"
SELECT 1 FROM hives WHERE NOT (frame_count = 3 AND apiary_id = 2);
SELECT 1 FROM hives WHERE NOT (frame_count <> 3); -- want "logic.double-negative"
SELECT 1 FROM hives WHERE NOT frame_count <> 3; -- want "logic.double-negative"
SELECT 1 FROM hives WHERE NOT (NOT (frame_count = 3)); -- want "logic.double-negative"
SELECT 1 FROM hives WHERE NOT (queen_id IS NOT NULL); -- want "logic.double-negative"
SELECT 1 FROM hives WHERE NOT queen_id IS NULL;
SELECT 1 FROM hives WHERE NOT (frame_count NOT IN (3, 4));
SELECT 1 FROM hives WHERE NOT (name NOT LIKE 'a%');
SELECT 1 FROM hives WHERE frame_count = 3 OR frame_count = 4;
SELECT 1 FROM hives WHERE frame_count = 3 OR frame_count = 4 OR frame_count = 5; -- want "logic.or-chain"
SELECT 1 FROM hives WHERE frame_count = 3 OR frame_count = 4 OR apiary_id = 5;
SELECT 1 FROM hives WHERE frame_count = 3 OR frame_count = 4 AND apiary_id = 5; -- want "logic.and-or"
SELECT 1 FROM hives WHERE (frame_count = 3 OR frame_count = 4) AND apiary_id = 5;
SELECT 1 FROM hives WHERE frame_count = 3 OR (frame_count = 4 AND apiary_id = 5);
SELECT 1 FROM hives WHERE apiary_id = 5 AND frame_count = 3 OR apiary_id = 5 AND frame_count = 4; -- want "logic.and-or"
SELECT 1 FROM hives WHERE frame_count > 3 AND frame_count < 3; -- want "logic.always-false"
SELECT 1 FROM hives WHERE frame_count >= 3 AND frame_count <= 3;
SELECT 1 FROM hives WHERE frame_count > 3 AND frame_count < 4;
SELECT 1 FROM harvests WHERE weight_kg > 3 AND weight_kg < 4;
SELECT 1 FROM hives WHERE frame_count = 3 AND frame_count = 4; -- want "logic.always-false"
SELECT 1 FROM hives WHERE frame_count = 3 AND frame_count IN (3, 4); -- want "logic.redundant"
SELECT 1 FROM hives WHERE frame_count = 3 AND frame_count IN (5, 4); -- want "logic.always-false"
SELECT 1 FROM hives WHERE frame_count <> 3 OR frame_count <> 4; -- want "logic.always-true"
SELECT 1 FROM hives WHERE queen_id <> 3 OR queen_id <> 4; -- want "logic.always-true"
SELECT 1 FROM hives WHERE frame_count <> 3 AND frame_count <> 4;
SELECT 1 FROM hives WHERE frame_count BETWEEN 9 AND 3; -- want "range.reversed"
SELECT 1 FROM hives WHERE frame_count NOT BETWEEN 9 AND 3; -- want "range.reversed"
SELECT 1 FROM hives WHERE frame_count BETWEEN 3 AND 3;
SELECT 1 FROM hives WHERE frame_count > 3 AND frame_count > 5; -- want "logic.redundant"
SELECT 1 FROM hives WHERE frame_count > 3 OR frame_count > 5;
SELECT 1 FROM hives WHERE frame_count > 3 AND apiary_id > 5;
SELECT 1 FROM hives WHERE hive_id IS NULL;
SELECT 1 FROM hives WHERE hive_id IS NOT NULL;
SELECT 1 FROM hives WHERE queen_id IS NULL AND queen_id = 3; -- want "logic.always-false"
SELECT 1 FROM hives WHERE queen_id IS NULL OR queen_id = 3;
SELECT 1 FROM hives WHERE queen_id IS NOT NULL AND queen_id = 3; -- want "logic.redundant"
SELECT 1 FROM hives AS h LEFT JOIN queens AS q ON q.queen_id = h.queen_id WHERE q.queen_id IS NULL;
SELECT 1 FROM hives AS h JOIN queens AS q ON q.queen_id = h.queen_id WHERE q.queen_id IS NULL;
SELECT 1 FROM hives AS h JOIN queens AS q ON q.queen_id = h.queen_id WHERE h.queen_id IS NULL;
SELECT 1 FROM hives WHERE queen_id = NULL; -- want "null.equals"
SELECT 1 FROM hives WHERE queen_id <> NULL; -- want "null.equals"
SELECT 1 FROM hives WHERE queen_id IN (NULL);
SELECT 1 FROM hives WHERE queen_id IN (1, NULL); -- want "null.in-list"
SELECT 1 FROM hives WHERE frame_count NOT IN (1, NULL); -- want "null.in-list"
SELECT 1 FROM hives WHERE queen_id IN (1, COALESCE(NULL, 2));
SELECT CASE queen_id WHEN NULL THEN 'none' ELSE 'some' END FROM hives;
SELECT CASE WHEN queen_id = NULL THEN 'none' ELSE 'some' END FROM hives; -- want "null.equals"
UPDATE hives SET queen_id = NULL WHERE hive_id = -1;
SELECT 1 FROM queens WHERE colour <> 'blue'; -- want "null.inequality-drops"
SELECT 1 FROM queens WHERE colour <> 'blue' OR colour IS NULL;
SELECT 1 FROM queens WHERE name <> 'Ada';
SELECT 1 FROM queens WHERE NOT colour = 'blue'; -- want "null.inequality-drops"
SELECT 1 FROM queens WHERE colour NOT IN ('blue', 'green'); -- want "null.inequality-drops"
SELECT 1 FROM queens WHERE colour IS DISTINCT FROM 'blue';
SELECT 1 FROM queens WHERE queen_id NOT IN (SELECT queen_id FROM hives); -- want "null.not-in-subquery"
SELECT 1 FROM queens WHERE queen_id NOT IN (SELECT queen_id FROM hives WHERE queen_id IS NOT NULL);
SELECT 1 FROM queens WHERE queen_id NOT IN (SELECT queen_id FROM hives WHERE queen_id > 3);
SELECT 1 FROM hives WHERE hive_id NOT IN (SELECT hive_id FROM harvests);
SELECT 1 FROM queens WHERE queen_id IN (SELECT queen_id FROM hives);
SELECT 1 FROM hives WHERE name LIKE '%oak'; -- want "match.leading-wildcard"
SELECT 1 FROM hives WHERE name LIKE 'oak%';
SELECT 1 FROM hives WHERE name LIKE '_ak%'; -- want "match.leading-wildcard"
SELECT 1 FROM hives WHERE name NOT LIKE '%oak';
SELECT 1 FROM apiaries WHERE name LIKE '%oak'; -- want "match.leading-wildcard"
SELECT 1 FROM apiaries WHERE name LIKE '%';
SELECT 1 FROM hives WHERE hive_id = (SELECT hive_id, name FROM hives); -- want "rows.subquery-width"
SELECT 1 FROM hives WHERE hive_id IN (SELECT hive_id, name FROM hives); -- want "rows.subquery-width"
SELECT 1 FROM hives WHERE (hive_id, name) IN (SELECT hive_id, name FROM hives);
SELECT 1 FROM hives WHERE (hive_id, name) IN (SELECT hive_id FROM hives); -- want "rows.subquery-width"
SELECT (SELECT hive_id, name FROM hives LIMIT 1) FROM hives; -- want "rows.subquery-width"
SELECT 1 FROM hives WHERE EXISTS (SELECT hive_id, name FROM hives);
SELECT 1 FROM hives WHERE COALESCE((SELECT MIN(hive_id), 2 FROM queens), 1) = 1; -- want "name.outer-capture" "rows.subquery-width"
SELECT hive_id FROM hives UNION SELECT hive_id, name FROM hives; -- want "set.column-count"
SELECT hive_id, name FROM hives UNION ALL SELECT queen_id, name FROM queens;
SELECT hive_id, name FROM hives EXCEPT SELECT queen_id FROM queens; -- want "set.column-count"
SELECT * FROM hives UNION SELECT * FROM queens; -- want "set.column-count"
SELECT * FROM hives UNION SELECT * FROM hives;
VALUES (1, 2), (3, 4) UNION SELECT 1; -- want "set.column-count"
INSERT INTO buyers (buyer_id, name) VALUES (1); -- want "write.value-count"
INSERT INTO buyers (buyer_id, name) VALUES (-1, 'Ro', 3); -- want "write.value-count"
INSERT INTO buyers (buyer_id, name) SELECT hive_id FROM hives; -- want "write.value-count"
INSERT INTO buyers (buyer_id, name) SELECT hive_id, name FROM hives WHERE 1 = 0;
INSERT INTO buyers (buyer_id, name) SELECT * FROM hives; -- want "write.value-count"
SELECT 1 FROM hives AS h JOIN queens AS q ON q.queen_id = h.hive_id; -- want "join.wrong-key"
SELECT 1 FROM hives AS h JOIN queens AS q ON q.queen_id = h.queen_id;
SELECT 1 FROM hives AS h JOIN keepers AS k ON k.keeper_id = h.apiary_id; -- want "type.different-domains"
SELECT 1 FROM keepers AS k JOIN keepers AS m ON m.keeper_id = k.mentor_id;
SELECT 1 FROM hives AS h JOIN harvests AS v ON v.harvest_id = h.hive_id; -- want "join.wrong-key"
SELECT 1 FROM hives WHERE hive_id = keeper_id; -- want "type.different-domains"
SELECT 1 FROM hives WHERE frame_count = keeper_id;
SELECT 1 FROM queens WHERE queen_id IN (SELECT frame_count FROM buyers);
SELECT 1 FROM hives WHERE frame_count IN (SELECT frame_count FROM buyers); -- want "name.outer-capture"
SELECT 1 FROM hives WHERE hive_id IN (SELECT hive_id FROM queens); -- want "name.outer-capture"
SELECT 1 FROM hives AS h WHERE h.hive_id IN (SELECT h.hive_id FROM queens AS q);
SELECT 1 FROM hives WHERE EXISTS (SELECT hive_id FROM queens WHERE queens.queen_id = hives.queen_id); -- want "name.outer-capture"
