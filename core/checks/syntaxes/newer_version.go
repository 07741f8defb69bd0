package syntaxes

import (
	"fmt"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/syntax"
	"justlens/core/text"
)

var newerVersion = &check.Check{
	ID:    "syntax.newer-version",
	Title: "a construct that came with a later version",
	Doc: "The database has what the text uses, but only since a version later than the one reviewed for. It is silent unless " +
		"--dialect names a version, as in postgres@14.",
	Verdicts: check.Everywhere(check.Refused),
	Examples: []check.Example{{
		Dialect: dialect.Postgres, Version: dialect.At(14, 0, 0),
		Bad:  "MERGE INTO hives h USING queens q ON h.queen_id = q.queen_id WHEN MATCHED THEN UPDATE SET moved_on = NULL",
		Good: "UPDATE hives h SET moved_on = NULL FROM queens q WHERE h.queen_id = q.queen_id",
		Near: []string{"SELECT name FROM hives ORDER BY name FETCH FIRST 3 ROWS WITH TIES", "WITH late AS (SELECT 1 AS n) SELECT n FROM late"},
	}, {
		Dialect: dialect.MySQL, Version: dialect.At(5, 7, 0),
		Bad:  "SELECT hive_id, RANK() OVER (ORDER BY weight_kg) FROM harvests",
		Good: "SELECT hive_id, weight_kg FROM harvests ORDER BY weight_kg",
		Near: []string{"SELECT hive_id FROM harvests UNION SELECT hive_id FROM hives"},
	}, {
		Dialect: dialect.SQLite, Version: dialect.At(3, 34, 0),
		Bad:  "DELETE FROM sales WHERE sale_id = 3 RETURNING sold_at",
		Good: "DELETE FROM sales WHERE sale_id = 3",
		Near: []string{"UPDATE hives SET name = q.name FROM queens q WHERE q.queen_id = hives.queen_id"},
	}},
	On: check.Kinds(runNewerVersion, syntax.KindMerge, syntax.KindWith, syntax.KindCTE, syntax.KindCall, syntax.KindInsert, syntax.KindUpdate,
		syntax.KindDelete, syntax.KindSetOp, syntax.KindJoin, syntax.KindOrderItem, syntax.KindDerived, syntax.KindQuery, syntax.KindIs).Versioned(),
}

// since tells with which version a construct came to each database; those left
// out have it in every version in use, or not at all.
type since map[dialect.Dialect]dialect.Version

// The versions are those of the databases' release notes.
var (
	sinceMerge     = since{dialect.Postgres: dialect.At(15, 0, 0), dialect.SQLServer: dialect.At(2008, 0, 0), dialect.Spark: dialect.At(3, 0, 0)}
	sinceWith      = since{dialect.MySQL: dialect.At(8, 0, 0), dialect.MariaDB: dialect.At(10, 2, 1), dialect.SQLite: dialect.At(3, 8, 3)}
	sinceWindow    = since{dialect.MySQL: dialect.At(8, 0, 0), dialect.MariaDB: dialect.At(10, 2, 0), dialect.SQLite: dialect.At(3, 25, 0), dialect.SQLServer: dialect.At(2005, 0, 0)}
	sinceFilter    = since{dialect.Postgres: dialect.At(9, 4, 0), dialect.SQLite: dialect.At(3, 30, 0), dialect.Spark: dialect.At(3, 0, 0)}
	sinceConflict  = since{dialect.Postgres: dialect.At(9, 5, 0), dialect.SQLite: dialect.At(3, 24, 0)}
	sinceReturning = since{dialect.SQLite: dialect.At(3, 35, 0), dialect.MariaDB: dialect.At(10, 5, 0)}
	sinceIntersect = since{dialect.MySQL: dialect.At(8, 0, 31), dialect.MariaDB: dialect.At(10, 3, 0)}
	sinceRightJoin = since{dialect.SQLite: dialect.At(3, 39, 0)}
	sinceNulls     = since{dialect.SQLite: dialect.At(3, 30, 0), dialect.Spark: dialect.At(2, 1, 0)}
	sinceFrom      = since{dialect.SQLite: dialect.At(3, 33, 0)}
	sinceLateral   = since{dialect.Postgres: dialect.At(9, 3, 0), dialect.MySQL: dialect.At(8, 0, 14), dialect.Oracle: dialect.At(12, 1, 0)}
	sinceFetch     = since{dialect.Oracle: dialect.At(12, 1, 0), dialect.SQLServer: dialect.At(2012, 0, 0), dialect.MariaDB: dialect.At(10, 6, 0)}
	sinceDistinct  = since{dialect.SQLServer: dialect.At(2022, 0, 0), dialect.SQLite: dialect.At(3, 39, 0)}
	sinceStringAgg = since{dialect.SQLServer: dialect.At(2017, 0, 0), dialect.SQLite: dialect.At(3, 44, 0)}
)

func runNewerVersion(p *check.Pass, n syntax.Node) {
	name, span, from := datedConstruct(p, n)
	came, known := from[p.Dialect]
	if !known || p.Version >= came {
		return
	}
	p.Report(check.Finding{
		Span: span, Certainty: check.Certain,
		Verdicts: check.Everywhere(check.Fine).But(check.Refused, dialect.In(p.Dialect)),
		Message:  fmt.Sprintf("%s came with %s %s", name, p.Dialect.Title(), came),
		Why:      fmt.Sprintf("The review is for version %s, which does not have it.", p.Version),
	})
}

// datedConstruct gives what of a node has a date, where it stands, and since when.
func datedConstruct(p *check.Pass, n syntax.Node) (string, text.Span, since) {
	switch n := n.(type) {
	case *syntax.Merge:
		return "MERGE", start(n.Span(), 5), sinceMerge
	case *syntax.With:
		return "WITH", start(n.Span(), 4), sinceWith
	case *syntax.Call:
		switch {
		case n.Over != nil:
			return "OVER", start(n.Over.Span(), 4), sinceWindow
		case n.Filter != nil:
			return "FILTER", n.Span(), sinceFilter
		case len(n.Name) == 1 && p.FunctionName(n) == "string_agg":
			return "STRING_AGG", n.Name[0].Span, sinceStringAgg
		}
	case *syntax.Insert:
		if !n.OnConflict.IsEmpty() {
			return "ON CONFLICT", n.OnConflict, sinceConflict
		}
		return returningOf(n.Returning)
	case *syntax.Update:
		if n.From != nil {
			return "FROM in UPDATE", start(n.From.Span(), 4), sinceFrom
		}
		return returningOf(n.Returning)
	case *syntax.Delete:
		if p.Dialect == dialect.MariaDB {
			break // from the beginning
		}
		return returningOf(n.Returning)
	case *syntax.SetOp:
		if n.Op != syntax.Union {
			return string(p.Src[n.OpSpan.Start:n.OpSpan.End]), n.OpSpan, sinceIntersect
		}
	case *syntax.Join:
		if n.Type == syntax.RightJoin || n.Type == syntax.FullJoin {
			return string(p.Src[n.OpSpan.Start:n.OpSpan.End]), n.OpSpan, sinceRightJoin
		}
	case *syntax.OrderItem:
		if n.Nulls {
			return "NULLS FIRST or LAST", n.Span(), sinceNulls
		}
	case *syntax.Derived:
		if n.Lateral {
			return "LATERAL", start(n.Span(), 7), sinceLateral
		}
	case *syntax.Query:
		if n.Limit != nil && !n.Limit.ByLimit {
			return "FETCH", n.Limit.Span(), sinceFetch
		}
	case *syntax.Is:
		if n.Test == syntax.IsDistinctFrom {
			return "IS DISTINCT FROM", n.Span(), sinceDistinct
		}
	}
	return "", text.Span{}, nil
}

func returningOf(items []*syntax.SelectItem) (string, text.Span, since) {
	if len(items) == 0 {
		return "", text.Span{}, nil
	}
	return "RETURNING", text.Span{Start: items[0].Span().Start, End: items[len(items)-1].Span().End}, sinceReturning
}

// start gives the first n bytes of a span, where a keyword stands.
func start(s text.Span, n text.Pos) text.Span { return text.Span{Start: s.Start, End: s.Start + n} }
