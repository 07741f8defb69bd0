-- dialect: sqlserver
-- checks: syntax.other-dialect
CREATE TABLE swarms (known boolean, remark longtext, weight double, swarm_id serial); -- want "syntax.other-dialect" "syntax.other-dialect" "syntax.other-dialect" "syntax.other-dialect"
CREATE TABLE swarm1 (weight number(5, 2), place varchar2(30), at timestamptz, remark jsonb); -- want "syntax.other-dialect" "syntax.other-dialect" "syntax.other-dialect" "syntax.other-dialect"
CREATE TABLE swarm2 (known bit, remark nvarchar(max), weight double precision, caught datetime2(3), at datetimeoffset, price money, key1 uniqueidentifier, version rowversion, day1 time(0), doc xml);
CREATE TABLE swarm3 (kind dbo.boolean, other [boolean]);
