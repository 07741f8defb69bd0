-- dialect: postgres
-- checks: syntax.joined-signs
SELECT name FROM hives WHERE frame_count !=-1 AND hive_id %+2 = 0; -- want "syntax.joined-signs" "syntax.joined-signs"
SELECT 'a'||-1, 5|-1, @-5; -- want "syntax.joined-signs" "syntax.joined-signs" "syntax.joined-signs"
SELECT name FROM hives WHERE frame_count<-1 OR frame_count=-1 OR frame_count*-1 >+2;
SELECT 5 & -1, 2 ^ - 1, -1 != - 1, '{"a": 1}'::jsonb #-'{a}', int4range(1, 2) -|- int4range(2, 3);
SELECT frame_count %-- of them
 2 FROM hives;
