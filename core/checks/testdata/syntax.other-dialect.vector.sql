-- dialect: postgres
-- checks: syntax.other-dialect
SELECT swarm_id, 1 - (spot <=> $1) AS near FROM swarms ORDER BY spot <=> $2, swarm_id;
SELECT swarm_id FROM swarms WHERE spot <=> $1 < 0.5 AND NOT (spot <=> $2); -- want "syntax.other-dialect"
