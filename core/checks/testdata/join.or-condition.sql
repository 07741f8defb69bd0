-- dialect: postgres, possible
-- checks: join.or-condition
SELECT h.name FROM hives h LEFT JOIN keepers k ON (k.keeper_id = h.keeper_id AND k.village = 'Oakham' OR k.mentor_id = h.keeper_id); -- want "join.or-condition"
SELECT h.name FROM hives h JOIN keepers k ON k.keeper_id = h.keeper_id OR k.village = 'Oakham';
SELECT h.name FROM hives h JOIN keepers k ON h.keeper_id IN (k.keeper_id, k.mentor_id);
