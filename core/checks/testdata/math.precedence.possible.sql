-- dialect: postgres, possible
-- checks: math.precedence
SELECT weight_kg + moisture / 2 AS mean FROM harvests; -- want "math.precedence"
SELECT h.frame_count + h.apiary_id + h.keeper_id / 3 AS mean FROM hives h; -- want "math.precedence"
SELECT weight_kg + moisture / 100 AS x FROM harvests;
SELECT weight_kg - moisture / 2 AS x FROM harvests;
