package claims

import (
	"errors"
	"fmt"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"github.com/go-sql-driver/mysql"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/checks"
	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/facts"
	"justlens/core/review"
	"justlens/core/schema"
	"justlens/core/syntax"
	"justlens/core/text"
	"justlens/demo"
)

// manyTypes are the columns of which expressions are made, by server.
var manyTypes = map[dialect.Dialect][]string{
	dialect.MariaDB: {
		"tinyint", "int", "bigint", "decimal(8,2)", "float", "double", "char(5)", "varchar(20)", "text", "blob", "date", "datetime",
		"timestamp", "time", "year", "json", "enum('a','b')", "uuid", "inet6", "inet4", "point",
	},
	dialect.SQLite: {"integer", "real", "text", "date", "datetime", "numeric", "blob", "varchar(20)", "decimal(8,2)"},
}

// typed writes expressions of such columns and of literals.
type typed struct {
	*rand.Rand
	columns []string
	mysql   bool
}

func (g typed) any(of ...string) string { return of[g.IntN(len(of))] }

func (g typed) value(depth int) string {
	if depth == 0 || g.IntN(3) == 0 {
		if g.IntN(4) == 0 {
			return g.any("1", "2.5", "'7'", "'12abc'", "''", "NULL", "'2026-05-01'", "0.1e1", "'x'")
		}
		return g.columns[g.IntN(len(g.columns))]
	}
	x, y := g.value(depth-1), g.value(depth-1)
	switch g.IntN(9) {
	case 0:
		return fmt.Sprintf("COALESCE(%s, %s)", x, y)
	case 1:
		return fmt.Sprintf("CASE WHEN %s THEN %s ELSE %s END", g.condition(0), x, y)
	case 2:
		return g.any("UPPER", "LENGTH", "TRIM", "MAX", "MIN", "COUNT") + "(" + x + ")"
	case 3:
		return fmt.Sprintf("NULLIF(%s, %s)", x, y)
	case 4:
		if g.mysql {
			return "DATE(" + x + ")"
		}
	}
	return fmt.Sprintf("(%s %s %s)", x, g.any("+", "-", "*", "/"), y)
}

func (g typed) condition(depth int) string {
	x, y := g.value(depth), g.value(depth)
	switch g.IntN(4) {
	case 0:
		return fmt.Sprintf("%s IN (%s, %s)", x, y, g.value(depth))
	case 1:
		return fmt.Sprintf("%s LIKE %s", x, y)
	}
	return fmt.Sprintf("%s %s %s", x, g.any("=", "<>", "<", ">="), y)
}

// TestTypesOnServers asks MariaDB and SQLite of expressions over columns of all common types
// whether they are taken, and which type the result has.
func TestTypesOnServers(t *testing.T) {
	everyServer(t, func(t *testing.T, s *server) {
		types, ok := manyTypes[s.dialect]
		if !ok {
			t.Skip("PostgreSQL has trials of its own")
		}
		var columns, names []string
		for i, typ := range types {
			names = append(names, fmt.Sprintf("c%d", i))
			columns = append(columns, names[i]+" "+typ)
		}
		ddl := "CREATE TABLE many (" + strings.Join(columns, ", ") + ")"
		_, err := s.db.Exec(ddl)
		require.NoError(t, err)
		tables := schema.New(nil).For(s.dialect)
		tables.SetWhole()
		tables.Load([]byte(ddl), s.dialect)
		require.Empty(t, tables.Problems)
		if s.dialect == dialect.SQLite {
			_, err := s.db.Exec("INSERT INTO many VALUES (3, 2.5, 'ash', '2026-05-01', '2026-05-01 10:00', 7, x'61', 'elm', 1.5), (0, 0.0, '', NULL, NULL, -1.5, NULL, '7', 3)")
			require.NoError(t, err)
		}
		r := review.New(review.Options{Dialect: s.dialect, Schema: tables, Certainty: check.Likely, Checks: checks.All()})
		g := typed{rand.New(rand.NewPCG(12, 12)), names, s.dialect == dialect.MariaDB}
		trial := typeTrial{}
		for range 20_000 {
			x := g.value(2)
			if g.IntN(3) == 0 {
				x = g.condition(1)
			}
			trial.compare(t, s, r, tables, "SELECT "+x+" AS x FROM many")
		}
		t.Logf("%d asked; %d of %d refusals told, %d taken ones said to be refused; %d of %d types as described, %d of them with digits",
			trial.asked, trial.told, trial.refused, trial.wronged, trial.sameType, trial.typed, trial.digits)
		for _, line := range trial.misses[:min(len(trial.misses), 40)] {
			t.Log(line)
		}
		assert.Zero(t, trial.wronged)
		assert.GreaterOrEqual(t, trial.told*100, trial.refused*97)
		assert.GreaterOrEqual(t, trial.sameType*100, trial.typed*99)
		assert.Greater(t, trial.typed, trial.asked/3)
	})
}

// compare asks a server of a query, and of a review.
func (c *typeTrial) compare(t *testing.T, s *server, r *review.Reviewer, tables *schema.Schema, query string) {
	rows, err := s.db.Query(query)
	var refusal *mysql.MySQLError
	refused := errors.As(err, &refusal) && (refusal.Number == 4078 || refusal.Number == 4079)
	if err != nil && !refused {
		return // for another reason, such as a value that is no number
	}
	f, err := text.NewFile("q.sql", []byte(query))
	require.NoError(t, err)
	told := slices.ContainsFunc(r.Review(f).Findings, func(f review.Finding) bool { return f.Consequence == check.Refused })
	c.asked++
	if refused {
		c.refused++
		if told {
			c.told++
		} else {
			c.misses = append(c.misses, "not told: "+query+"  -- "+refusal.Message)
		}
		return
	}
	defer rows.Close()
	if told {
		c.wronged++
		c.misses = append(c.misses, "taken: "+query)
	}
	described, err := rows.ColumnTypes()
	require.NoError(t, err)
	typ := outputType(t, s.dialect, tables, query)
	of := typ.Class
	if of == class.Unknown || of == class.Other || of == class.Document {
		return
	}
	if s.dialect == dialect.SQLite { // which has no types but those of the values
		for rows.Next() {
			var v any
			require.NoError(t, rows.Scan(&v))
			if v == nil {
				continue
			}
			c.typed++
			if fitsValue(of, v) {
				c.sameType++
			} else {
				c.misses = append(c.misses, fmt.Sprintf("%s gives %v, said to be %s", query, v, of))
			}
		}
		return
	}
	c.typed++
	precision, scale, _ := described[0].DecimalSize()
	digits := typ.Length == 0 || of != class.Decimal || int(precision) == typ.Length && int(scale) == typ.Scale
	if of == class.Decimal && typ.Length > 0 {
		c.digits++
	}
	if fitsMany(of, described[0].DatabaseTypeName()) && digits {
		c.sameType++
	} else if !digits {
		c.misses = append(c.misses, fmt.Sprintf("%s has %d, %d digits, said to have %d, %d", query, precision, scale, typ.Length, typ.Scale))
	} else {
		c.misses = append(c.misses, fmt.Sprintf("%s is %s, said to be %s", query, described[0].DatabaseTypeName(), of))
	}
}

// fitsMany is fitsType for the classes that the trial of many types has besides.
func fitsMany(of class.Class, name string) bool {
	switch of {
	case class.Text:
		return slices.Contains([]string{"VARCHAR", "TEXT", "CHAR", "LONGTEXT", "TINYTEXT", "MEDIUMTEXT", "ENUM", "NULL"}, name)
	case class.Integer:
		return fitsType(of, name) || name == "YEAR" || name == "BIT"
	case class.Binary:
		return strings.Contains(name, "BLOB") || strings.Contains(name, "BINARY")
	case class.Time:
		return name == "TIME"
	case class.Own:
		return name == "CHAR" || name == "BINARY"
	case class.Shape:
		return name == "GEOMETRY"
	}
	return fitsType(of, name)
}

// outputType gives the type of a query's only column.
func outputType(t *testing.T, d dialect.Dialect, tables *schema.Schema, query string) schema.Type {
	names := syntax.NewNames()
	parser := syntax.NewParser(names)
	parser.Reset([]byte(query), d)
	stmt := parser.Next()
	require.Empty(t, stmt.Errors, query)
	binder := bind.NewBinder(names)
	binder.Reset([]byte(query), d, tables)
	var in facts.Facts
	in.Reset(binder.Bind(stmt))
	return in.OutputType(stmt.Node.(*syntax.SelectStmt).Query, 0)
}

// TestBeginnings asks MariaDB for the numbers that a review says it takes texts for, and SQLite
// whether text is beyond all numbers.
func TestBeginnings(t *testing.T) {
	everyServer(t, func(t *testing.T, s *server) {
		if s.dialect == dialect.Postgres {
			t.Skip("which refuses such texts")
		}
		r := review.New(review.Options{Dialect: s.dialect, Schema: demoTables(s.dialect), Certainty: check.Likely, Checks: checks.All()})
		for _, value := range []string{"12abc", "abc", " 7x", "-3 frames", ".5.5", "1e2x", "+4 or so", "0x1F", "1,5", "--2", "7 8"} {
			query := "SELECT COUNT(*) FROM hives WHERE frame_count < '" + value + "'"
			f, err := text.NewFile("q.sql", []byte(query))
			require.NoError(t, err)
			found := r.Review(f).Findings
			require.Len(t, found, 1, query)
			require.Equal(t, "type.literal", found[0].Check.ID)
			if s.dialect == dialect.SQLite {
				var all, below int
				require.NoError(t, s.db.QueryRow("SELECT COUNT(*) FROM hives").Scan(&all))
				require.NoError(t, s.db.QueryRow(query).Scan(&below))
				require.Equal(t, all, below, query)
				continue
			}
			var same bool
			said := strings.TrimSuffix(strings.TrimPrefix(found[0].Why, "MariaDB takes it for "), ", and compares with that.")
			require.NoError(t, s.db.QueryRow("SELECT '"+value+"' + 0 = "+said).Scan(&same))
			require.True(t, same, "%s: %s", value, found[0].Why)
		}
	})
}

func demoTables(d dialect.Dialect) *schema.Schema {
	tables := schema.New(nil).For(d)
	tables.SetWhole()
	tables.Load([]byte(demo.Schema()), d)
	return tables
}

// TestConversionsHideIndexes looks at the plans of comparisons of values that differ in type,
// on a table with rows: an index serves, or a review says that it does not.
func TestConversionsHideIndexes(t *testing.T) {
	everyServer(t, func(t *testing.T, s *server) {
		if s.dialect == dialect.Postgres {
			t.Skip("which refuses such comparisons")
		}
		rows := "WITH RECURSIVE n (i) AS (SELECT 1 UNION ALL SELECT i + 1 FROM n WHERE i < 900) "
		day, moment := "ADDDATE('2024-01-01', i)", "ADDDATE('2024-01-01 10:00:00', i)"
		insert := "INSERT INTO marks " + rows
		if s.dialect == dialect.SQLite {
			day, moment = "date('2024-01-01', i || ' days')", "datetime('2024-01-01 10:00', i || ' days')"
			insert = rows + "INSERT INTO marks "
		}
		ddl := "CREATE TABLE marks (id integer PRIMARY KEY, code varchar(20), n integer, d date, at datetime, kg decimal(8,2));\n" +
			"CREATE INDEX by_code ON marks (code);\nCREATE INDEX by_n ON marks (n);\nCREATE INDEX by_d ON marks (d);\nCREATE INDEX by_at ON marks (at);\nCREATE INDEX by_kg ON marks (kg)"
		for _, stmt := range append(strings.Split(ddl, ";\n"), insert+"SELECT i, i, i, "+day+", "+moment+", i FROM n") {
			_, err := s.db.Exec(stmt)
			require.NoError(t, err, stmt)
		}
		_, err := s.db.Exec(map[dialect.Dialect]string{dialect.MariaDB: "ANALYZE TABLE marks", dialect.SQLite: "ANALYZE"}[s.dialect])
		require.NoError(t, err)
		tables := schema.New(nil).For(s.dialect)
		tables.Load([]byte(ddl), s.dialect)
		r := review.New(review.Options{Dialect: s.dialect, Schema: tables, Certainty: check.Likely, Checks: checks.All()})
		for _, condition := range []string{
			"code = 7", "code IN (7, 8)", "code = '7'", "code BETWEEN 7 AND 9", "n = '7'", "n = 7.0", "n IN ('7', 8)", "d = '2024-05-01'", "at = '2024-05-01 10:00:00'",
			"d > '2026-05-01 00:00:00'", "kg = '7'", "kg = 7", "n = 7e0", "d LIKE '2024-05%'", "n LIKE '7'", "d = 20240501", "at = 20240501", "code = 7.5",
		} {
			query := "SELECT id FROM marks WHERE " + condition
			told := tellsSlow(t, r, query)
			if s.dialect == dialect.SQLite && (strings.Contains(condition, "LIKE") || strings.Contains(condition, " = 2024")) {
				continue // of LIKE no index serves there, and dates are texts
			}
			require.Equal(t, !isServed(t, s, query), told, query)
		}
		for _, tie := range []string{"a.code = b.n", "b.n = a.code", "a.n = b.n", "a.n = b.kg", "a.d = b.d"} {
			query := "SELECT a.id FROM marks AS b CROSS JOIN marks AS a ON " + tie + " WHERE b.id = 7"
			if s.dialect == dialect.MariaDB {
				query = strings.Replace(query, "CROSS JOIN", "STRAIGHT_JOIN", 1)
			}
			require.Equal(t, !isServed(t, s, query), tellsSlow(t, r, query), query)
		}
	})
}

// tellsSlow reports whether a review says of a query that a conversion hides an index.
func tellsSlow(t *testing.T, r *review.Reviewer, query string) bool {
	f, err := text.NewFile("q.sql", []byte(query))
	require.NoError(t, err)
	return slices.ContainsFunc(r.Review(f).Findings, func(f review.Finding) bool {
		return slices.Contains([]string{"index.converted-column", "join.types-differ", "match.on-number"}, f.Check.ID)
	})
}

// isServed reports whether the plan of a query seeks by an index in the table marks, or in its
// alias a where there is one.
func isServed(t *testing.T, s *server, query string) bool {
	if s.dialect == dialect.SQLite {
		rows, err := s.db.Query("EXPLAIN QUERY PLAN " + query)
		require.NoError(t, err)
		defer rows.Close()
		plan := ""
		for rows.Next() {
			var id, parent, unused int
			require.NoError(t, rows.Scan(&id, &parent, &unused, &plan)) // the last line is the table joined last
		}
		return strings.HasPrefix(plan, "SEARCH") && !strings.Contains(plan, "AUTOMATIC")
	}
	rows, err := s.db.Query("EXPLAIN " + query)
	require.NoError(t, err)
	defer rows.Close()
	names, err := rows.Columns()
	require.NoError(t, err)
	served := false
	for rows.Next() {
		values, into := make([][]byte, len(names)), make([]any, len(names))
		for i := range values {
			into[i] = &values[i]
		}
		require.NoError(t, rows.Scan(into...))
		how := string(values[slices.Index(names, "type")])
		served = how == "ref" || how == "range" || how == "const" || how == "eq_ref"
	}
	return served
}
