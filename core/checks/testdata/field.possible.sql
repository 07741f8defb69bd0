-- dialect: postgres, no schema
-- checks: group.ungrouped-column, null.not-in-subquery, match.leading-wildcard, index.function-on-column, syntax.unreadable, name.unknown-table, name.unknown-alias
SELECT a.kind, glue(a.name) AS names FROM swarms AS a GROUP BY a.kind;
SELECT a.kind, a.place, COUNT(*) AS n FROM swarms AS a GROUP BY a.kind; -- want "group.ungrouped-column"
SELECT place FROM swarms WHERE kind NOT IN (SELECT kind FROM kinds);
SELECT place FROM swarms WHERE LOWER(place) = 'oak' OR place LIKE '%oak%';
UPDATE @extschema@.swarms SET place = 'x' WHERE kind = @extschema@.kind_of(3)::@extschema@.kind;
UPDATE :old.swarms SET place = 'x' FROM {schema}.kinds AS k WHERE k.kind = swarms.kind;
SELECT s.place FROM ${schema}.swarms AS s JOIN <?name schema ?>.kinds AS k ON k.kind = s.kind;
SELECT s.{col} FROM swarms AS s;
