package main

import (
	"context"
	"fmt"
	"os"
	"strings"

	"github.com/jackc/pgx/v5"
)

// postgresTypes is where the types of PostgreSQL are kept.
const postgresTypes = "core/dialect/types/postgres.txt"

// typeQueries ask PostgreSQL's catalogs for its type system, each row a line of the file.
// Kept are the types that people declare columns of, what is defined of them alone, and of
// the functions those that its manual lists: no implementations, transition and support
// functions.
var typeQueries = []string{
	`CREATE TEMPORARY TABLE kept AS SELECT oid, typname FROM pg_type WHERE typnamespace = 'pg_catalog'::regnamespace AND (typname = ANY (ARRAY['bool', 'int2', 'int4',
		'int8', 'numeric', 'float4', 'float8', 'text', 'varchar', 'bpchar', 'char', 'name', 'date', 'time', 'timetz', 'timestamp', 'timestamptz', 'interval', 'bytea',
		'uuid', 'json', 'jsonb', 'xml', 'money', 'bit', 'varbit', 'inet', 'cidr', 'macaddr', 'oid', 'regclass', 'tsvector', 'tsquery', 'jsonpath', 'point', 'box',
		'anyelement', 'anyarray', 'anynonarray', 'anyenum', 'anyrange', 'anymultirange', 'anycompatible', 'anycompatiblearray', 'anycompatiblenonarray',
		'anycompatiblerange', 'any', 'record', 'unknown', 'void', 'int4range', 'int8range', 'numrange', 'daterange', 'tsrange', 'tstzrange']))`,
	`INSERT INTO kept SELECT t.typarray, '_' || t.typname FROM kept k JOIN pg_type t ON t.oid = k.oid WHERE t.typarray <> 0 AND t.typtype = 'b'`,
	`SELECT concat_ws(' ', 'type', k.typname, typcategory::text || CASE WHEN typispreferred THEN '!' ELSE '' END, format_type(k.oid, NULL)) FROM kept k JOIN pg_type USING (oid)
		ORDER BY typcategory, k.typname`,
	`SELECT concat_ws(' ', 'cast', s.typname, t.typname, castcontext) FROM pg_cast JOIN kept s ON s.oid = castsource JOIN kept t ON t.oid = casttarget
		ORDER BY s.typname, t.typname`,
	`SELECT concat_ws(' ', 'op', oprname, coalesce(l.typname, '-'), r.typname, t.typname) FROM pg_operator LEFT JOIN kept l ON l.oid = oprleft
		JOIN kept r ON r.oid = oprright JOIN kept t ON t.oid = oprresult WHERE oprleft = 0 OR l.oid IS NOT NULL ORDER BY oprname, l.typname, r.typname`,
	`SELECT concat_ws(' ', 'fn', proname, t.typname || CASE WHEN proretset THEN '*' ELSE '' END, nullif(pronargs - pronargdefaults, pronargs),
			(SELECT string_agg(CASE WHEN n = pronargs AND provariadic <> 0 THEN '...' ELSE '' END || a.typname, ' ' ORDER BY n) FROM unnest(proargtypes) WITH ORDINALITY AS u(arg, n) JOIN kept a ON a.oid = arg))
		FROM pg_proc JOIN kept t ON t.oid = prorettype LEFT JOIN pg_description d ON d.objoid = pg_proc.oid AND d.classoid = 'pg_proc'::regclass
		WHERE pronamespace = 'pg_catalog'::regnamespace AND NOT EXISTS (SELECT FROM unnest(proargtypes) AS u(arg) WHERE arg NOT IN (SELECT oid FROM kept))
			AND coalesce(d.description, '') !~ '^(I/O|implementation of|internal|\(internal\)|join selectivity|restriction selectivity|statistics|aggregate|window|less-equal-greater|sort support|hash|.*support|.* transition function|.* final function|.* serial function|convert .* to .* text)'
				AND proname !~ '^(pg_stat|pg_replication|pg_logical|binary_upgrade|brin_|gin_|gist_|ts_token|pg_ls_|pg_get_|has_|pg_lo|loread|lowrite|lo_)'
			OR pronamespace = 'pg_catalog'::regnamespace AND prokind IN ('a', 'w') AND NOT EXISTS (SELECT FROM unnest(proargtypes) AS u(arg) WHERE arg NOT IN (SELECT oid FROM kept))
		ORDER BY proname, pronargs, proargtypes::text`,
}

// types writes down the type system of a PostgreSQL server.
func types(dsn string) error {
	ctx := context.Background()
	pg, err := pgx.Connect(ctx, dsn)
	if err != nil {
		return err
	}
	defer pg.Close(ctx)
	var version string
	if err := pg.QueryRow(ctx, "SELECT split_part(current_setting('server_version'), '.', 1)").Scan(&version); err != nil {
		return err
	}
	var out strings.Builder
	fmt.Fprintf(&out, "# The type system of PostgreSQL %s, from its catalogs; written by `go run ./corpus types`.\n"+
		"# Left out: types that few columns have, and functions that implement or support others.\n#\n"+
		"#   type NAME CATEGORY[! preferred] how people call it\n#   cast FROM TO implicit | assignment | explicit\n"+
		"#   op NAME LEFT RIGHT RESULT, - for no left side\n#   fn NAME RESULT[* a set] [least arguments] ARGUMENTS, ... before the one that repeats\n", version)
	for _, q := range typeQueries {
		rows, err := pg.Query(ctx, q)
		if err != nil {
			return err
		}
		lines, err := pgx.CollectRows(rows, pgx.RowTo[string])
		if err != nil {
			return fmt.Errorf("%s: %w", q, err)
		}
		for _, line := range lines {
			out.WriteString(line + "\n")
		}
	}
	return os.WriteFile(postgresTypes, []byte(out.String()), 0o644)
}
