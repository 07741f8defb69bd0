-- dialect: postgres
-- checks: rows.many-for-one, index.count-for-existence
DO $$ DECLARE seen record; called text; BEGIN called := (SELECT a.name FROM apiaries AS a WHERE a.name = seen.place); END $$;
DO $$ DECLARE seen record; called text; BEGIN called := a.name FROM apiaries AS a WHERE a.name = seen.place; END $$;
DO $$ DECLARE seen record; called text; BEGIN called := (SELECT a.name FROM apiaries AS a WHERE a.keeper_id = seen.keeper); END $$; -- want "rows.many-for-one"
SELECT CASE WHEN (SELECT COUNT(*) FROM information_schema.columns AS c WHERE c.table_name = 'hives') > 0 THEN 1 ELSE 0 END AS there;
