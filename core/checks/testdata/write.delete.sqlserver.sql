-- dialect: sqlserver
-- FROM may be left out.
DELETE hives WHERE frame_count = 0;
DELETE h FROM hives AS h JOIN queens AS q ON q.queen_id = h.queen_id WHERE q.colour = 'blue';
DELETE TOP (3) hives OUTPUT deleted.name WHERE frame_count = 0;
DELETE h OUTPUT deleted.name FROM hives AS h WHERE h.frame_count = 0;
WITH old AS (SELECT h.hive_id, ROW_NUMBER() OVER (ORDER BY h.moved_on) AS n FROM hives AS h) DELETE old WHERE n > 3;
DELETE hives WHERE frame_cout = 0; -- want "name.unknown-column"
INSERT buyers (buyer_id, name) VALUES (901, 'Ash');
