package claims

import (
	"errors"
	"fmt"
	"slices"
	"strings"
	"testing"

	"github.com/go-sql-driver/mysql"
	"github.com/jackc/pgx/v5/pgconn"
	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"justlens/core/check"
	"justlens/core/checks"
)

// TestVerdictsOnServers reviews the queries of testdata/verdicts.sql and asks that
// each server refuses those, and only those, that are said to be refused, and
// for the same kind of reason.
func TestVerdictsOnServers(t *testing.T) {
	queries := lines(t, "testdata/verdicts.sql", "--")
	require.Greater(t, len(queries), 300)
	everyServer(t, func(t *testing.T, s *server) {
		for _, query := range queries {
			_, err := s.rows(query)
			want := refusedFor(err)
			var got []string
			for _, f := range findings(t, s.dialect, checks.All(), query) {
				if f.Consequence == check.Refused {
					got = append(got, kindOf(f.Check.ID))
				}
			}
			if want == "" {
				assert.Empty(t, got, "%s runs %s", s.dialect, query)
			} else {
				assert.True(t, slices.ContainsFunc(got, func(kind string) bool { return slices.Contains(strings.Fields(want), kind) }),
					"%s refuses %s: %v; we say %v", s.dialect, query, err, got)
			}
		}
	})
}

// kindOf tells for which kind of reason a check says that a query is refused.
func kindOf(id string) string {
	switch id {
	case "name.unknown-column", "name.unknown-alias", "clause.alias-in-where", "clause.alias-in-having", "clause.alias-in-group-by",
		"clause.alias-in-select", "clause.alias-in-order-expression", "clause.order-not-selected", "join.comma-precedence":
		return "name"
	case "name.ambiguous-column":
		return "ambiguous"
	case "set.column-count", "rows.subquery-width", "rows.position-range":
		return "width"
	case "name.unknown-table", "clause.cte-order":
		return "table"
	case "name.duplicate-alias":
		return "doubled"
	case "group.ungrouped-column", "clause.having-ungrouped":
		return "grouping"
	case "clause.aggregate-in-where", "clause.aggregate-in-join", "clause.aggregate-in-group-by", "clause.nested-aggregate", "clause.aggregate-in-write":
		return "aggregate"
	case "clause.window-outside":
		return "window"
	case "name.case-folding", "name.double-quoted-text":
		return "name"
	case "type.argument-count":
		return "arguments"
	case "name.derived-without-alias":
		return "alias"
	case "name.duplicate-output":
		return "columns"
	case "clause.order-in-branch", "group.count-distinct-star", "group.constant-key", "syntax.other-dialect", "syntax.unreadable", "syntax.double-quoted-name":
		return "syntax"
	}
	return "other"
}

// refusedFor tells from a server's error for which kinds of reason it may have
// refused a query; "" for none.
func refusedFor(err error) string {
	if err == nil {
		return ""
	}
	var p *pgconn.PgError
	var m *mysql.MySQLError
	said := err.Error()
	reasons := sqliteReasons
	switch {
	case errors.As(err, &p):
		said, reasons = p.Code+" "+p.Message, postgresReasons
	case errors.As(err, &m):
		said, reasons = fmt.Sprint(m.Number, " ", m.Message), mariadbReasons
	}
	for _, r := range reasons {
		if strings.Contains(said, r.words) {
			return r.kinds
		}
	}
	return "other: " + said
}

// saying maps what a server says to kinds of reasons, the first that fits.
type saying struct{ words, kinds string }

var postgresReasons = []saying{
	{"FROM-clause entry", "name"}, {"cannot contain window", "window"}, {"42P01", "table"}, {"42703", "name"}, {"42702", "ambiguous"}, {"42712", "doubled"},
	{"must appear in the GROUP BY", "grouping"}, {"ungrouped column", "grouping"}, {"42803", "aggregate"}, {"42P20", "window"},
	{"42704 window", "name"}, {"42P10 for SELECT DISTINCT", "name"}, {"42P10", "width"}, {"must have an alias", "alias"}, {"column", "width"}, {"42601", "syntax arguments"}, {"42883", "arguments"},
}

var mariadbReasons = []saying{
	{"1054 Unknown column '2'", "width"}, {"1054 Unknown column '3'", "width"}, {"in 'HAVING'", "name grouping"},
	{"1054 Unknown column 'justlens_claims.", "grouping"}, {"1054", "name"}, {"1051", "name"}, {"1109", "name"}, {"1247", "name"}, {"4009", "name"},
	{"1052", "ambiguous"}, {"1146", "table name"}, {"1066", "doubled"}, {"4004", "doubled"}, {"1463", "grouping"}, {"1111", "aggregate"}, {"1056", "aggregate"},
	{"4014", "aggregate"}, {"4015", "window"}, {"4016", "window"}, {"1241", "width"}, {"1222", "width"}, {"4002", "width"}, {"4078", "width"},
	{"1248", "alias"}, {"1060", "columns"}, {"1221", "syntax"}, {"1064", "syntax alias arguments"}, {"1582", "arguments"}, {"4074", "window"},
}

var sqliteReasons = []saying{
	{"no such column", "name"}, {"has no column named", "name"}, {"cannot join using", "name"}, {"no such window", "name"}, {"ambiguous column", "ambiguous"},
	{"no such table: x", "name"}, {"no such table", "table"}, {"duplicate WITH", "doubled"}, {"window function", "window aggregate"},
	{"HAVING clause on a non-aggregate", "grouping"}, {"aggregate", "aggregate"}, {"out of range", "width"}, {"sub-select returns", "width"},
	{"same number of result columns", "width"}, {"values for", "width"}, {"row value misused", "width"}, {"does not match any column in the result", "name"},
	{"ORDER BY clause should come after", "syntax"}, {"syntax error", "syntax"}, {"wrong number of arguments", "arguments"}, {"misuse of window", "window"},
}
