-- dialect: postgres, possible
-- checks: null.arithmetic
SELECT (weight_kg) * (moisture) AS wet FROM harvests; -- want "null.arithmetic"
UPDATE sales SET price = price - jars; -- want "null.arithmetic"
SELECT price * 2 AS double_price FROM sales;
SELECT jars * price AS total FROM sales WHERE price > 3;
SELECT COALESCE(jars * price, 0) AS total FROM sales;
SELECT SUM(jars * price) AS total FROM sales;
SELECT mites + queen_id AS odd FROM inspections i JOIN hives h ON h.hive_id = i.hive_id;
