-- dialect: oracle
-- checks: null.empty-text
SELECT name FROM keepers WHERE village = ''; -- want "null.empty-text"
SELECT name FROM keepers WHERE ('') != village OR village > ''; -- want "null.empty-text" "null.empty-text"
SELECT name FROM keepers WHERE TRIM(village) = ''; -- want "null.empty-text"
SELECT name FROM keepers WHERE village || '' = 'Saltby';
SELECT NVL(village, '') AS village FROM keepers;
UPDATE keepers SET village = '' WHERE keeper_id = 1;
