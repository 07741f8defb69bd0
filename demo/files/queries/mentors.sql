/* Who learned from whom: the line of mentors of every keeper.
   Clean, as far as we know. */
WITH RECURSIVE line AS (
  SELECT keeper_id, name, mentor_id, 1 AS step
  FROM keepers
  WHERE mentor_id IS NULL
  UNION ALL
  SELECT k.keeper_id, k.name, k.mentor_id, l.step + 1
  FROM keepers AS k
  JOIN line AS l ON l.keeper_id = k.mentor_id
)
SELECT line.name, line.step, m.name AS mentor
FROM line
LEFT JOIN keepers AS m ON m.keeper_id = line.mentor_id
ORDER BY line.step, line.name;
