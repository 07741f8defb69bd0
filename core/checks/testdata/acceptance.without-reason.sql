-- dialect: sqlite
-- checks: acceptance.without-reason, null.equals
SELECT name FROM hives WHERE queen_id = NULL; /* lens: accept null.equals */ -- want "acceptance.without-reason" "null.equals"
SELECT name FROM hives WHERE queen_id = NULL; /* lens: accept null.equals because */ -- want "acceptance.without-reason" "null.equals"
SELECT name FROM hives WHERE queen_id = NULL; /* lens: accept null.equals because it is so */
