-- dialect: postgres
-- checks: write.column-twice, write.value-count, name.unknown-column
CREATE TABLE jars (spots int[], at point); INSERT INTO jars (spots[1], spots[2]) VALUES (1, 2);
CREATE TABLE jars (spots int[], at point); INSERT INTO jars (spots, at, spots) VALUES ('{1}', '(1,2)', '{2}'); -- want "write.column-twice"
CREATE TABLE jars (spots int[], at point); INSERT INTO jars (spots[1], spots[2]) VALUES (1); -- want "write.value-count"
CREATE TYPE lid AS (width int, tags text[]); CREATE TABLE swarm (lids lid[], one lid); INSERT INTO swarm (lids[1].width, lids[1].tags[2], one.width) VALUES (1, 'a', 3);
CREATE FUNCTION keep() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN INSERT INTO queens (queen_id, name, bred_in) VALUES (NEW.*); RETURN NULL; END $$;
