-- dialect: sqlserver, no schema
-- checks: type.aggregate-argument
CREATE TABLE visits (visit_id int PRIMARY KEY, calm bit NOT NULL, mites int);
SELECT SUM(v.calm) AS calm, AVG(CAST(v.mites AS bit)) AS mites FROM visits AS v; -- want "type.aggregate-argument" "type.aggregate-argument"
SELECT SUM(CAST(v.calm AS int)) AS calm, COUNT(v.calm) AS n, SUM(v.mites) AS mites FROM visits AS v;
