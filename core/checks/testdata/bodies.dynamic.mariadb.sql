-- dialect: mariadb
PREPARE light FROM 'SELECT name FROM hives WHERE queen_id = NULL AND hive_id = ?'; -- want "null.equals"
EXECUTE IMMEDIATE 'SELECT name FROM hives WHERE name = ''Ash'' OR queen_id <> NULL'; -- want "null.equals"
EXECUTE IMMEDIATE CONCAT('SELECT name FROM hives WHERE hive_id', ' = 1');
PREPARE one FROM 'SELECT name FROM hives WHERE hive_id = ?';
