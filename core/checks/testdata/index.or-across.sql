-- dialect: postgres, possible
-- checks: index.or-across
SELECT h.name FROM hives h JOIN queens q ON q.queen_id = h.queen_id WHERE (h.name = 'Ash' OR q.name = 'Ada'); -- want "index.or-across"
SELECT name FROM hives WHERE name = 'Ash' OR frame_count > 3;
SELECT name FROM hives WHERE name = 'Ash' OR name = 'Elm';
