-- dialect: mariadb
-- checks: acceptance.unread, null.equals
SELECT name FROM hives WHERE queen_id = NULL; /* lens: accept null.equal because no rows are wanted here */ -- want "acceptance.unread" "null.equals"
SELECT name FROM hives WHERE queen_id = NULL; # lens: accept null.equals because no rows are wanted here
SELECT name FROM hives WHERE queen_id IS NULL; /* lens: accept */ -- want "acceptance.unread"
SELECT name FROM hives WHERE queen_id IS NULL; /* lens: look here */ -- want "acceptance.unread"
SELECT name FROM hives WHERE queen_id IS NULL; /* lens: accept because of the loader */ -- want "acceptance.unread"
