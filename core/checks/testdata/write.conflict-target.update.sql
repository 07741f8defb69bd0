-- dialect: postgres
-- checks: write.conflict-target, name.ambiguous-column, name.unknown-column
INSERT INTO buyers (buyer_id, name) VALUES (1, 'Ash') ON CONFLICT DO UPDATE SET name = 'Elm'; -- want "write.conflict-target"
INSERT INTO buyers (buyer_id, name) VALUES (1, 'Ash') ON CONFLICT (buyer_id) DO UPDATE SET name = name; -- want "name.ambiguous-column"
INSERT INTO buyers AS b (buyer_id, name) VALUES (1, 'Ash') ON CONFLICT (buyer_id) DO UPDATE SET name = excluded.name WHERE village IS NULL; -- want "name.ambiguous-column"
INSERT INTO buyers (buyer_id, name) VALUES (1, 'Ash') ON CONFLICT (buyer_id) DO UPDATE SET name = excluded.nam; -- want "name.unknown-column"
INSERT INTO buyers AS b (buyer_id, name) VALUES (1, 'Ash') ON CONFLICT (buyer_id) DO UPDATE SET name = excluded.name, village = b.village WHERE b.name <> excluded.name;
INSERT INTO buyers (buyer_id, name) VALUES (1, 'Ash') ON CONFLICT ON CONSTRAINT buyers_pkey DO UPDATE SET village = (SELECT name FROM keepers WHERE keeper_id = excluded.keeper_id);
INSERT INTO buyers (buyer_id, name) VALUES (1, 'Ash') ON CONFLICT DO NOTHING;
