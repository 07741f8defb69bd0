-- Keepers with their mentors in the northern villages, for the spring letter.
SELECT k.name, m.name AS mentor
FROM keepers AS k
JOIN keepers AS m ON m.keeper_id = k.mentor_id
WHERE keepers.village = 'Saltby'
ORDER BY k.name;

-- The same with the day on which they joined.
SELECT k.name, k.joind_on
FROM keepers AS k
WHERE k.village = 'Saltby' AND k.village = 'Thornwick';
