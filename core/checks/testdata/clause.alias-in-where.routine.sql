-- dialect: mariadb
-- checks: clause.alias-in-where
CREATE PROCEDURE strong(kg decimal(6, 2)) SELECT hive_id, weight_kg * 2 AS kg FROM harvests WHERE kg IS NULL OR weight_kg > kg;
CREATE PROCEDURE weak(p_kg decimal(6, 2)) SELECT hive_id, weight_kg * 2 AS kg FROM harvests WHERE kg < p_kg; -- want "clause.alias-in-where"
CREATE PROCEDURE links(p_part int) SELECT part_of AS id, distance FROM parts WHERE id = p_part;
