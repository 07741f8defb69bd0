package claims

import (
	"context"
	"fmt"
	"math/rand/v2"
	"os"
	"slices"
	"strings"
	"testing"

	"github.com/jackc/pgx/v5"
	"github.com/jackc/pgx/v5/pgconn"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"justlens/core/check"
	"justlens/core/checks"
	"justlens/core/dialect"
	"justlens/core/review"
	"justlens/core/schema"
	"justlens/core/text"
	"justlens/demo"
)

// columnTypes are the types of the columns of which expressions are made.
var columnTypes = strings.Fields(`bool int2 int4 int8 numeric float4 float8 text varchar bpchar date time timetz timestamp timestamptz interval bytea uuid
	json jsonb xml money bit varbit inet cidr macaddr oid tsvector tsquery`)

// typeTrial counts how far what is said of types is what the server says.
type typeTrial struct {
	asked, refused, told, wronged, typed, sameType, digits int
	misses                                                 []string
}

// TestOperatorsOnPostgres asks the server of every operator between columns of common
// types and literals, and of calls of functions with such arguments, whether it takes them
// and what type they give.
func TestOperatorsOnPostgres(t *testing.T) {
	open(t, dialect.Postgres)
	ctx := context.Background()
	url := env("JUSTLENS_TEST_POSTGRES", "postgres://root@127.0.0.1:5432/postgres?sslmode=disable")
	pg, err := pgx.Connect(ctx, url)
	require.NoError(t, err)
	defer pg.Close(ctx)
	var columns []string
	for _, c := range columnTypes {
		columns = append(columns, "c_"+c+" "+c)
	}
	_, err = pg.Exec(ctx, "CREATE TEMPORARY TABLE typed ("+strings.Join(columns, ", ")+")")
	require.NoError(t, err)
	names := map[uint32]string{}
	rows, err := pg.Query(ctx, "SELECT oid, typname FROM pg_type")
	require.NoError(t, err)
	var oid uint32
	var name string
	_, err = pgx.ForEachRow(rows, []any{&oid, &name}, func() error { names[oid] = name; return nil })
	require.NoError(t, err)

	types := dialect.Postgres.Types()
	ask := func(trial *typeTrial, expression, result string, o dialect.Outcome) {
		described, err := pg.Prepare(ctx, "", "SELECT "+expression+" FROM typed")
		var refusal *pgconn.PgError
		if err != nil {
			require.ErrorAs(t, err, &refusal)
		}
		refused := refusal != nil && (refusal.Code == "42883" || refusal.Code == "42725") // undefined or ambiguous
		if refusal != nil && !refused {
			return
		}
		told := o == dialect.None || o == dialect.Several
		trial.asked++
		switch {
		case refused:
			trial.refused++
			if told {
				trial.told++
			}
		case told:
			trial.wronged++
			trial.misses = append(trial.misses, "taken: "+expression)
		case o == dialect.Found && result != "":
			trial.typed++
			if is := names[described.Fields[0].DataTypeOID]; is == result {
				trial.sameType++
			} else {
				trial.misses = append(trial.misses, fmt.Sprintf("%s is %s, said %s", expression, is, result))
			}
		}
	}
	operand := func(c string) string {
		if c == dialect.UnknownLiteral {
			return "NULL"
		}
		return "c_" + c
	}
	var operators, functions typeTrial
	with := append([]string{dialect.UnknownLiteral}, columnTypes...)
	for _, operator := range strings.Fields("= <> < >= + - * / % || ~~ ~ & | # << && @> -> ->> ^") {
		for _, left := range with {
			for _, right := range with {
				result, o := types.Infix(operator, left, right)
				ask(&operators, operand(left)+" "+operator+" "+operand(right), result, o)
			}
		}
	}
	for _, operator := range strings.Fields("- + ~ @") {
		for _, right := range columnTypes {
			result, o := types.Operator(operator, "", right)
			ask(&operators, operator+" "+operand(right), result, o)
		}
	}
	rng := rand.New(rand.NewPCG(1, 1))
	for _, f := range types.Functions() {
		for range 12 {
			args, written := []string{}, []string{}
			for range rng.IntN(4) {
				arg := with[rng.IntN(len(with))]
				args, written = append(args, arg), append(written, operand(arg))
			}
			result, set, o := types.Call(f, args)
			if set {
				continue
			}
			ask(&functions, f+"("+strings.Join(written, ", ")+")", result, o)
		}
	}
	for what, trial := range map[string]typeTrial{"operators": operators, "functions": functions} {
		t.Logf("%s: %d asked; %d of %d refusals told, %d taken ones said to be refused; %d of %d types as described", what,
			trial.asked, trial.told, trial.refused, trial.wronged, trial.sameType, trial.typed)
		for i, miss := range trial.misses {
			if i < 20 {
				t.Log(miss)
			}
		}
		assert.Zero(t, trial.wronged, what)
		assert.Greater(t, trial.sameType*100, trial.typed*99, what)
	}
	assert.Greater(t, operators.told*100, operators.refused*97)
}

// expressions composes expressions as people write them, some of types that do not go
// together.
type expressions struct{ rng *rand.Rand }

func (g expressions) one(of ...string) string { return of[g.rng.IntN(len(of))] }

func (g expressions) value(depth int) string {
	if depth == 0 || g.rng.IntN(3) == 0 {
		return g.one("h.name", "h.frame_count", "h.moved_on", "q.colour", "q.bred_in", "g.weight_kg", "i.inspected_at", "i.remark", "h.hive_id",
			"7", "1.5", "'7'", "'Ash'", "'2026-05-01'", "NULL", "TRUE", "CURRENT_DATE", "DATE '2026-05-01'", "CURRENT_TIMESTAMP", "INTERVAL '1 day'")
	}
	x, y := g.value(depth-1), g.value(depth-1)
	switch g.rng.IntN(12) {
	case 0, 1:
		return "(" + x + " " + g.one("+", "-", "*", "/", "%") + " " + y + ")"
	case 2:
		return "(" + x + " || " + y + ")"
	case 3:
		return g.one("UPPER", "LENGTH", "ABS", "ROUND", "TRIM", "AGE", "SQRT", "CEIL", "REVERSE", "INITCAP") + "(" + x + ")"
	case 4:
		return g.one("ROUND", "LEFT", "MOD", "POWER", "DATE_TRUNC", "TO_CHAR", "STRPOS", "CONCAT", "REPEAT") + "(" + x + ", " + y + ")"
	case 5:
		return "COALESCE(" + x + ", " + y + ")"
	case 6:
		return "NULLIF(" + x + ", " + y + ")"
	case 7:
		return "CASE WHEN " + g.condition(depth-1) + " THEN " + x + " ELSE " + y + " END"
	case 8:
		return "CAST(" + x + " AS " + g.one("integer", "text", "numeric", "date", "timestamp", "boolean", "double precision") + ")"
	case 9:
		return "-" + x
	case 10:
		return "(SELECT " + g.one("MAX", "MIN", "SUM", "AVG", "COUNT") + "(" + x + ") FROM harvests g2)"
	}
	return x
}

func (g expressions) condition(depth int) string {
	x, y := g.value(depth), g.value(depth)
	switch g.rng.IntN(6) {
	case 0, 1, 2:
		return x + " " + g.one("=", "<>", "<", "<=", ">", ">=") + " " + y
	case 3:
		return x + " IN (" + y + ", " + g.value(depth) + ")"
	case 4:
		return x + " BETWEEN " + y + " AND " + g.value(depth)
	}
	return x + " LIKE " + y
}

// TestTypesOfQueries compares what a review says of composed queries with what the server does.
func TestTypesOfQueries(t *testing.T) {
	s := open(t, dialect.Postgres)
	g := expressions{rand.New(rand.NewPCG(7, 7))}
	bees := schema.New(nil)
	bees.SetWhole()
	bees.Load([]byte(demo.Schema()), dialect.Postgres)
	r := review.New(review.Options{Dialect: dialect.Postgres, Schema: bees, Certainty: check.Likely, Checks: checks.All()})
	refusals := map[string]bool{"42883": true, "42725": true, "42804": true, "22P02": true, "22007": true}
	count := map[bool]int{}
	told, wronged, missed := 0, []string{}, map[string]int{}
	var examples []string
	for range 20_000 {
		query := "SELECT h.name FROM hives h JOIN queens q ON q.queen_id = h.queen_id JOIN harvests g ON g.hive_id = h.hive_id " +
			"JOIN inspections i ON i.hive_id = h.hive_id WHERE " + g.condition(2)
		stmt, err := s.db.Prepare(query)
		code := ""
		if err == nil {
			require.NoError(t, stmt.Close())
		} else {
			var refusal *pgconn.PgError
			require.ErrorAs(t, err, &refusal)
			if code = refusal.Code; !refusals[code] {
				continue
			}
		}
		count[code != ""]++
		f, err := text.NewFile("q.sql", []byte(query))
		require.NoError(t, err)
		says := ""
		for _, found := range r.Review(f).Findings {
			if found.Consequence == check.Refused {
				says = found.Check.ID + ": " + found.Message
			}
		}
		switch {
		case code == "" && says != "":
			wronged = append(wronged, query[strings.Index(query, "WHERE"):]+"  -- "+says)
		case code != "" && says != "":
			told++
		case code != "":
			if missed[code]++; missed[code] <= 8 {
				examples = append(examples, code+" "+query[strings.Index(query, "WHERE"):]+"")
			}
		}
	}
	t.Logf("%d taken, %d of them said to be refused; %d of %d refusals told; missed by code: %v", count[false], len(wronged), told, count[true], missed)
	for _, line := range append(wronged, examples...) {
		t.Log(line)
	}
	assert.Empty(t, wronged)
	assert.Greater(t, told*100, count[true]*97)
}

// TestTypeErrors holds a list of slips with types, as people make them, against the server: it
// refuses each, and a review tells of nearly all.
func TestTypeErrors(t *testing.T) {
	s := open(t, dialect.Postgres)
	bees := schema.New(nil).For(dialect.Postgres)
	bees.SetWhole()
	bees.Load([]byte(demo.Schema()), dialect.Postgres)
	list, err := os.ReadFile("testdata/type-errors.sql")
	require.NoError(t, err)
	r := review.New(review.Options{Dialect: dialect.Postgres, Schema: bees, Certainty: check.Likely, Checks: checks.All()})
	asked, told := 0, 0
	for line := range strings.Lines(string(list)) {
		if line = strings.TrimSpace(line); line == "" || strings.HasPrefix(line, "--") {
			continue
		}
		tx, err := s.db.Begin()
		require.NoError(t, err)
		_, err = tx.Exec(line)
		require.NoError(t, tx.Rollback())
		var refusal *pgconn.PgError
		if assert.ErrorAs(t, err, &refusal, "taken: %s", line) {
			assert.Contains(t, []string{"42", "22", "0A"}, refusal.Code[:2], "refused for another reason: %s: %v", line, err)
		}
		f, err := text.NewFile("q.sql", []byte(line))
		require.NoError(t, err)
		asked++
		if refuses(r.Review(f)) {
			told++
		} else if refusal != nil {
			t.Logf("not told: %s %s  -- %s", refusal.Code, line, refusal.Message)
		}
	}
	t.Logf("%d of %d told", told, asked)
	assert.GreaterOrEqual(t, told*100, asked*95)
}

// refuses reports whether a review says that the database refuses something.
func refuses(result *review.File) bool {
	return slices.ContainsFunc(result.Findings, func(f review.Finding) bool { return f.Consequence == check.Refused })
}
