-- dialect: mariadb
-- checks: clause.alias-in-where
CREATE PROCEDURE strong(kg decimal(6, 2)) SELECT hive_id, weight_kg * 2 AS kg FROM harvests WHERE kg IS NULL OR weight_kg > kg;
