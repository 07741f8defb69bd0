-- dialect: postgres
CREATE TABLE "hive visits" (visit_id integer PRIMARY KEY, "day" date, "from" date, "Weather" varchar(10), "2nd" integer); -- want "name.needs-quoting" "name.needs-quoting" "name.needs-quoting" "name.needs-quoting"
CREATE TABLE "visits" ("visit_id" integer PRIMARY KEY, "hive" integer);
CREATE TABLE plain_visits (visit_id integer PRIMARY KEY, remark varchar(10));
