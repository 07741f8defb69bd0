package claims

import (
	"fmt"
	"math/rand/v2"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"justlens/core/bind"
	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/facts"
	"justlens/core/sample"
	"justlens/core/schema"
	"justlens/core/syntax"
	"justlens/demo"
)

// factTables are tables with keys of other kinds than the demo's.
const factTables = `
CREATE TABLE frames (hive_id integer NOT NULL REFERENCES hives (hive_id), position integer NOT NULL, tag integer UNIQUE,
  built_on date, weight_kg decimal(6,2), PRIMARY KEY (hive_id, position));
CREATE TABLE labels (series integer, name varchar(10), frame_tag integer, UNIQUE (series, name));
CREATE TABLE notes (remark varchar(200), hive_id integer NOT NULL, mites integer);`

// factTrials is how many queries each server is asked.
var factTrials = map[dialect.Dialect]int{dialect.SQLite: 30_000, dialect.Postgres: 14_000, dialect.MariaDB: 8_000}

// TestFactsOnServers generates rows and queries, and asks of each server whether
// what binding says of the output columns holds: those that are said never to be
// NULL, those said to tell the rows apart, their types.
func TestFactsOnServers(t *testing.T) {
	everyServer(t, func(t *testing.T, s *server) {
		f := openFacts(t, s)
		if s.dialect == dialect.MariaDB {
			// 10.11 gives rows that a condition of equality on the optional side of a merged derived table keeps out.
			_, err := s.db.Exec("SET optimizer_switch = 'derived_merge=off'")
			require.NoError(t, err)
		}
		for seed := uint64(1); f.tried < factTrials[s.dialect]; seed++ {
			f.refill(seed)
			q := &querySource{Rand: rand.New(rand.NewPCG(seed, 7)), tables: f.all, dialect: s.dialect}
			for range 200 {
				f.try(q.query(2))
			}
		}
		t.Logf("%d queries, %d of them refused: %d columns never NULL, %d sets of columns that tell rows apart, %d types",
			f.tried, f.refused, f.never, f.apart, f.types)
		require.Greater(t, f.never, f.tried/2)
		require.Greater(t, f.apart, f.tried/4)
		require.Greater(t, f.types, f.tried/2)
		require.Less(t, f.refused, f.tried/4)
	})
}

// trial tries queries on one server.
type trial struct {
	t      *testing.T
	server *server
	tables *schema.Schema
	all    []*schema.Table
	names  *syntax.Names

	tried, refused, never, apart, types int
}

// openFacts makes the tables of the trials on a server, and what knows of them.
func openFacts(t *testing.T, s *server) *trial {
	for _, stmt := range strings.Split(factTables, ";\n") {
		_, err := s.db.Exec(stmt)
		require.NoError(t, err)
	}
	if s.dialect == dialect.Postgres {
		_, err := s.db.Exec("SET jit = off") // it compiles longer than such queries run
		require.NoError(t, err)
	}
	tables := schema.New(nil)
	tables.SetWhole()
	tables.Load([]byte(demo.Schema()+factTables), s.dialect)
	require.Empty(t, tables.Problems)
	return &trial{t: t, server: s, tables: tables, all: tables.Tables(), names: syntax.NewNames()}
}

// refill puts other rows into all tables.
func (f *trial) refill(seed uint64) {
	f.fill(sample.Tables(f.tables, f.all, sample.Options{Seed: seed, Rows: 5, Dialect: f.server.dialect}))
}

// fill puts made rows into all tables.
func (f *trial) fill(made []sample.Rows) {
	for i := len(made) - 1; i >= 0; i-- {
		if f.server.dialect == dialect.MariaDB {
			f.exec("SET foreign_key_checks = 0")
		}
		f.exec("DELETE FROM " + made[i].Table.Name)
	}
	if f.server.dialect == dialect.MariaDB {
		f.exec("SET foreign_key_checks = 1")
	}
	for _, r := range made {
		if insert := r.Insert(f.server.dialect); insert != "" {
			f.exec(insert)
		}
	}
}

func (f *trial) exec(stmt string) {
	_, err := f.server.db.Exec(stmt)
	require.NoError(f.t, err, stmt)
}

func (f *trial) try(text string) {
	f.tried++
	src := []byte(text)
	if f.names.IsFull() {
		f.names = syntax.NewNames()
	}
	parser := syntax.NewParser(f.names)
	parser.Reset(src, f.server.dialect)
	stmt := parser.Next()
	require.Empty(f.t, stmt.Errors, text)
	binder := bind.NewBinder(f.names)
	binder.Reset(src, f.server.dialect, f.tables)
	var in facts.Facts
	in.Reset(binder.Bind(stmt))
	q := stmt.Node.(*syntax.SelectStmt).Query
	rows, err := f.server.db.Query(text)
	if err != nil {
		f.refused++
		return
	}
	defer rows.Close()
	types, err := rows.ColumnTypes()
	require.NoError(f.t, err)
	var lines [][]string
	for rows.Next() {
		values, into := make([]any, len(types)), make([]any, len(types))
		for i := range values {
			into[i] = &values[i]
		}
		require.NoError(f.t, rows.Scan(into...), text)
		line := make([]string, len(types))
		for i, v := range values {
			if b, ok := v.([]byte); ok {
				v = string(b)
			}
			line[i] = fmt.Sprint(v)
			of := in.OutputType(q, i).Class
			if of != class.Unknown && v != nil && f.server.dialect == dialect.SQLite {
				f.types++
				require.True(f.t, fitsValue(of, v), "column %d of %s is %v, said to be of class %d", i+1, text, v, of)
			}
			if in.OutputNullable(q, i) == facts.No {
				f.never++
				require.NotNil(f.t, v, "column %d is said never to be NULL: %s", i+1, text)
			}
		}
		lines = append(lines, line)
	}
	if rows.Err() != nil {
		f.refused++ // a subquery with several rows, and the like
		return
	}
	if f.server.dialect != dialect.SQLite {
		for i, c := range types {
			if of := in.OutputType(q, i).Class; of != class.Unknown {
				f.types++
				require.True(f.t, fitsType(of, c.DatabaseTypeName()), "column %d of %s is %s, said to be of class %d", i+1, text, c.DatabaseTypeName(), of)
			}
		}
	}
	if in.OneRow(q) {
		f.apart++
		require.LessOrEqual(f.t, len(lines), 1, "said to give one row: %s", text)
	}
	width := len(types)
	for set := 1; set < 1<<width; set++ {
		var columns []int
		for i := range width {
			if set>>i&1 != 0 {
				columns = append(columns, i)
			}
		}
		if !in.Apart(q, columns...) {
			continue
		}
		f.apart++
		seen := map[string]bool{}
		for _, line := range lines {
			key := ""
			for _, i := range columns {
				key += line[i] + "\x00"
			}
			require.False(f.t, seen[key], "columns %v are said to tell the rows of this apart: %s", columns, text)
			seen[key] = true
		}
	}
}

func fitsValue(c class.Class, v any) bool {
	switch v.(type) {
	case int64, float64, bool:
		return c.IsNumber() || c == class.Boolean
	}
	return c != class.Integer && c != class.Decimal && c != class.Float
}

func fitsType(c class.Class, name string) bool {
	fits := map[class.Class]string{
		class.Integer: "INT2 INT4 INT8 INT BIGINT SMALLINT TINYINT MEDIUMINT", class.Decimal: "NUMERIC DECIMAL", class.Float: "FLOAT8 FLOAT4 DOUBLE FLOAT",
		class.Text: "VARCHAR TEXT BPCHAR CHAR", class.Date: "DATE", class.Timestamp: "TIMESTAMP DATETIME", class.Boolean: "BOOL", class.Interval: "INTERVAL 1186",
	}
	for _, n := range strings.Fields(fits[c]) {
		if n == strings.TrimPrefix(name, "UNSIGNED ") {
			return true
		}
	}
	return false
}

// querySource writes queries.
type querySource struct {
	*rand.Rand
	tables  []*schema.Table
	dialect dialect.Dialect
	aliases int
}

// column is what a query may write for a column, and the class of its values.
type column struct {
	text, name string
	class      class.Class
}

func (q *querySource) one(in int) bool { return q.IntN(in) == 0 }

func pick[T any](q *querySource, list []T) T { return list[q.IntN(len(list))] }

// query writes a query of a few columns, at the most depth queries deep.
func (q *querySource) query(depth int) string {
	text, _ := q.body(depth)
	return text
}

// body writes a query and gives its output columns.
func (q *querySource) body(depth int) (string, []column) {
	from, columns := q.from(depth)
	where := q.where(columns, depth)
	outputs, list, rest := q.list(columns)
	text := "SELECT "
	if q.one(6) {
		text += "DISTINCT "
	}
	text += list + " FROM " + from + where + rest
	switch {
	case q.one(12):
		op := pick(q, []string{" UNION ", " UNION ALL ", " INTERSECT ", " EXCEPT "})
		text += op + "SELECT " + list + " FROM " + from + q.where(columns, 0) + rest
	case q.one(12):
		text += " ORDER BY 1 LIMIT 1"
	}
	return text, outputs
}

// from writes sources and their joins.
func (q *querySource) from(depth int) (string, []column) {
	text, columns := q.source(depth)
	for range q.IntN(3) {
		right, more := q.source(depth)
		kinds := []string{" JOIN ", " JOIN ", " LEFT JOIN ", " LEFT JOIN ", " RIGHT JOIN ", " CROSS JOIN "}
		if q.dialect != dialect.MariaDB {
			kinds = append(kinds, " FULL JOIN ")
		}
		kind := pick(q, kinds)
		if q.one(5) && q.dialect != dialect.MariaDB && len(more) > 1 {
			// A join inside the right side.
			inner, third := q.source(0)
			right = fmt.Sprintf("(%s%s%s ON %s)", right, pick(q, []string{" JOIN ", " LEFT JOIN "}), inner, q.tie(more, third))
			more = append(more, third...)
		}
		text += kind + right
		switch {
		case kind == " CROSS JOIN ":
		case q.one(4) && usable(columns, more) != "":
			text += " USING (" + usable(columns, more) + ")"
			name := usable(columns, more)
			columns = append(columns, column{name, name, classOf(columns, name)})
		default:
			text += " ON " + q.tie(columns, more)
			if q.one(4) {
				text += " AND " + q.condition(append(columns[:len(columns):len(columns)], more...), 0)
			}
		}
		columns = append(columns, more...)
	}
	return text, columns
}

func classOf(columns []column, name string) class.Class {
	for _, c := range columns {
		if c.name == name {
			return c.class
		}
	}
	return class.Unknown
}

// usable gives a name that both sides have once.
func usable(left, right []column) string {
	count := func(list []column, name string) (n int) {
		for _, c := range list {
			if c.name == name {
				n++
			}
		}
		return n
	}
	for _, c := range right {
		if strings.HasSuffix(c.name, "_id") && count(left, c.name) == 1 && count(right, c.name) == 1 {
			return c.name
		}
	}
	return ""
}

// source writes a table or a derived table.
func (q *querySource) source(depth int) (string, []column) {
	q.aliases++
	alias := fmt.Sprintf("t%d", q.aliases)
	var columns []column
	if depth > 0 && q.one(3) {
		text, outputs := q.body(depth - 1)
		for _, c := range outputs {
			columns = append(columns, column{alias + "." + c.name, c.name, c.class})
		}
		return "(" + text + ") AS " + alias, columns
	}
	t := pick(q, q.tables)
	for _, c := range t.Columns {
		columns = append(columns, column{alias + "." + c.Name, c.Name, c.Type.Class})
	}
	return t.Name + " AS " + alias, columns
}

// tie writes an equality between two sides, of columns of one name if there are any.
func (q *querySource) tie(left, right []column) string {
	var ties []string
	for _, a := range left {
		for _, b := range right {
			if a.name == b.name && !q.one(4) || a.class == b.class && q.one(12) {
				ties = append(ties, a.text+" = "+b.text)
			}
		}
	}
	if len(ties) == 0 {
		return "1 = 1"
	}
	tie := pick(q, ties)
	if q.one(4) {
		tie += " AND " + pick(q, ties)
	}
	return tie
}

func (q *querySource) where(columns []column, depth int) string {
	if q.one(3) {
		return ""
	}
	text := " WHERE " + q.condition(columns, depth)
	for q.one(2) {
		text += " AND " + q.condition(columns, depth)
	}
	return text
}

func (q *querySource) constant(c class.Class) string {
	switch c {
	case class.Integer, class.Decimal, class.Float:
		return pick(q, []string{"1", "2", "3", "4", "0"})
	case class.Date:
		return q.typed("DATE ", pick(q, []string{"'2026-01-30'", "'2026-01-31'"}))
	case class.Timestamp:
		return q.typed("TIMESTAMP ", pick(q, []string{"'2026-01-30 00:00:00'", "'2026-01-30 12:00:00'"}))
	}
	return pick(q, []string{"'ash'", "'box'", "'cob'"})
}

// typed writes a constant with its type, where the database knows it.
func (q *querySource) typed(name, literal string) string {
	if q.dialect == dialect.SQLite {
		return literal
	}
	return name + literal
}

func (q *querySource) condition(columns []column, depth int) string {
	a := pick(q, columns)
	var peers []string
	for _, b := range columns {
		if b.class == a.class {
			peers = append(peers, b.text)
		}
	}
	switch q.IntN(15) {
	case 0:
		return a.text + " IS NULL"
	case 12:
		return fmt.Sprintf("(%s = %s OR %s = %s OR %s = %s)", a.text, q.constant(a.class), a.text, q.constant(a.class), a.text, q.constant(a.class))
	case 13:
		return fmt.Sprintf("%s > %s AND %s >= %s", a.text, q.constant(a.class), a.text, q.constant(a.class))
	case 14:
		return fmt.Sprintf("%s <> %s OR %s AND %s", a.text, q.constant(a.class), q.condition(columns, 0), q.condition(columns, 0))
	case 1, 2:
		return a.text + " IS NOT NULL"
	case 3:
		return fmt.Sprintf("%s IN (%s, %s)", a.text, q.constant(a.class), q.constant(a.class))
	case 4:
		return fmt.Sprintf("%s NOT IN (%s, %s)", a.text, q.constant(a.class), q.constant(a.class))
	case 5:
		return fmt.Sprintf("(%s OR %s)", q.condition(columns, 0), q.condition(columns, 0))
	case 6:
		return fmt.Sprintf("NOT (%s)", q.condition(columns, 0))
	case 7:
		return a.text + " = " + pick(q, peers)
	case 8:
		return a.text + " <> " + pick(q, peers)
	case 9:
		if depth > 0 {
			inner, outputs := q.from(0)
			return fmt.Sprintf("%s %s (SELECT %s FROM %s)", a.text, pick(q, []string{"IN", "NOT IN"}), q.of(outputs, a.class), inner)
		}
	}
	return a.text + " = " + q.constant(a.class)
}

// of writes a column of a class, or a constant.
func (q *querySource) of(columns []column, of class.Class) string {
	for range 8 {
		if c := pick(q, columns); c.class == of {
			return c.text
		}
	}
	return q.constant(of)
}

// list writes the select list and what groups it.
func (q *querySource) list(columns []column) (outputs []column, list, rest string) {
	var items []string
	add := func(text string, of class.Class, name string) {
		if name == "" || strings.Contains(list, " "+name+",") {
			name = fmt.Sprintf("c%d", len(items)+1)
		}
		items = append(items, text+" AS "+name)
		outputs = append(outputs, column{name, name, of})
		list += " " + name + ","
	}
	if !q.one(3) {
		for range 1 + q.IntN(3) {
			c := pick(q, columns)
			if q.one(3) {
				text, of := q.expression(columns, c)
				add(text, of, "")
			} else {
				add(c.text, c.class, c.name)
			}
		}
		if q.one(8) {
			add(fmt.Sprintf("ROW_NUMBER() OVER (PARTITION BY %s ORDER BY %s)", pick(q, columns).text, pick(q, columns).text), class.Integer, "")
		}
		return outputs, strings.Join(items, ", "), ""
	}
	var keys []string
	for range q.IntN(3) {
		c := pick(q, columns)
		keys = append(keys, c.text)
		if !q.one(6) {
			add(c.text, c.class, c.name)
		}
	}
	for range 1 + q.IntN(2) {
		c := pick(q, columns)
		switch q.IntN(4) {
		case 0:
			add("COUNT(*)", class.Integer, "")
		case 1:
			add("COUNT("+c.text+")", class.Integer, "")
		case 2:
			add(pick(q, []string{"MAX(", "MAX(DISTINCT "})+c.text+")", c.class, "")
		case 3:
			if c.class == class.Integer || c.class == class.Decimal {
				add("SUM("+c.text+")", class.Decimal, "")
			} else {
				add("MIN("+c.text+")", c.class, "")
			}
		}
	}
	switch {
	case len(keys) == 0:
	case q.one(8) && q.dialect == dialect.Postgres:
		rest = " GROUP BY ROLLUP (" + strings.Join(keys, ", ") + ")"
	case q.one(8) && q.dialect == dialect.MariaDB:
		rest = " GROUP BY " + strings.Join(keys, ", ") + " WITH ROLLUP"
	default:
		rest = " GROUP BY " + strings.Join(keys, ", ")
	}
	switch {
	case q.one(5):
		rest += " HAVING COUNT(*) > 1"
	case q.one(6) && len(keys) > 0:
		rest += " HAVING " + keys[0] + " IS NOT NULL AND COUNT(*) > 0"
	}
	return outputs, strings.Join(items, ", "), rest
}

// expression writes something worked out from columns.
func (q *querySource) expression(columns []column, c column) (string, class.Class) {
	switch q.IntN(9) {
	case 0:
		return fmt.Sprintf("COALESCE(%s, %s)", c.text, q.of(columns, c.class)), c.class
	case 1:
		return fmt.Sprintf("COALESCE(%s, %s)", c.text, q.constant(c.class)), c.class
	case 2:
		return fmt.Sprintf("CASE WHEN %s THEN %s ELSE %s END", q.condition(columns, 0), c.text, q.of(columns, c.class)), c.class
	case 3:
		return fmt.Sprintf("CASE WHEN %s THEN %s END", q.condition(columns, 0), c.text), c.class
	case 4:
		return fmt.Sprintf("NULLIF(%s, %s)", c.text, q.constant(c.class)), c.class
	case 5:
		inner, outputs := q.from(0)
		return fmt.Sprintf("(SELECT %s(%s) FROM %s WHERE %s)", pick(q, []string{"MAX", "COUNT"}), pick(q, outputs).text, inner,
			q.condition(append(outputs, columns...), 0)), class.Integer
	}
	switch c.class {
	case class.Integer, class.Decimal:
		switch q.IntN(3) {
		case 0:
			return fmt.Sprintf("%s %s %s", c.text, pick(q, []string{"+", "-", "*"}), q.constant(c.class)), c.class
		case 1:
			return fmt.Sprintf("%s / %s", c.text, pick(q, []string{"2", "3"})), class.Decimal
		}
		return "ABS(" + c.text + ")", c.class
	case class.Text:
		return pick(q, []string{"UPPER", "LOWER", "TRIM"}) + "(" + c.text + ")", class.Text
	}
	return c.text, c.class
}
