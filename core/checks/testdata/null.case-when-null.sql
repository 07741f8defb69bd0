-- dialect: sqlite
-- checks: null.case-when-null
SELECT case /* which */ queen_id when null then 'none' when 3 + 1 then 'four' else 'one' end AS queen FROM hives; -- want "null.case-when-null"
SELECT name FROM hives WHERE CASE frame_count - 8 WHEN NULL THEN 1 WHEN 0 THEN 2 END = 1; -- want "null.case-when-null"
SELECT CASE queen_id WHEN 3 THEN NULL WHEN 4 THEN NULL END AS queen FROM hives;
SELECT CASE WHEN NULL THEN 1 ELSE 0 END AS never FROM hives;
