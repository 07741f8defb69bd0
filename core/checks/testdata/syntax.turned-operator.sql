-- dialect: postgres
SELECT name FROM hives WHERE frame_count =< 10; -- want "syntax.turned-operator"
SELECT name FROM hives WHERE frame_count>< 10 AND NOT hive_id =<3; -- want "syntax.turned-operator" "syntax.turned-operator"
SELECT name FROM hives WHERE frame_count <= 10;
SELECT name FROM hives WHERE frame_count <> 10 AND name <> '=<';
SELECT name FROM hives WHERE name ~ 'a' AND frame_count -1 < 3;
