-- dialect: postgres
-- checks: syntax.other-dialect
CREATE TABLE swarms (swarm_id tinyint); -- want "syntax.other-dialect"
CREATE TABLE swarm1 (caught datetime(3) NOT NULL, place nvarchar(20), remark nvarchar(max)); -- want "syntax.other-dialect" "syntax.other-dialect" "syntax.other-dialect"
CREATE TABLE swarm2 (kind enum('prime', 'cast'), weight number(5, 2), photo blob); -- want "syntax.other-dialect" "syntax.other-dialect" "syntax.other-dialect"
CREATE TABLE swarm3 (weight double); -- want "syntax.other-dialect"
ALTER TABLE hives ADD COLUMN painted_on datetime; -- want "syntax.other-dialect"
SELECT CAST(name AS varchar2(10)), name::longtext FROM hives; -- want "syntax.other-dialect" "syntax.other-dialect"

-- types of PostgreSQL, of its extensions, and of one's own
CREATE TABLE swarm4 (weight double precision, caught timestamptz, remark text, known boolean, price money, key uuid, at time);
SELECT NULL::text[], NULL::jsonb, NULL::"char" FROM hives;
CREATE DOMAIN datetime AS timestamp;
CREATE TABLE swarm5 (caught datetime);
