-- dialect: sqlserver
-- checks: null.cut-replacement
SELECT isnull(q.colour, N'not marked yet') AS colour FROM queens AS q; -- want "null.cut-replacement"
SELECT name FROM queens WHERE ISNULL(colour, 'not marked') = 'not marked';
SELECT name FROM queens WHERE ISNULL(colour, 'not marked yet') = 'not marked yet'; -- want "null.cut-replacement"
SELECT ISNULL(colour, 'it''s white') AS colour, ISNULL(remark, 'nothing was found that day') AS remark FROM queens, inspections;
SELECT ISNULL(mites, 0) AS mites, COALESCE(colour, 'not marked yet') AS colour FROM queens, inspections;
