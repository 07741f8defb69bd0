-- dialect: mariadb
-- checks: clause.no-return
CREATE FUNCTION queen_age(born integer) RETURNS integer BEGIN SET born = 2026 - born; END; -- want "clause.no-return"
