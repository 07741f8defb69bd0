-- dialect: postgres
-- checks: match.everything
SELECT name FROM keepers k WHERE k.village LIKE '%%' AND k.keeper_id > 3; -- want "match.everything"
SELECT name FROM keepers k WHERE NOT k.village ILIKE '%'; -- want "match.everything"
SELECT name FROM keepers k WHERE k.village NOT LIKE '%'; -- want "match.everything"
SELECT name FROM keepers k WHERE k.name LIKE '%'; -- want "match.everything"
SELECT name FROM keepers k WHERE k.village LIKE '%_%';
SELECT name FROM keepers k WHERE k.village LIKE '';
