-- Statements that MariaDB reads, one a line.
COMMIT WORK AND NO CHAIN NO RELEASE
COMMIT AND CHAIN NO RELEASE
ROLLBACK TO SAVEPOINT before_harvest
SAVEPOINT before_harvest
START TRANSACTION WITH CONSISTENT SNAPSHOT, READ ONLY
XA START 'harvest', 'branch', 1
XA END 'harvest' SUSPEND FOR MIGRATE
XA RECOVER FORMAT = 'SQL'
FLUSH TABLES hives, queens WITH READ LOCK
FLUSH NO_WRITE_TO_BINLOG STATUS, HOSTS
FLUSH TABLES hives FOR EXPORT
HANDLER bees.hives OPEN AS h
HANDLER h READ name >= ('A', 1) WHERE hive_id > 3 LIMIT 1, 2
HANDLER h READ NEXT
LOCK TABLES hives READ LOCAL, queens AS q LOW_PRIORITY WRITE
CHECK TABLE hives, queens EXTENDED
CHECKSUM TABLE hives QUICK
ANALYZE TABLE hives PERSISTENT FOR COLUMNS (name) INDEXES ALL
ANALYZE FORMAT=JSON SELECT name FROM hives
OPTIMIZE LOCAL TABLE hives NOWAIT
REPAIR TABLE hives USE_FRM
CACHE INDEX hives PARTITION (ALL) KEY (`PRIMARY`) IN hot
LOAD INDEX INTO CACHE hives, queens IGNORE LEAVES
LOAD DATA LOCAL INFILE 'hives.csv' IGNORE INTO TABLE hives CHARACTER SET utf8mb4 FIELDS TERMINATED BY ',' OPTIONALLY ENCLOSED BY '"' LINES TERMINATED BY '\n' IGNORE 1 LINES (name, @moved) SET moved_on = NULLIF(@moved, '')
PREPARE q FROM 'SELECT 1'
EXECUTE q USING @a, 1 + 1
EXECUTE IMMEDIATE CONCAT('SELECT ', 1)
DEALLOCATE PREPARE q
EXPLAIN EXTENDED SELECT name FROM hives
EXPLAIN FORMAT=JSON UPDATE hives SET name = 'a'
EXPLAIN hives
DESC hives name
SHOW FULL COLUMNS FROM hives FROM bees LIKE 'n%'
SHOW INDEX FROM hives WHERE Key_name = 'PRIMARY'
SHOW CREATE TABLE hives
SHOW GLOBAL STATUS LIKE 'Com%'
SHOW TABLE STATUS IN bees WHERE Data_length > 10
SHOW WARNINGS LIMIT 5, 10
SHOW GRANTS FOR ada@localhost
SHOW COUNT(*) ERRORS
SHOW ENGINE InnoDB STATUS
SET @a = 1, @b := (SELECT MAX(hive_id) FROM hives), SESSION sort_buffer_size = 1000
SET NAMES utf8mb4 COLLATE utf8mb4_bin
SET GLOBAL TRANSACTION ISOLATION LEVEL READ COMMITTED, READ ONLY
SET PASSWORD FOR ada@localhost = PASSWORD('x')
SET @@session.sql_mode = 'ANSI', GLOBAL max_connections = DEFAULT
SET STATEMENT max_statement_time = 10 FOR SELECT name FROM hives
SET ROLE NONE
GRANT SELECT (name, yard), INSERT ON TABLE bees.hives TO ada@'%' IDENTIFIED BY 'x' REQUIRE SSL WITH GRANT OPTION MAX_QUERIES_PER_HOUR 10
GRANT keeper TO ada, bo WITH ADMIN OPTION
GRANT ALL PRIVILEGES ON bees.* TO ada
REVOKE ALL PRIVILEGES, GRANT OPTION FROM ada
REVOKE SELECT, UPDATE ON hives FROM ada
CREATE USER IF NOT EXISTS ada@localhost IDENTIFIED VIA mysql_native_password USING '*x' OR unix_socket REQUIRE X509 PASSWORD EXPIRE NEVER ACCOUNT LOCK
CREATE ROLE keeper WITH ADMIN ada
DROP USER IF EXISTS ada, bo@localhost
ALTER USER ada IDENTIFIED BY 'y' WITH MAX_USER_CONNECTIONS 5
RENAME TABLE hives TO old_hives, new_hives WAIT 5 TO hives
KILL HARD QUERY 12
PURGE BINARY LOGS BEFORE '2026-01-01'
CHANGE MASTER 'north' TO MASTER_HOST = 'a', MASTER_PORT = 3306, MASTER_USE_GTID = slave_pos
START SLAVE 'north' SQL_THREAD UNTIL MASTER_LOG_FILE = 'a', MASTER_LOG_POS = 4
INSTALL SONAME 'auth'
SIGNAL SQLSTATE VALUE '45000' SET MESSAGE_TEXT = 'no queen', MYSQL_ERRNO = 1001
GET DIAGNOSTICS CONDITION 1 @state = RETURNED_SQLSTATE, @text = MESSAGE_TEXT
CREATE TABLE hives (hive_id INT(10) UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY COMMENT 'key', name VARCHAR(40) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin DEFAULT 'none', weight DECIMAL(8, 2) ZEROFILL, kind ENUM('top', 'long') DEFAULT NULL, made TIMESTAMP NOT NULL DEFAULT CURRENT_TIMESTAMP(6) ON UPDATE CURRENT_TIMESTAMP, wide INT AS (weight * 2) STORED COMMENT 'twice', hidden INT INVISIBLE DEFAULT 0, CONSTRAINT positive CHECK (weight > 0), UNIQUE KEY by_name (name(10) DESC) USING BTREE, KEY kinds (kind, weight), FULLTEXT KEY texts (name) COMMENT 'search', FOREIGN KEY q (hive_id) REFERENCES queens (hive_id) ON DELETE SET NULL ON UPDATE CASCADE) ENGINE = InnoDB AUTO_INCREMENT=10 DEFAULT CHARSET=utf8mb4 COLLATE utf8mb4_bin ROW_FORMAT=COMPRESSED KEY_BLOCK_SIZE 8 COMMENT 'all hives'
CREATE OR REPLACE TEMPORARY TABLE heavy (PRIMARY KEY (hive_id)) ENGINE=MEMORY IGNORE AS SELECT hive_id, weight FROM hives
CREATE TABLE heavy LIKE hives
CREATE TABLE heavy (LIKE hives)
CREATE TABLE yields (hive_id INT, year INT) PARTITION BY RANGE (year) SUBPARTITION BY HASH (hive_id) SUBPARTITIONS 2 (PARTITION p0 VALUES LESS THAN (2025) COMMENT = 'old', PARTITION p1 VALUES LESS THAN MAXVALUE)
CREATE TABLE yields (hive_id INT) WITH SYSTEM VERSIONING PARTITION BY SYSTEM_TIME INTERVAL 1 MONTH (PARTITION h HISTORY, PARTITION c CURRENT)
CREATE TABLE stays (hive_id INT, f DATE, t DATE, PERIOD FOR stay (f, t), UNIQUE (hive_id, stay WITHOUT OVERLAPS))
CREATE UNIQUE INDEX IF NOT EXISTS by_name ON hives (name ASC) USING HASH COMMENT 'x' ALGORITHM = INPLACE LOCK = NONE
CREATE SEQUENCE hive_ids START WITH 10 INCREMENT BY 5 MINVALUE 1 NO MAXVALUE CACHE 20 CYCLE
ALTER SEQUENCE hive_ids RESTART 50
CREATE DATABASE IF NOT EXISTS bees CHARACTER SET = utf8mb4 COLLATE = utf8mb4_bin
CREATE SERVER north FOREIGN DATA WRAPPER mysql OPTIONS (HOST 'a')
ALTER TABLE hives ADD COLUMN IF NOT EXISTS notes TEXT FIRST, ADD INDEX (name), DROP COLUMN wide, MODIFY name VARCHAR(60) NOT NULL AFTER hive_id, ALGORITHM=INPLACE
ALTER TABLE hives CHANGE COLUMN name label VARCHAR(40), RENAME COLUMN kind TO shape, RENAME INDEX kinds TO shapes, ALTER COLUMN weight SET DEFAULT 0
ALTER ONLINE TABLE hives NOWAIT DROP FOREIGN KEY q, DROP PRIMARY KEY, ADD PRIMARY KEY (hive_id), CONVERT TO CHARACTER SET utf8mb4
ALTER TABLE yields REORGANIZE PARTITION p0 INTO (PARTITION a VALUES LESS THAN (2020), PARTITION b VALUES LESS THAN (2025))
ALTER TABLE yields EXCHANGE PARTITION p0 WITH TABLE old_yields
ALTER TABLE hives RENAME TO all_hives, ENGINE = Aria, ORDER BY name DESC
ALTER TABLE hives DISCARD TABLESPACE
CREATE DEFINER = CURRENT_USER PROCEDURE weigh(IN hive INT, OUT kilos DECIMAL(8, 2)) COMMENT 'x' READS SQL DATA SQL SECURITY INVOKER SELECT weight INTO kilos FROM hives WHERE hive_id = hive
CREATE AGGREGATE FUNCTION longest(name TEXT) RETURNS TEXT BEGIN DECLARE best TEXT; FETCH GROUP NEXT ROW; RETURN best; END
CREATE FUNCTION IF NOT EXISTS twice(x INT) RETURNS INT DETERMINISTIC RETURN x * 2
CREATE EVENT tidy ON SCHEDULE EVERY 1 DAY STARTS '2026-01-01' ON COMPLETION PRESERVE DISABLE DO DELETE FROM hives WHERE weight = 0
CREATE TRIGGER named BEFORE INSERT ON hives FOR EACH ROW SET NEW.name = TRIM(NEW.name)
CREATE OR REPLACE ALGORITHM = MERGE SQL SECURITY DEFINER VIEW heavy (id, kilos) AS SELECT hive_id, weight FROM hives WITH CASCADED CHECK OPTION
DROP INDEX by_name ON hives
DROP TABLE IF EXISTS hives, queens CASCADE
DROP TEMPORARY SEQUENCE IF EXISTS hive_ids
SELECT SQL_CALC_FOUND_ROWS DISTINCT name FROM hives USE INDEX (by_name) IGNORE INDEX FOR ORDER BY (kinds) WHERE weight > 1 ORDER BY name LIMIT 5 OFFSET 2
SELECT name FROM hives ORDER BY name OFFSET 2 ROWS FETCH NEXT 5 ROWS WITH TIES
SELECT name FROM hives LIMIT 5 ROWS EXAMINED 100
SELECT name FROM hives FOR UPDATE WAIT 5
SELECT name FROM hives LOCK IN SHARE MODE SKIP LOCKED
SELECT name INTO @n FROM hives LIMIT 1
SELECT name FROM hives UNION ALL SELECT name FROM queens ORDER BY 1 INTO @n
(SELECT name FROM hives ORDER BY weight LIMIT 1) UNION (SELECT 'none')
SELECT * FROM hives FOR SYSTEM_TIME BETWEEN '2026-01-01' AND '2026-02-01' AS h LEFT JOIN queens q USING (hive_id)
SELECT a.name FROM hives a LEFT JOIN queens b JOIN keepers c ON b.keeper_id = c.keeper_id ON a.hive_id = b.hive_id
SELECT name, RANK() OVER w, SUM(weight) OVER (PARTITION BY yard ORDER BY name ROWS BETWEEN 1 PRECEDING AND CURRENT ROW) FROM hives WINDOW w AS (ORDER BY weight DESC)
SELECT GROUP_CONCAT(DISTINCT name ORDER BY name DESC SEPARATOR ', ' LIMIT 3) FROM hives GROUP BY yard WITH ROLLUP
SELECT CAST(weight AS DECIMAL(10, 1)), CAST(name AS CHAR CHARACTER SET utf8mb4), CONVERT(name USING latin1), BINARY name, x'4142', b'101', _utf8mb4'a' COLLATE utf8mb4_bin, N'b' FROM hives
SELECT MATCH (notes) AGAINST ('mite' IN NATURAL LANGUAGE MODE WITH QUERY EXPANSION) FROM inspections
SELECT name REGEXP '^a', name NOT RLIKE 'b', name SOUNDS LIKE 'c', weight DIV 2, weight MOD 3, a XOR b, ! a, a <=> NULL FROM hives
SELECT @row := @row + 1 AS n, \N FROM hives, (SELECT @row := 0) r
SELECT NEXT VALUE FOR hive_ids, NEXTVAL(hive_ids), LASTVAL(hive_ids)
SELECT * FROM JSON_TABLE('[1]', '$[*]' COLUMNS (n INT PATH '$')) AS j
SELECT DATE_ADD(moved_on, INTERVAL 1 DAY), moved_on - INTERVAL 1 MONTH, EXTRACT(YEAR_MONTH FROM moved_on), TIMESTAMPDIFF(DAY, moved_on, NOW()) FROM hives
WITH RECURSIVE n (i) AS (SELECT 1 UNION ALL SELECT i + 1 FROM n WHERE i < 5) CYCLE i RESTRICT SELECT i FROM n
INSERT LOW_PRIORITY IGNORE INTO hives (name, weight) VALUES ('a', 1), ('b', DEFAULT) ON DUPLICATE KEY UPDATE weight = VALUES(weight) + 1 RETURNING hive_id
INSERT INTO hives PARTITION (p0, p1) SET name = 'a', weight = 2
INSERT INTO hives () VALUES ()
REPLACE DELAYED INTO hives SELECT * FROM old_hives
UPDATE LOW_PRIORITY hives h, queens q SET h.name = q.name, q.seen = 1 WHERE h.queen_id = q.queen_id
UPDATE hives FOR PORTION OF kept FROM '2026-01-01' TO '2026-02-01' SET name = 'a'
UPDATE hives SET weight = weight + 1 ORDER BY name LIMIT 3
DELETE QUICK FROM hives WHERE weight < 1 ORDER BY name LIMIT 3 RETURNING name
DELETE h, q FROM hives AS h INNER JOIN queens AS q ON h.queen_id = q.queen_id WHERE h.weight = 0
DELETE FROM h USING hives AS h JOIN queens ON 1 = 1
DELETE HISTORY FROM hives BEFORE SYSTEM_TIME '2026-01-01'
BEGIN NOT ATOMIC DECLARE i INT DEFAULT 0; outer_loop: WHILE i < 3 DO SET i = i + 1; IF i = 2 THEN ITERATE outer_loop; END IF; END WHILE; END
CREATE PROCEDURE rounds() BEGIN DECLARE done INT; DECLARE c CURSOR (low INT) FOR SELECT name FROM hives WHERE weight > low; DECLARE CONTINUE HANDLER FOR NOT FOUND, SQLSTATE '23000' SET done = 1; OPEN c(5); FETCH NEXT FROM c INTO done; CLOSE c; walk:LOOP LEAVE walk; END LOOP; REPEAT SET @i = 1; UNTIL @i > 0 END REPEAT; CASE @i WHEN 1 THEN SELECT 1; ELSE SELECT 2; END CASE; END
SELECT _utf8mb4'a' 'b', 'c' 'd'
SELECT * FROM (((SELECT name FROM hives) t))
SELECT * FROM ((((SELECT name FROM hives) AS t)))
SELECT * FROM (((WITH x AS (SELECT name FROM hives) SELECT name FROM x) t))
SELECT * FROM ((((SELECT 1 AS a) t) JOIN (SELECT 2 AS b) u ON t.a < u.b))
SELECT * FROM (((SELECT (SELECT 1) AS x))) t
SELECT q.name FROM hives = q
SELECT (((WITH t AS (SELECT 1 AS a) SELECT a FROM t LIMIT 1) + 2))
SELECT ((((SELECT 1)) + 2)), (((SELECT 1) UNION (SELECT 1)))
SELECT TIME(taken_on) 'day', DATE(DATE(taken_on)) 'd' FROM harvests
select sql_calc_found_rows straight_join high_priority distinct a from t
select distinctrow sql_no_cache a from t
select a from t use index (i) ignore index for order by (j) force key for join (primary)
select a from t partition (p0, p1) as x
select * from t for system_time as of timestamp '2020-01-01'
select * from t for system_time between '2020-01-01' and now()
select * from t for system_time all
select * from {oj t left join u on t.a = u.a}
select * from t natural left join u, (v cross join w) straight_join x on x.a = v.a
select * from t join u using (a, b) left outer join v on v.a = t.a
select * from json_table('[]', '$[*]' columns (id for ordinality, a int path '$.a' default '0' on empty null on error, b int exists path '$.b', nested path '$.c' columns (d int path '$'))) as j
select a from t group by a desc with rollup having count(*) > 1 order by null limit 1, 2
select a from t limit 5 offset 3 rows examined 10
select a from t order by a offset 3 rows fetch next 2 rows only
select a from t fetch first row with ties
select a from t limit 1 for update wait 3
select a from t lock in share mode nowait
select a from t for update skip locked
select a into @x from t limit 1
select a from t into @x, @y
select a into outfile '/x' character set utf8 fields terminated by ',' optionally enclosed by '"' escaped by '\\' lines starting by 'x' terminated by '\n' from t
select a into dumpfile '/x' from t
select a from t procedure analyse(10, 20)
(select 1) union all (select 2 order by 1 limit 1) except all select 3 intersect distinct select 4 order by 1
with recursive a (n) as (select 1 union all select n + 1 from a where n < 3) cycle n restrict select * from a
with a as (select 1), b (x) as (select 2) select * from a, b
values (1, 2), (3, 4)
select 1 from dual where 1
select @a := 1, @@global.sql_mode, @@session.x, @@x, @'a b', @`c`
select 'a' 'b' "c", n'x', _utf8mb4'a' collate utf8mb4_bin, x'1f', 0x1f, b'1', 0b1
select date '2020-01-01', time '10:00', timestamp '2020-01-01 00:00', {d '2020-01-01'}, {ts '2020-01-01'}
select now() + interval 1 day, interval 1 day + now(), now() - interval '1:2' minute_second, date_add(now(), interval 1 year_month)
select a div b, a mod b, a % b, a xor b, a && b, !a, not a, a <=> b, a != b, a <> b, ~a, a ^ b, a | b & c << 1 >> 2 from t
select a regexp 'b', a rlike 'b', a not regexp 'b', a like 'b' escape '|', a sounds like b, a not like 'b' from t
select match (a, b) against ('x' in boolean mode), match a against ('x' with query expansion) from t
select case a when 1 then 2 else 3 end, if(a, 1, 2), ifnull(a, 1), nullif(a, 1), coalesce(a, 1), interval(1, 2, 3) from t
select count(*), count(distinct a, b), group_concat(distinct a, b order by c desc, d separator '-' limit 3), sum(distinct a), bit_and(a), std(a), json_arrayagg(a order by b limit 1), json_objectagg(a, b) from t
select row_number() over (partition by a order by b desc), sum(a) over w, first_value(a) over (w rows between 1 preceding and current row), lag(a, 2) over (order by b), nth_value(a, 2) over (order by b), percentile_cont(0.5) within group (order by a) over (partition by b), median(a) over (partition by b) from t window w as (order by a range unbounded preceding)
select column_create('a', 1 as int, 'b', 'c' as char), column_get(a, 'b' as int), column_json(a) from t
select exists (select 1), not exists (select 1 from t), a in (1, 2), a not in (select 1), (a, b) = (1, 2), (a, b) in ((1, 2)), row(a, b) = (select 1, 2), a > any (select 1), a = all (select 1), a <> some (select 1) from t
select a between 1 and 2, a not between b and c, a is null, a is not true, a is unknown, a is not false from t
select json_value('{}', '$.a'), json_extract(a, '$.b', '$.c'), json_exists(a, '$'), json_query(a, '$') from t
select current_timestamp, current_timestamp(3), localtime, localtimestamp(), utc_date, utc_time(), utc_timestamp(6), sysdate(), curdate(), curtime(3), current_date()
insert low_priority ignore into t (a, b) values (1, default), (default(a), 2) on duplicate key update a = values(a), b = a + 1
insert into t set a = 1, b = default on duplicate key update a = 2
insert delayed t value (1)
insert into t partition (p0) (a) select 1 from dual on duplicate key update t.a = 1
insert into t () values ()
insert into t (a) with x as (select 1) select * from x
replace into t (a) values (1) returning *
replace delayed into t set a = 1
replace t select * from u
update low_priority ignore t as x set x.a = 1, b = default where a = 2 order by b desc limit 3
update t join u on t.a = u.a left join v using (b) set t.a = u.b, u.c = 1 where v.d is null
update t, u set t.a = u.a where t.b = u.b
update t for portion of p from '2020-01-01' to '2021-01-01' set a = 1
update t partition (p0) set a = a + 1
with x as (select 1 as a) select * from x where a = 1
delete low_priority quick ignore from t where a = 1 order by b limit 3 returning a
delete t, u.* from t join u on t.a = u.a where u.b = 1
delete from t, u using t join u using (a)
delete x from t as x left join u on x.a = u.a where u.a is null
delete history from t before system_time '2020-01-01'
delete from t for portion of p from '2020-01-01' to '2021-01-01'
truncate table t
load data local infile '/x' replace into table t partition (p0) character set utf8 fields terminated by ',' lines terminated by '\n' ignore 1 lines (a, @b, c) set d = @b + 1
load xml infile '/x' into table t rows identified by '<r>'
do sleep(1), release_lock('a')
handler t open as h
handler h read i = (1, 2) where a > 1 limit 3
handler h close
call p(1, @x)
call p
set @a = 1, @@session.b = 2, global c = 'd', names utf8, e := default
set character set utf8
set password for 'a'@'b' = password('c')
set session transaction isolation level repeatable read, read only
set statement max_statement_time = 1 for select 1
set default role x for y
begin work
commit and no chain release
rollback to savepoint x
savepoint x
lock tables t as x read local, u low_priority write, v write concurrent
unlock tables
xa start 'a'
explain extended select 1
explain partitions select 1
explain format = json update t set a = 1
analyze format=json select 1
analyze table t persistent for columns (a) indexes all
describe t a
desc t
show full columns from t from d like 'x'
show create table t
show index from t where a = 1
show global status like 'a'
show tables where b = 1
show warnings limit 1, 2
show grants for current_user
show full processlist
show binlog events in 'x' from 4 limit 1
kill query 3
flush tables with read lock
flush local logs, status
optimize no_write_to_binlog table t, u
check table t for upgrade quick extended
repair table t use_frm
checksum table t extended
cache index t in x
prepare x from 'select ?'
execute x using @a
execute immediate 'select ?' using 1
deallocate prepare x
create table t (a int, b date) partition by range (year(b)) subpartition by hash (a) subpartitions 2 (partition p0 values less than (2020) engine = innodb comment 'x', partition p1 values less than maxvalue)
create table t (a int) partition by list (a) (partition p0 values in (1, 2, null), partition p1 default)
create table t (a int) partition by key algorithm = 2 (a) partitions 4
create table t (a int, b int) partition by range columns (a, b) (partition p0 values less than (1, maxvalue))
create table t (a int) with system versioning partition by system_time interval 1 month (partition p0 history, partition p1 current)
create table t like u
create table if not exists t (like u)
create table t (primary key (a)) engine = myisam ignore as select 1 as a
create table t select 1 as a union select 2
create table t (a int primary key, b int, s datetime, e datetime, period for p (s, e), unique (b, p without overlaps))
create sequence s start with 1 increment by 2 minvalue 1 maxvalue 9 cache 3 cycle
create or replace algorithm = merge definer = a@b sql security invoker view v (a, b) as select 1, 2 with cascaded check option
create fulltext index i on t (a)
create or replace definer = current_user trigger if not exists x before insert on t for each row follows y set new.a = 1
create event if not exists e on schedule every 1 day starts now() + interval 1 hour ends '2030-01-01' on completion preserve disable on slave comment 'x' do delete from t
create event e on schedule at now() do begin end
create function f(a int, b varchar(3) charset utf8) returns int deterministic reads sql data sql security invoker comment 'x' return a + 1
create aggregate function f(a int) returns int begin declare continue handler for not found return 1; loop fetch group next row; end loop; end
create function f returns string soname 'x.so'
create role if not exists r with admin u
create database if not exists d default character set = utf8 collate utf8_bin comment 'x'
create server s foreign data wrapper mysql options (user 'a', host 'b', port 3)
alter online ignore table t wait 3 add a int, comment 'x', auto_increment = 3
alter table t add partition if not exists partitions 3
alter table t drop partition if exists p0, p1
alter table t reorganize partition p0 into (partition a values less than (1), partition b values less than (2))
alter table t exchange partition p0 with table u
alter table t coalesce partition 3
alter table t truncate partition all
alter table t analyze partition p0
alter table t remove partitioning
alter table t partition by hash (a) partitions 3
alter table t discard tablespace
alter table t add system versioning, add period for system_time (a, b)
alter table t drop system versioning
alter table t modify column a int invisible
alter table t alter index i ignored
alter view v as select 1
alter database d character set utf8
alter sequence s restart 5
alter event e rename to f enable
alter user a identified by 'x'
alter function f comment 'x'
alter procedure p sql security definer
alter server s options (user 'x')
rename table t to u, v to w
rename user a to b
drop temporary table if exists t, u cascade
drop view if exists v, w restrict
drop index if exists i on t
drop prepare x
drop trigger if exists d.x
drop user if exists a, b@'c'
drop sequence if exists s
grant select (a, b), insert on d.t to 'a'@'%' identified by 'x' with grant option max_user_connections 3
grant all privileges on *.* to a
grant execute on procedure d.p to a
grant r to a with admin option
grant proxy on a to b
revoke all privileges, grant option from a
revoke select on t from a
purge binary logs before '2020-01-01'
change master to master_host = 'x', master_port = 3, master_use_gtid = slave_pos
start slave sql_thread
reset master
install plugin x soname 'y'
install soname 'x'
uninstall plugin if exists x
help 'select'
use d
shutdown
signal sqlstate '45000' set message_text = 'x', mysql_errno = 3
resignal
get diagnostics condition 1 @a = message_text
get current diagnostics @n = number
binlog 'x'
backup stage start
create table t (a int default (1 + 2), b varchar(3) default (concat('a', 'b')), c int default uuid_short())
select a from t where a = any (values (1), (2))
select 1 as 'a b', 2 as "c d", 3 `e`, 4 'f'
select if(a = 1, 'x', null) as b from t group by b order by field(b, 'x', 'y'), a is null, -a desc
select straight_join t.a from t, u where t.a = u.a
select /*! sql_no_cache */ 1 /*!50000 + 1 */ /*M!100000 + 2 */
select 1.e3, .5e-1, 1e+3, 5.
select a from t where a = b'101' or a = _binary 'x' or a in (x'1f')
select t.a as select_, t.b as value, t.c as name, t.d as date, t.e as time, t.f as text, t.g as status, t.h as type from t
select date, time, text, status, type, value, name, user, level, comment, count, action, enum_x, timestamp, year, month, day, language, role, position, hash, data, format, password, first, last, end, begin, start, stop, open, close, next, prev, session, global, local, offset_, rows_, row_count, state, source, server, host, port, version, window_x, partitions, subject, sum_x, temporary, variables, view, work, x509, xml from t
CREATE TABLE weighings (user varchar(40), version varchar(40), KEY x (user(4)), UNIQUE KEY y (version(10) DESC, user))
CREATE TABLE weighings (exclude int, qualify int)
INSERT INTO abort (a) VALUES (1)
ALTER TABLE weighings ADD logfile int, ADD supplemental varchar(5)
SELECT a FROM only WHERE a = 1
UPDATE lateral SET a = 1
SELECT BINARY 1, BINARY -1, BINARY @x = 'a', BIT_COUNT(BINARY 12345678901234567890), BINARY ~1, BINARY BINARY 'a', BINARY .5
SELECT CONVERT(CONVERT(name USING utf8mb4) USING binary) FROM hives
