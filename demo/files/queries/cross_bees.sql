-- Share of cross rounds by apiary, worst first.
SELECT a.name,
       COUNT(*) AS rounds,
       SUM(CASE WHEN i.temper >= 4 THEN 1 ELSE 0 END) AS cross_rounds
FROM apiaries AS a
JOIN hives AS h ON h.apiary_id = a.apiary_id
JOIN inspections AS i ON i.hive_id = h.hive_id
GROUP BY a.name
ORDER BY cross_rounds DESC, a.name;

-- A note left half written
SELECT a.name, COUNT(*
FROM apiaries AS a;

-- Keepers and the apiaries they lead.
SELECT k.name, a.name AS apiary
FROM keepers AS k
JOIN apiaries AS a ON a.keeper_id = k.keeper_id
ORDER BY k.name, a.name;
