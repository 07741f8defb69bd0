-- dialect: oracle
-- checks: range.instant-equals-day
SELECT harvest_id FROM harvests WHERE taken_on = SYSDATE; -- want "range.instant-equals-day"
SELECT harvest_id FROM harvests h WHERE CURRENT_DATE = h.taken_on OR h.hive_id = 3; -- want "range.instant-equals-day"
SELECT harvest_id FROM harvests WHERE taken_on = TRUNC(SYSDATE) OR taken_on > SYSDATE - 7;
