-- dialect: postgres
-- checks: rows.exists-uncorrelated
SELECT k.name FROM keepers k WHERE k.village = 'Saltby' AND NOT EXISTS (SELECT h.name FROM hives h JOIN apiaries a ON a.apiary_id = h.apiary_id WHERE a.altitude_m > 700 AND h.frame_count > 3);
SELECT k.name FROM keepers k WHERE NOT EXISTS (SELECT 1 FROM buyers b WHERE b.village = 'Oakham' OR b.village = 'Saltby'); -- want "rows.exists-uncorrelated"
DELETE FROM treatments t WHERE EXISTS (SELECT 1 FROM hives h WHERE h.frame_count < 2); -- want "rows.exists-uncorrelated"
SELECT k.name FROM keepers k WHERE EXISTS (SELECT 1 FROM buyers b WHERE b.keeper_id = keeper_id AND b.village = 'Oakham');
SELECT k.name FROM keepers k WHERE EXISTS (SELECT 1 FROM buyers b WHERE b.keeper_id = k.keeper_id);
SELECT k.name FROM keepers k WHERE EXISTS (SELECT 1 FROM buyers b WHERE b.keeper_id IN (SELECT h.keeper_id FROM hives h WHERE h.keeper_id = k.keeper_id));
SELECT 3 AS n WHERE EXISTS (SELECT 1 FROM buyers b WHERE b.village = 'Oakham');
INSERT INTO keepers (keeper_id, name, joined_on) SELECT 90, 'Ada', DATE '2026-05-01' WHERE NOT EXISTS (SELECT 1 FROM keepers WHERE keeper_id = 90);
SELECT q.name FROM queens q WHERE EXISTS (SELECT 1 FROM sales s WHERE s.jars > 10);
