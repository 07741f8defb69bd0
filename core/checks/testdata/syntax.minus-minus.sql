-- dialect: sqlite
SELECT frame_count--1 -- want "syntax.minus-minus"
FROM hives;
SELECT hive_id FROM hives WHERE frame_count > (2)--3 -- want "syntax.minus-minus"
;
SELECT frame_count --1 was too few
FROM hives;
SELECT frame_count--2 was thought to be too few here
FROM hives;
SELECT frame_count-- the frames
FROM hives;
SELECT frame_count - -1 FROM hives;
SELECT '--1' AS remark FROM hives;--1
