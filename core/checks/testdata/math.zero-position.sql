-- dialect: postgres
-- checks: math.zero-position
SELECT substr(k.name, 0, 3) AS initial FROM keepers AS k; -- want "math.zero-position"
SELECT SUBSTRING(name FROM 0 FOR 4) AS initial FROM keepers; -- want "math.zero-position"
SELECT SUBSTRING(name, 1, 0) AS none, SUBSTR(name, 0) AS whole, SUBSTR(name, keeper_id, 3) AS some, LEFT(name, 0) AS nothing FROM keepers;
