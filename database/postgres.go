package database

import (
	"context"
	"encoding/binary"
	"errors"
	"fmt"
	"io"
	"net/url"
	"strings"
	"time"

	"github.com/jackc/pgx/v5"
	"github.com/jackc/pgx/v5/pgconn"
	"github.com/jackc/pgx/v5/pgproto3"

	"justlens/core/dialect"
)

// The catalogues of PostgreSQL ("System Catalogs" of its documentation), read
// with an empty search path, so that every name in them is qualified.
const (
	postgresTypes = `
SELECT quote_ident(n.nspname) || '.' || quote_ident(t.typname), t.typtype::text,
  CASE t.typtype WHEN 'e' THEN (SELECT string_agg(quote_literal(e.enumlabel), ', ' ORDER BY e.enumsortorder) FROM pg_enum e WHERE e.enumtypid = t.oid)
  ELSE format_type(t.typbasetype, t.typtypmod) || CASE WHEN t.typnotnull THEN ' NOT NULL' ELSE '' END
    || COALESCE((SELECT string_agg(' ' || pg_get_constraintdef(k.oid), '') FROM pg_constraint k WHERE k.contypid = t.oid), '') END
FROM pg_type t JOIN pg_namespace n ON n.oid = t.typnamespace
WHERE t.typtype IN ('e', 'd') AND n.nspname NOT IN ('pg_catalog', 'information_schema') AND n.nspname NOT LIKE 'pg\_%'
ORDER BY 1`

	postgresColumns = `
SELECT quote_ident(n.nspname) || '.' || quote_ident(c.relname), c.relkind::text, quote_ident(a.attname), format_type(a.atttypid, a.atttypmod),
  a.attnotnull, COALESCE(pg_get_expr(d.adbin, d.adrelid), ''), a.attidentity::text, a.attgenerated::text,
  COALESCE((SELECT quote_ident(l.collname) FROM pg_collation l WHERE l.oid = a.attcollation AND l.collname <> 'default'
    AND a.attcollation <> (SELECT y.typcollation FROM pg_type y WHERE y.oid = a.atttypid)), '')
FROM pg_class c JOIN pg_namespace n ON n.oid = c.relnamespace JOIN pg_attribute a ON a.attrelid = c.oid AND a.attnum > 0 AND NOT a.attisdropped
LEFT JOIN pg_attrdef d ON d.adrelid = c.oid AND d.adnum = a.attnum
WHERE c.relkind IN ('r', 'p', 'f') AND n.nspname NOT IN ('pg_catalog', 'information_schema') AND n.nspname NOT LIKE 'pg\_%'
ORDER BY n.nspname, c.relname, a.attnum`

	postgresParents = `
SELECT quote_ident(n.nspname) || '.' || quote_ident(c.relname), quote_ident(o.nspname) || '.' || quote_ident(p.relname)
FROM pg_inherits i JOIN pg_class c ON c.oid = i.inhrelid JOIN pg_namespace n ON n.oid = c.relnamespace
JOIN pg_class p ON p.oid = i.inhparent JOIN pg_namespace o ON o.oid = p.relnamespace
WHERE c.relkind IN ('r', 'f') AND NOT c.relispartition AND n.nspname NOT IN ('pg_catalog', 'information_schema') AND n.nspname NOT LIKE 'pg\_%'
ORDER BY 1, i.inhseqno`

	postgresConstraints = `
SELECT quote_ident(n.nspname) || '.' || quote_ident(c.relname), quote_ident(k.conname), pg_get_constraintdef(k.oid)
FROM pg_constraint k JOIN pg_class c ON c.oid = k.conrelid JOIN pg_namespace n ON n.oid = c.relnamespace
WHERE k.contype IN ('p', 'u', 'f', 'c') AND n.nspname NOT IN ('pg_catalog', 'information_schema') AND n.nspname NOT LIKE 'pg\_%'
ORDER BY CASE k.contype WHEN 'p' THEN 1 WHEN 'u' THEN 2 WHEN 'c' THEN 3 ELSE 4 END, n.nspname, c.relname, k.conname`

	postgresRowCounts = `
SELECT n.nspname, c.relname, c.reltuples::bigint FROM pg_class c JOIN pg_namespace n ON n.oid = c.relnamespace
WHERE c.relkind IN ('r', 'p') AND c.reltuples > 0 AND n.nspname NOT IN ('pg_catalog', 'information_schema') AND n.nspname NOT LIKE 'pg\_%'`

	postgresIndexes = `
SELECT pg_get_indexdef(i.indexrelid)
FROM pg_index i JOIN pg_class c ON c.oid = i.indrelid JOIN pg_namespace n ON n.oid = c.relnamespace
WHERE c.relkind IN ('r', 'p') AND n.nspname NOT IN ('pg_catalog', 'information_schema') AND n.nspname NOT LIKE 'pg\_%'
  AND NOT EXISTS (SELECT FROM pg_constraint k WHERE k.conindid = i.indexrelid AND k.contype IN ('p', 'u', 'x'))
ORDER BY i.indexrelid::regclass::text`

	// FROM takes sequences, too; of the names that columns give them each is taken for one.
	postgresSequences = `
SELECT quote_ident(n.nspname) || '.' || quote_ident(c.relname) FROM pg_class c JOIN pg_namespace n ON n.oid = c.relnamespace
WHERE c.relkind = 'S' AND c.relname NOT LIKE '%\_seq' ORDER BY c.oid`

	postgresRoutines = `
SELECT DISTINCT quote_ident(n.nspname) || '.' || quote_ident(p.proname) FROM pg_proc p JOIN pg_namespace n ON n.oid = p.pronamespace
WHERE n.nspname NOT IN ('pg_catalog', 'information_schema') AND n.nspname NOT LIKE 'pg\_%' ORDER BY 1`

	postgresViews = `
SELECT quote_ident(n.nspname) || '.' || quote_ident(c.relname),
  (SELECT string_agg(quote_ident(a.attname), ', ' ORDER BY a.attnum) FROM pg_attribute a WHERE a.attrelid = c.oid AND a.attnum > 0 AND NOT a.attisdropped),
  pg_get_viewdef(c.oid)
FROM pg_class c JOIN pg_namespace n ON n.oid = c.relnamespace
WHERE c.relkind IN ('v', 'm') AND n.nspname NOT IN ('pg_catalog', 'information_schema') AND n.nspname NOT LIKE 'pg\_%'
ORDER BY c.oid`
)

func readPostgres(ctx context.Context, u *url.URL) (s Schema, err error) {
	err = withPostgres(ctx, u, func(conn *pgx.Conn) error {
		s, err = postgresSchema(ctx, conn)
		return err
	})
	return s, err
}

// withPostgres connects so that nothing can be changed, and gives the connection to use.
func withPostgres(ctx context.Context, u *url.URL, use func(*pgx.Conn) error) error {
	config, err := pgx.ParseConfig(u.String())
	if err != nil {
		return fmt.Errorf("%s: not an address that can be read", Redacted(u.String()))
	}
	config.RuntimeParams["default_transaction_read_only"] = "on"
	config.BuildFrontend = func(r io.Reader, w io.Writer) *pgproto3.Frontend {
		return pgproto3.NewFrontend(&framed{r: r}, w)
	}
	conn, err := pgx.ConnectConfig(ctx, config)
	if err != nil {
		return postgresFailure(u, err)
	}
	defer conn.Close(context.WithoutCancel(ctx))
	if err := use(conn); err != nil {
		if ctx.Err() != nil { // the driver asks the server to end the query, in its own time
			select {
			case <-conn.PgConn().CleanupDone():
			case <-time.After(cancelWait):
			}
		}
		return postgresFailure(u, err)
	}
	return nil
}

// cancelWait is how long a server may take to hear that a query is given up.
const cancelWait = 100 * time.Millisecond

func postgresSchema(ctx context.Context, conn *pgx.Conn) (Schema, error) {
	s := Schema{Dialect: dialect.Postgres}
	var path []string
	if err := conn.QueryRow(ctx, "SELECT current_schemas(false)::text[]").Scan(&path); err != nil {
		return s, err
	}
	s.Path = append([]string{""}, path...)
	if _, err := conn.Exec(ctx, "SET search_path = ''"); err != nil {
		return s, err
	}
	var b strings.Builder
	for _, step := range []func(context.Context, *pgx.Conn, *strings.Builder) error{
		postgresTypeDDL, postgresTableDDL, postgresParentDDL, postgresConstraintDDL, postgresIndexDDL,
		postgresNames(postgresSequences, "CREATE SEQUENCE %s;\n"), postgresNames(postgresRoutines, "CREATE FUNCTION %s() RETURNS int LANGUAGE sql AS '';\n"),
		postgresViewDDL,
	} {
		if err := step(ctx, conn, &b); err != nil {
			return s, err
		}
	}
	s.DDL = []byte(b.String())
	rows, err := conn.Query(ctx, postgresRowCounts)
	if err != nil {
		return s, err
	}
	s.Rows, err = pgx.CollectRows(rows, pgx.RowToStructByPos[TableRows])
	return s, err
}

func postgresTypeDDL(ctx context.Context, conn *pgx.Conn, b *strings.Builder) error {
	var name, kind, body string
	rows, err := conn.Query(ctx, postgresTypes)
	if err != nil {
		return err
	}
	_, err = pgx.ForEachRow(rows, []any{&name, &kind, &body}, func() error {
		if kind == "e" {
			fmt.Fprintf(b, "CREATE TYPE %s AS ENUM (%s);\n", name, body)
		} else {
			fmt.Fprintf(b, "CREATE DOMAIN %s AS %s;\n", name, body)
		}
		return nil
	})
	return err
}

func postgresTableDDL(ctx context.Context, conn *pgx.Conn, b *strings.Builder) error {
	var table, kind, column, typ, expression, identity, generated, collation, last string
	var required bool
	rows, err := conn.Query(ctx, postgresColumns)
	if err != nil {
		return err
	}
	_, err = pgx.ForEachRow(rows, []any{&table, &kind, &column, &typ, &required, &expression, &identity, &generated, &collation}, func() error {
		switch {
		case last == "":
			fmt.Fprintf(b, "CREATE TABLE %s (\n", table)
		case table != last:
			fmt.Fprintf(b, "\n);\nCREATE TABLE %s (\n", table)
		default:
			b.WriteString(",\n")
		}
		last = table
		fmt.Fprintf(b, "  %s %s", column, typ)
		if collation != "" {
			fmt.Fprintf(b, " COLLATE %s", collation)
		}
		switch {
		case generated != "":
			fmt.Fprintf(b, " GENERATED ALWAYS AS (%s) STORED", expression)
		case identity == "a":
			b.WriteString(" GENERATED ALWAYS AS IDENTITY")
		case identity != "", required && strings.HasPrefix(expression, "nextval("): // serial, too
			b.WriteString(" GENERATED BY DEFAULT AS IDENTITY")
		case expression != "":
			fmt.Fprintf(b, " DEFAULT %s", expression)
		}
		if required {
			b.WriteString(" NOT NULL")
		}
		return nil
	})
	if last != "" {
		b.WriteString("\n);\n")
	}
	return err
}

// postgresParentDDL writes which tables inherit from which; the columns stand in each.
func postgresParentDDL(ctx context.Context, conn *pgx.Conn, b *strings.Builder) error {
	var table, parent string
	rows, err := conn.Query(ctx, postgresParents)
	if err != nil {
		return err
	}
	_, err = pgx.ForEachRow(rows, []any{&table, &parent}, func() error {
		fmt.Fprintf(b, "ALTER TABLE %s INHERIT %s;\n", table, parent)
		return nil
	})
	return err
}

func postgresConstraintDDL(ctx context.Context, conn *pgx.Conn, b *strings.Builder) error {
	var table, name, body string
	rows, err := conn.Query(ctx, postgresConstraints)
	if err != nil {
		return err
	}
	_, err = pgx.ForEachRow(rows, []any{&table, &name, &body}, func() error {
		fmt.Fprintf(b, "ALTER TABLE %s ADD CONSTRAINT %s %s;\n", table, name, body)
		return nil
	})
	return err
}

func postgresIndexDDL(ctx context.Context, conn *pgx.Conn, b *strings.Builder) error {
	var body string
	rows, err := conn.Query(ctx, postgresIndexes)
	if err != nil {
		return err
	}
	_, err = pgx.ForEachRow(rows, []any{&body}, func() error {
		fmt.Fprintf(b, "%s;\n", body)
		return nil
	})
	return err
}

// postgresNames writes statements in which no more than a name counts.
func postgresNames(query, statement string) func(context.Context, *pgx.Conn, *strings.Builder) error {
	return func(ctx context.Context, conn *pgx.Conn, b *strings.Builder) error {
		var name string
		rows, err := conn.Query(ctx, query)
		if err != nil {
			return err
		}
		_, err = pgx.ForEachRow(rows, []any{&name}, func() error {
			fmt.Fprintf(b, statement, name)
			return nil
		})
		return err
	}
}

func postgresViewDDL(ctx context.Context, conn *pgx.Conn, b *strings.Builder) error {
	var name, columns, body string
	rows, err := conn.Query(ctx, postgresViews)
	if err != nil {
		return err
	}
	_, err = pgx.ForEachRow(rows, []any{&name, &columns, &body}, func() error {
		fmt.Fprintf(b, "CREATE VIEW %s (%s) AS\n%s;\n", name, columns, strings.TrimSuffix(body, ";"))
		return nil
	})
	return err
}

// postgresFailure reads the codes of "PostgreSQL Error Codes".
func postgresFailure(u *url.URL, err error) error {
	var said *pgconn.PgError
	if !errors.As(err, &said) {
		return failure(u, err, nil)
	}
	return failure(u, err, &refusal{user: strings.HasPrefix(said.Code, "28"), unknown: said.Code == "3D000", message: said.Message})
}

// mostMessage is the largest message of the protocol that is believed: some five bytes
// can announce a gigabyte, for which the driver would make room.
const mostMessage = 64 << 20

// frameError tells of a message larger than that.
type frameError struct{ length uint32 }

func (e *frameError) Error() string { return fmt.Sprintf("a message of %d bytes", e.length) }

// framed reads messages of PostgreSQL's protocol ("Message Formats" of its documentation:
// a byte, then the length with itself in four), and checks the lengths.
type framed struct {
	r      io.Reader
	header []byte
	left   int // of the message in hand
	total  budget
}

func (f *framed) Read(p []byte) (int, error) {
	n, err := f.r.Read(p)
	if f.total.bytes += n; f.total.bytes > mostCatalogue {
		return 0, errMuch
	}
	for rest := p[:n]; len(rest) > 0; {
		if f.left > 0 {
			passed := min(f.left, len(rest))
			f.left -= passed
			rest = rest[passed:]
			continue
		}
		f.header = append(f.header, rest[0])
		rest = rest[1:]
		if len(f.header) < 5 {
			continue
		}
		length := binary.BigEndian.Uint32(f.header[1:])
		if length < 4 || length > mostMessage {
			return 0, &frameError{length}
		}
		f.left, f.header = int(length)-4, f.header[:0]
	}
	return n, err
}
