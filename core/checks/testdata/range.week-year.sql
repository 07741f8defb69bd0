-- dialect: postgres
-- checks: range.week-year
SELECT to_char(taken_on, 'yyyy"W"iw') AS week FROM harvests; -- want "range.week-year"
SELECT extract(year from g.taken_on) AS y, extract(week from g.taken_on) AS w, COUNT(*) AS n FROM harvests g GROUP BY 1, 2; -- want "range.week-year"
SELECT extract(isoyear from g.taken_on) AS y, extract(week from g.taken_on) AS w, COUNT(*) AS n FROM harvests g GROUP BY 1, 2;
SELECT extract(year from g.taken_on) AS y, extract(month from g.taken_on) AS m, extract(week from g.taken_on) AS w, COUNT(*) AS n FROM harvests g GROUP BY 1, 2, 3;
SELECT to_char(taken_on, 'YYYY-MM-DD "in week" IW') AS day FROM harvests;
