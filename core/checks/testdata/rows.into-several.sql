-- dialect: postgres
DO $$ DECLARE hive text; BEGIN SELECT h.name INTO hive FROM hives h WHERE h.apiary_id = 1; END $$; -- want "rows.into-several"
DO $$ DECLARE hive text; wanted integer := 2; BEGIN SELECT h.name INTO hive FROM hives h WHERE wanted = h.hive_id; END $$;
DO $$ DECLARE hive text; wanted integer := 2; BEGIN SELECT h.name INTO hive FROM hives h WHERE h.frame_count = wanted; END $$;
DO $$ DECLARE hive text; BEGIN SELECT h.name INTO hive FROM hives h WHERE h.apiary_id = 1 ORDER BY h.hive_id; END $$;
DO $$ DECLARE n integer; BEGIN SELECT COUNT(*) INTO n FROM hives h WHERE h.apiary_id = 1; END $$;
DO $$ DECLARE hive text; BEGIN SELECT h.name INTO STRICT hive FROM hives h WHERE h.frame_count >= 0 LIMIT 1; END $$; -- want "rows.limit-unordered"
DO $$ DECLARE yard text; BEGIN SELECT a.name INTO yard FROM hives h JOIN apiaries a ON a.apiary_id = h.apiary_id WHERE h.hive_id = 1; END $$;
DO $$ DECLARE kg numeric; BEGIN SELECT g.weight_kg INTO kg FROM hives h JOIN harvests g ON g.hive_id = h.hive_id WHERE h.hive_id = 1; END $$; -- want "rows.into-several"
DO $$ DECLARE n integer; BEGIN SELECT INTO n MIN(bees.next_visit(h.hive_id)) FROM hives h WHERE h.apiary_id = 1; SELECT INTO n COUNT(*) FROM hives h; END $$;
