-- dialect: oracle

SELECT moved_on + 30 AS due FROM hives;
SELECT name FROM hives WHERE moved_on - frame_count < CURRENT_DATE;
SELECT 7 + moved_on AS due FROM hives;
