-- dialect: mariadb
-- checks: join.no-condition
SELECT h.name, q.name FROM hives AS h INNER JOIN queens AS q WHERE q.colour = 'blue'; -- want "join.no-condition"
select h.name, g.weight_kg from hives h join harvests g join apiaries a on a.apiary_id = h.apiary_id; -- want "join.no-condition"
SELECT h.name FROM hives h JOIN apiaries a JOIN keepers k ON k.keeper_id = a.keeper_id AND h.apiary_id = a.apiary_id;
SELECT h.name FROM hives h JOIN apiaries a WHERE h.apiary_id = a.apiary_id;
SELECT h.name FROM hives h JOIN (SELECT MAX(mites) AS most FROM inspections) AS x WHERE h.frame_count > x.most;
SELECT h.name FROM hives h CROSS JOIN apiaries a;
SELECT h.frame_count FROM hives h JOIN harvests g USING (hive_id);
