package claims

import (
	"context"
	"fmt"
	"math/rand/v2"
	"strings"
	"testing"

	"github.com/jackc/pgx/v5"
	"github.com/jackc/pgx/v5/pgconn"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"justlens/core/dialect"
)

// columnTypes are the types of the columns of which expressions are made.
var columnTypes = strings.Fields(`bool int2 int4 int8 numeric float4 float8 text varchar bpchar date time timetz timestamp timestamptz interval bytea uuid
	json jsonb xml money bit varbit inet cidr macaddr oid tsvector tsquery`)

// typeTrial counts how far what is said of types is what the server says.
type typeTrial struct {
	asked, refused, told, wronged, typed, sameType int
	misses                                         []string
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
