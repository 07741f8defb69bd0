-- dialect: mariadb
-- checks: math.zero-position
SELECT SUBSTRING(name, 0, 3) AS initial, MID(name, 0) AS whole FROM keepers; -- want "math.zero-position" "math.zero-position"
SELECT SUBSTRING(name, -3) AS ending FROM keepers;
