package syntaxes

import (
	"fmt"
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/syntax"
	"justlens/core/text"
)

var otherDialect = &check.Check{
	ID:    "syntax.other-dialect",
	Title: "a construct of another database",
	Doc: "The text uses something that the database reviewed for does not have and others do: a way to limit rows, a cast, a function, an " +
		"operator. It says which databases have it and, where there is one, the form to write instead.",
	Verdicts: check.Everywhere(check.Refused),
	Examples: []check.Example{{
		Dialect: dialect.SQLServer,
		Bad:     "SELECT name FROM hives ORDER BY name LIMIT 3",
		Good:    "SELECT name FROM hives ORDER BY name OFFSET 0 ROWS FETCH NEXT 3 ROWS ONLY",
		Near:    []string{"SELECT TOP (3) name FROM hives ORDER BY name"},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "SELECT IFNULL(moved_on, '2026-01-01') FROM hives",
		Good:    "SELECT COALESCE(moved_on, '2026-01-01') FROM hives",
		Near:    []string{"SELECT name::text, NOW() FROM hives WHERE name ILIKE 'a%' LIMIT 3", "SELECT COALESCE(moved_on, '2026-01-01') FROM hives"},
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "SELECT hive_id FROM hives WHERE name ILIKE 'a%'",
		Good:    "SELECT hive_id FROM hives WHERE LOWER(name) LIKE LOWER('a%')",
		Near:    []string{"SELECT IFNULL(moved_on, 0) FROM hives LIMIT 3", "SELECT name FROM hives WHERE moved_on <=> NULL"},
	}, {
		Dialect: dialect.SQLite,
		Bad:     "SELECT name::text FROM hives",
		Good:    "SELECT CAST(name AS text) FROM hives",
		Near:    []string{"SELECT IFNULL(moved_on, 0) FROM hives LIMIT 3"},
	}, {
		Dialect: dialect.MySQL,
		Bad:     "SELECT TOP 3 name FROM hives ORDER BY name",
		Good:    "SELECT name FROM hives ORDER BY name LIMIT 3",
	}, {
		Dialect: dialect.Oracle,
		Bad:     "SELECT name FROM hives ORDER BY name LIMIT 3",
		Good:    "SELECT name FROM hives ORDER BY name FETCH FIRST 3 ROWS ONLY",
		Near:    []string{"SELECT NVL(moved_on, SYSDATE) FROM hives"},
	}},
	Kinds: syntax.Kinds(syntax.KindQuery, syntax.KindSelect, syntax.KindCast, syntax.KindLike, syntax.KindBinary, syntax.KindCall,
		syntax.KindOuterMark, syntax.KindJoin, syntax.KindInsert, syntax.KindUpdate, syntax.KindDelete, syntax.KindIs, syntax.KindTableRef, syntax.KindSetOp, syntax.KindQuantified),
	Run: runOtherDialect,
}

// foreign is a construct that only some databases have.
type foreign struct {
	name  string // as people say it
	has   dialect.Set
	span  text.Span
	mends []check.Mend
	sure  check.Certainty
}

func runOtherDialect(p *check.Pass, n syntax.Node) {
	if p.Dialect == dialect.ANSI {
		return // nobody has said which database it is
	}
	f, ok := foreignIn(p, n)
	if !ok || f.has.Has(p.Dialect) {
		return
	}
	why := "It belongs to other databases."
	if f.has == 0 {
		why = "No database has it."
	}
	p.Report(check.Finding{
		Span: f.span, Certainty: f.sure,
		Verdicts: check.Everywhere(check.Refused).But(check.Fine, f.has|dialect.In(dialect.ANSI)),
		Message:  fmt.Sprintf("%s has no %s", p.Dialect.Title(), f.name),
		Why:      why,
		Mends:    f.mends,
	})
}

// longCast is the length in bytes from which on a cast is not written anew: of a chain each
// would copy all before it.
const longCast = 2000

func foreignIn(p *check.Pass, n syntax.Node) (foreign, bool) {
	switch n := n.(type) {
	case *syntax.Query:
		return foreignLimit(p, n)
	case *syntax.Select:
		return foreignSelect(p, n)
	case *syntax.Cast:
		if n.Type == nil || n.X == nil || n.Span().Start != n.X.Span().Start {
			return foreign{}, false
		}
		owners := dialect.In(dialect.Postgres, dialect.Spark)
		if owners.Has(p.Dialect) {
			return foreign{}, false // a chain of them would be copied once for each
		}
		mends := byHand("cast by CAST")
		if n.Span().Len() < longCast {
			mends = replace("cast by CAST", n.Span(), fmt.Sprintf("CAST(%s AS %s)", p.Text(n.X), p.Text(n.Type)))
		}
		return foreign{"cast by ::", owners, n.Span(), mends, check.Certain}, true
	case *syntax.Like:
		if n.Op != syntax.OpILike {
			return foreign{}, false
		}
		not := ""
		if n.Not {
			not = "NOT "
		}
		lower := fmt.Sprintf("LOWER(%s) %sLIKE LOWER(%s)", p.Text(n.X), not, p.Text(n.Pattern))
		return foreign{"ILIKE", dialect.In(dialect.Postgres, dialect.Spark), n.OpSpan, replace("compare in lower case", n.Span(), lower), check.Certain}, true
	case *syntax.Binary:
		return foreignOperator(p, n)
	case *syntax.Call:
		return foreignCall(p, n)
	case *syntax.OuterMark:
		return foreign{"outer join by (+)", dialect.In(dialect.Oracle), n.Span(), byHand("write LEFT JOIN … ON"), check.Certain}, true
	case *syntax.Join:
		return foreignJoin(n)
	case *syntax.Insert:
		return foreignInsert(n)
	case *syntax.Update:
		if j, ok := n.Table.(*syntax.Join); ok {
			return foreign{"JOIN before SET", dialect.In(dialect.MySQL, dialect.MariaDB), j.OpSpan, byHand(joinedWrite[p.Dialect]), check.Certain}, true
		}
	case *syntax.Delete:
		return foreignDelete(p, n)
	case *syntax.Is:
		return foreignIs(p, n)
	case *syntax.TableRef:
		if as := n.Span(); n.As && !n.Alias.IsZero() {
			as = text.Span{Start: n.Name[len(n.Name)-1].Span.End, End: n.Alias.Span.Start}
			return foreign{"AS before the alias of a table", dialect.Everywhere &^ dialect.In(dialect.Oracle), n.Alias.Span,
				replace("drop AS", as, " "), check.Certain}, p.Dialect == dialect.Oracle && !p.HasComment(as)
		}
	case *syntax.Quantified:
		return foreign{"comparison with ANY or ALL of a subquery", dialect.Everywhere &^ dialect.In(dialect.SQLite), n.Span(), byHand("compare with MIN or MAX, or ask EXISTS"), check.Certain}, true
	case *syntax.SetOp:
		if n.Minus {
			span := text.Span{Start: n.OpSpan.Start, End: n.OpSpan.Start + text.Pos(len("MINUS"))}
			return foreign{"MINUS", dialect.In(dialect.Oracle, dialect.Spark), span, replace("write EXCEPT", span, p.Word(span.Start, "EXCEPT")), check.Certain}, true
		}
	}
	return foreign{}, false
}

// joinedWrite says how a write looks at other tables.
var joinedWrite = map[dialect.Dialect]string{
	dialect.Postgres: "name the other table in FROM or USING, and join it in WHERE", dialect.SQLite: "take the other table's values from a subquery",
	dialect.SQLServer: "write UPDATE … FROM or DELETE … FROM with the join", dialect.Oracle: "write MERGE, or take the other table's values from a subquery",
	dialect.Spark: "write MERGE", dialect.MySQL: "name the table to delete from before FROM", dialect.MariaDB: "name the table to delete from before FROM",
}

// foreignDelete tells a join in the place of the one table that DELETE FROM names.
func foreignDelete(p *check.Pass, n *syntax.Delete) (foreign, bool) {
	if n.From == nil || len(n.Targets) > 0 || n.Using != nil || len(n.From.Tables) != 1 {
		return foreign{}, false
	}
	j, ok := n.From.Tables[0].(*syntax.Join)
	if !ok {
		return foreign{}, false
	}
	return foreign{"JOIN behind DELETE FROM", 0, j.OpSpan, byHand(joinedWrite[p.Dialect]), check.Certain}, true
}

// foreignIs tells IS before a plain value, which only SQLite compares.
func foreignIs(p *check.Pass, n *syntax.Is) (foreign, bool) {
	lit, ok := syntax.Unparen(n.Y).(*syntax.Literal)
	if n.Test != syntax.IsOther || !ok || lit.Lit != syntax.TextLiteral && lit.Lit != syntax.NumberLiteral {
		return foreign{}, false
	}
	op := "="
	if n.Not {
		op = "<>"
	}
	span := text.Span{Start: n.X.Span().End, End: n.Y.Span().Start}
	f := foreign{"IS before a value", dialect.In(dialect.SQLite), n.Span(), replace("compare by "+op, span, " "+op+" "), check.Certain}
	if p.HasComment(span) {
		f.mends = byHand("compare by " + op)
	}
	return f, true
}

func replace(title string, span text.Span, with string) []check.Mend {
	return []check.Mend{{Title: title, Effect: check.NewRows, Edits: []text.Edit{check.Replace(span, with)}}}
}

func byHand(title string) []check.Mend {
	return []check.Mend{{Title: title, Effect: check.ByHand}}
}

// foreignLimit tells LIMIT and FETCH where they are not known.
func foreignLimit(p *check.Pass, q *syntax.Query) (foreign, bool) {
	l := q.Limit
	if l == nil || l.Span().IsEmpty() {
		return foreign{}, false
	}
	count, offset := "", "0"
	if l.Count != nil {
		count = p.Text(l.Count)
	}
	if l.Offset != nil {
		offset = p.Text(l.Offset)
	}
	if !l.ByLimit {
		if l.Count == nil {
			return foreign{}, false // OFFSET alone
		}
		limit := "LIMIT " + count
		if l.Offset != nil {
			limit += " OFFSET " + offset
		}
		return foreign{"FETCH FIRST", dialect.Everywhere &^ dialect.In(dialect.MySQL, dialect.SQLite, dialect.Spark), l.Span(),
			replace("write LIMIT", l.Span(), limit), check.Certain}, true
	}
	if l.Offset != nil && l.Count != nil && l.Offset.Span().End < l.Count.Span().Start && isComma(p, text.Span{Start: l.Offset.Span().End, End: l.Count.Span().Start}) &&
		p.Dialect != dialect.SQLServer && p.Dialect != dialect.Oracle {
		return foreign{"LIMIT with a comma", dialect.In(dialect.MySQL, dialect.MariaDB, dialect.SQLite), l.Span(),
			replace("write OFFSET", l.Span(), "LIMIT "+count+" OFFSET "+offset), check.Certain}, true
	}
	f := foreign{"LIMIT", dialect.Everywhere &^ dialect.In(dialect.SQLServer, dialect.Oracle), l.Span(), nil, check.Certain}
	fetch := fmt.Sprintf("OFFSET %s ROWS FETCH NEXT %s ROWS ONLY", offset, count)
	if p.Dialect == dialect.Oracle && l.Offset == nil {
		fetch = fmt.Sprintf("FETCH FIRST %s ROWS ONLY", count)
	}
	switch {
	case count == "":
	case p.Dialect == dialect.Oracle || q.OrderBy != nil:
		f.mends = replace("write FETCH", l.Span(), fetch)
	default:
		f.mends = byHand("write SELECT TOP (" + count + ")")
	}
	return f, true
}

// isComma reports whether a comma is all that stands between two operands.
func isComma(p *check.Pass, s text.Span) bool {
	return strings.TrimSpace(string(p.Src[s.Start:s.End])) == ","
}

func foreignSelect(p *check.Pass, s *syntax.Select) (foreign, bool) {
	switch {
	case s.Top != nil:
		f := foreign{"TOP", dialect.In(dialect.SQLServer), s.Top.Span(), nil, check.Certain}
		q := p.OwnQuery(s)
		if q == nil || q.Limit != nil || s.Top.Count == nil {
			return f, true
		}
		count := strings.Trim(p.Text(s.Top.Count), "() ")
		limit := " LIMIT " + count
		if p.Dialect == dialect.Oracle {
			limit = " FETCH FIRST " + count + " ROWS ONLY"
		}
		f.mends = []check.Mend{{Title: "limit the rows at the end", Effect: check.NewRows, Edits: []text.Edit{
			check.Replace(text.Span{Start: p.EndBefore(s.Top.Span().Start), End: s.Top.Span().End}, ""),
			check.Insert(q.Span().End, limit),
		}}}
		return f, true
	case len(s.DistinctOn) > 0:
		return foreign{"DISTINCT ON", dialect.In(dialect.Postgres), s.DistinctOn[0].Span(), byHand("number the rows with ROW_NUMBER and keep the first"), check.Certain}, true
	case s.Qualify != nil:
		return foreign{"QUALIFY", dialect.In(dialect.Spark), s.Qualify.Span(), byHand("filter in a query around this one"), check.Certain}, true
	}
	return foreign{}, false
}

func foreignOperator(p *check.Pass, b *syntax.Binary) (foreign, bool) {
	switch {
	case b.Op == syntax.OpNullSafeEqual:
		distinct := dialect.In(dialect.MySQL, dialect.MariaDB, dialect.Spark)
		return foreign{"<=>", distinct, b.OpSpan, replace("write IS NOT DISTINCT FROM", b.OpSpan, "IS NOT DISTINCT FROM"), check.Certain}, true
	case b.Op == syntax.OpConcat && p.Dialect == dialect.SQLServer:
		return foreign{"||", dialect.Everywhere &^ dialect.In(dialect.SQLServer), b.OpSpan, replace("write +", b.OpSpan, "+"), check.Certain}, true
	}
	return foreign{}, false
}

func foreignJoin(j *syntax.Join) (foreign, bool) {
	switch {
	case j.Type == syntax.CrossApply || j.Type == syntax.OuterApply:
		return foreign{"APPLY", dialect.In(dialect.SQLServer, dialect.Oracle), j.OpSpan, byHand("write JOIN LATERAL"), check.Certain}, true
	case j.Natural:
		return foreign{"NATURAL JOIN", dialect.Everywhere &^ dialect.In(dialect.SQLServer), j.OpSpan, byHand("write JOIN … ON"), check.Certain}, true
	case len(j.Using) > 0:
		return foreign{"USING", dialect.Everywhere &^ dialect.In(dialect.SQLServer), j.Using[0].Span, byHand("write JOIN … ON"), check.Certain}, true
	}
	return foreign{}, false
}

func foreignInsert(n *syntax.Insert) (foreign, bool) {
	switch {
	case !n.Duplicate.IsEmpty():
		return foreign{"ON DUPLICATE KEY UPDATE", dialect.In(dialect.MySQL, dialect.MariaDB), n.Duplicate, byHand("write ON CONFLICT or MERGE"), check.Certain}, true
	case !n.OnConflict.IsEmpty():
		return foreign{"ON CONFLICT", dialect.In(dialect.Postgres, dialect.SQLite), n.OnConflict, byHand("write ON DUPLICATE KEY UPDATE or MERGE"), check.Certain}, true
	}
	return foreign{}, false
}

// foreignFunction is a built-in function of some databases; instead is a
// function of the same meaning that takes the same arguments, if there is one.
type foreignFunction struct {
	has     dialect.Set
	instead string
	hint    string
}

// foreignFunctions are by name in lower case; sources are the reference
// manuals of the databases.
func functionOf(name string, arguments int) (foreignFunction, bool) {
	switch name {
	case "ifnull":
		return foreignFunction{dialect.In(dialect.MySQL, dialect.MariaDB, dialect.SQLite, dialect.Spark), "COALESCE", ""}, true
	case "if":
		if arguments == 3 {
			return foreignFunction{dialect.In(dialect.MySQL, dialect.MariaDB, dialect.SQLite, dialect.Spark), "", "write CASE WHEN … THEN … ELSE … END"}, true
		}
	case "nvl":
		return foreignFunction{dialect.In(dialect.Oracle, dialect.MariaDB, dialect.Spark), "COALESCE", ""}, true
	case "isnull":
		if arguments == 2 {
			return foreignFunction{dialect.In(dialect.SQLServer), "COALESCE", ""}, true
		}
	case "len":
		return foreignFunction{dialect.In(dialect.SQLServer, dialect.Spark), "LENGTH", ""}, true
	case "getdate":
		return foreignFunction{dialect.In(dialect.SQLServer, dialect.Spark), "", "write CURRENT_TIMESTAMP"}, true
	case "now":
		return foreignFunction{dialect.In(dialect.Postgres, dialect.MySQL, dialect.MariaDB, dialect.Spark), "", "write CURRENT_TIMESTAMP"}, true
	case "group_concat":
		return foreignFunction{dialect.In(dialect.MySQL, dialect.MariaDB, dialect.SQLite), "", "write STRING_AGG or LISTAGG"}, true
	case "listagg":
		return foreignFunction{dialect.In(dialect.Oracle, dialect.Spark), "", "write STRING_AGG or GROUP_CONCAT"}, true
	case "charindex":
		return foreignFunction{dialect.In(dialect.SQLServer, dialect.Spark), "", "write POSITION, INSTR or STRPOS"}, true
	case "strftime", "julianday", "unixepoch":
		return foreignFunction{dialect.In(dialect.SQLite), "", "use the database's own date functions"}, true
	case "dateadd":
		return foreignFunction{dialect.In(dialect.SQLServer, dialect.Spark), "", "add an interval"}, true
	case "date_format":
		return foreignFunction{dialect.In(dialect.MySQL, dialect.MariaDB, dialect.Spark), "", "write TO_CHAR, FORMAT or strftime"}, true
	case "curdate":
		return foreignFunction{dialect.In(dialect.MySQL, dialect.MariaDB, dialect.Spark), "", "write CURRENT_DATE"}, true
	case "newid":
		return foreignFunction{dialect.In(dialect.SQLServer), "", "use the database's own function for unique values"}, true
	case "date_trunc":
		return foreignFunction{dialect.In(dialect.Postgres, dialect.Spark), "", "use the database's own date functions"}, true
	}
	return foreignFunction{}, false
}

func foreignCall(p *check.Pass, c *syntax.Call) (foreign, bool) {
	if len(c.Name) != 1 {
		return foreign{}, false
	}
	f, ok := functionOf(p.FunctionName(c), len(c.Args))
	if !ok {
		return foreign{}, false
	}
	name := c.Name[0].Span
	out := foreign{"function " + strings.ToUpper(p.Ident(c.Name[0])), f.has, name, byHand(f.hint), check.Likely}
	if f.instead != "" {
		out.mends = replace("write "+f.instead, name, p.Word(name.Start, f.instead))
	}
	return out, true
}
