-- dialect: postgres
SELECT name AS hive, frame_count frames FROM hives; -- want "name.implied-as"
SELECT name AS hive,
       frame_count / 2 half, -- want "name.implied-as"
       keeper_id keeper -- want "name.implied-as"
FROM hives;
SELECT name hive, frame_count frames FROM hives;
SELECT name AS hive, frame_count FROM hives h;
SELECT name AS hive FROM hives UNION ALL SELECT name label FROM keepers;
