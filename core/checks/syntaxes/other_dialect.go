package syntaxes

import (
	"fmt"
	"slices"
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/facts"
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
	On: check.Nodes(foreignLimit).With(facts.Limited).In(named).And(
		check.Nodes(foreignSelect).In(named)).And(
		check.Nodes(foreignCast).In(named &^ castsByColons)).And(
		check.Nodes(foreignLike).In(named &^ hasILike)).And(
		check.Operators(foreignOperator, syntax.OpNullSafeEqual, syntax.OpConcat).In(named)).And(
		check.Operators(ownOperator, syntax.OpOther).In(dialect.In(dialect.Postgres))).And(
		check.Operators(foreignAnd, syntax.OpOther).In(dialect.In(dialect.SQLite, dialect.SQLServer, dialect.Oracle))).And(
		foreignCalls()).And(
		check.Nodes(foreignTypeName).In(named &^ inSQLite)).And(
		check.Nodes(foreignMark).In(named)).And(
		check.Nodes(foreignJoin).In(named)).And(
		check.Nodes(foreignInsert).In(named)).And(
		check.Nodes(foreignUpdate).In(named)).And(
		check.Nodes(foreignDelete).In(named)).And(
		check.Nodes(foreignMerge).In(dialect.In(dialect.MySQL, dialect.MariaDB, dialect.SQLite))).And(
		check.Nodes(foreignIs).In(named)).And(
		check.Nodes(foreignAs).In(dialect.In(dialect.Oracle))).And(
		check.Nodes(foreignQuantified).In(dialect.In(dialect.SQLite))).And(
		check.Nodes(foreignList).In(named &^ dialect.In(dialect.SQLite, dialect.Oracle))).And(
		check.Calls(foreignPosition, "position").In(dialect.In(dialect.Postgres, dialect.MySQL, dialect.MariaDB))).And(
		check.Calls(foreignParens, "current_date", "current_time", "current_timestamp", "localtime", "localtimestamp", "current_user").In(noParens)).And(
		check.Nodes(foreignStar).In(dialect.In(dialect.MySQL, dialect.MariaDB, dialect.Oracle))).And(
		check.Nodes(foreignLock).With(facts.Locking).In(dialect.In(dialect.MariaDB, dialect.SQLite))).And(
		check.Nodes(foreignInterval).In(named &^ takesIntervals)).And(
		check.Nodes(foreignMinus).In(named)).And(
		check.Nodes(foreignRecursive).In(dialect.In(dialect.SQLServer, dialect.Oracle))),
}

// named are the dialects of databases; of the standard nobody has said which it is.
const named = dialect.Everywhere &^ (1 << dialect.ANSI)

// foreign is a construct that only some databases have.
type foreign struct {
	name  string // as people say it
	has   dialect.Set
	span  text.Span
	mends []check.Mend
	sure  check.Certainty
}

// tell reports a construct that the database under review does not have.
func (f foreign) tell(p *check.Pass) {
	if f.has.Has(p.Dialect) {
		return
	}
	why := "It belongs to other databases."
	if f.has == 0 {
		why = "No database has it."
	}
	mends := slices.Clone(f.mends)
	for i, m := range mends {
		mends[i] = p.Keeping(m)
	}
	p.Report(check.Finding{
		Span: f.span, Certainty: f.sure,
		Verdicts: check.Everywhere(check.Refused).But(check.Fine, f.has|dialect.In(dialect.ANSI)),
		Message:  fmt.Sprintf("%s has no %s", p.Dialect.Title(), f.name),
		Why:      why,
		Mends:    mends,
	})
}

// longCast is the length in bytes from which on a cast is not written anew: of a chain each
// would copy all before it.
const longCast = 2000

var (
	castsByColons = dialect.In(dialect.Postgres, dialect.Spark)
	hasILike      = dialect.In(dialect.Postgres, dialect.Spark)
)

func foreignCast(p *check.Pass, n *syntax.Cast) {
	if n.Type == nil || n.X == nil || n.Span().Start != n.X.Span().Start {
		return
	}
	if len(p.TokensIn(text.Span{Start: n.X.Span().End, End: n.Type.Span().Start})) == 0 {
		return // an interval of Oracle
	}
	mends := byHand("cast by CAST")
	if n.Span().Len() < longCast {
		mends = replace("cast by CAST", n.Span(), fmt.Sprintf("CAST(%s AS %s)", p.Text(n.X), p.Text(n.Type)))
	}
	foreign{"cast by ::", castsByColons, n.Span(), mends, check.Certain}.tell(p)
}

func foreignLike(p *check.Pass, n *syntax.Like) {
	if n.Op != syntax.OpILike {
		return
	}
	not := ""
	if n.Not {
		not = "NOT "
	}
	lower := fmt.Sprintf("LOWER(%s) %sLIKE LOWER(%s)", p.Text(n.X), not, p.Text(n.Pattern))
	foreign{"ILIKE", hasILike, n.OpSpan, replace("compare in lower case", n.Span(), lower), check.Certain}.tell(p)
}

func foreignMark(p *check.Pass, n *syntax.OuterMark) {
	foreign{"outer join by (+)", dialect.In(dialect.Oracle), n.Span(), byHand("write LEFT JOIN … ON"), check.Certain}.tell(p)
}

// foreignPosition tells POSITION ('a', name), which Spark takes.
func foreignPosition(p *check.Pass, c *syntax.Call) {
	if len(c.Args) != 2 || len(c.Name) != 1 || c.Name[0].Quoted {
		return
	}
	for _, t := range p.TokensIn(text.Span{Start: c.Args[0].Span().End, End: c.Args[1].Span().Start}) {
		if t.Kind == syntax.Comma {
			foreign{"POSITION with a comma", dialect.In(dialect.Spark), t.Span, replace("write IN", t.Span, " "+p.Word(c.Span().Start, "IN")), check.Certain}.tell(p)
		}
	}
}

// foreignLock tells FOR UPDATE, and the tables that it names.
func foreignLock(p *check.Pass, q *syntax.Query) {
	switch {
	case p.Dialect == dialect.SQLite:
		foreign{p.BriefOf(q.Lock), dialect.In(dialect.Postgres, dialect.MySQL, dialect.MariaDB, dialect.Oracle), q.Lock,
			byHand("leave it out: a transaction that writes locks the database"), check.Certain}.tell(p)
	case len(q.LockOf) > 0:
		foreign{"OF behind FOR UPDATE", dialect.In(dialect.Postgres, dialect.MySQL, dialect.Oracle), q.LockOf[0].Span,
			byHand("lock the rows of all tables, or ask in a query of its own"), check.Certain}.tell(p)
	}
}

// foreignList tells a list of values behind ANY and ALL, which Spark takes behind LIKE only.
func foreignList(p *check.Pass, n *syntax.Quantified) {
	row, ok := n.X.(*syntax.Row)
	b, compared := p.Above(n).(*syntax.Binary)
	if !ok || !compared || syntax.Unparen(b.Y) != syntax.Expr(n) {
		return
	}
	f := foreign{"list of values behind ANY or ALL", dialect.In(dialect.Oracle), n.Span(), byHand("compare with each value, or with a subquery"), check.Certain}
	in := ""
	switch {
	case b.Op == syntax.OpEqual && !n.All:
		in = "IN"
	case b.Op == syntax.OpNotEqual && n.All:
		in = "NOT IN"
	}
	if in != "" {
		in = p.Word(n.Span().Start, in)
		f.mends = replace("write "+in, text.Span{Start: b.OpSpan.Start, End: n.Span().End}, fmt.Sprintf("%s (%s)", in, p.Text(row)))
	}
	f.tell(p)
}

// foreignAs tells AS before the alias of a table, which Oracle does not take.
func foreignAs(p *check.Pass, n *syntax.TableRef) {
	if !n.As || n.Alias.IsZero() {
		return
	}
	as := text.Span{Start: n.Name[len(n.Name)-1].Span.End, End: n.Alias.Span.Start}
	foreign{"AS before the alias of a table", dialect.Everywhere &^ dialect.In(dialect.Oracle), n.Alias.Span,
		replace("drop AS", as, " "), check.Certain}.tell(p)
}

func foreignQuantified(p *check.Pass, n *syntax.Quantified) {
	foreign{"comparison with ANY or ALL of a subquery", dialect.Everywhere &^ dialect.In(dialect.SQLite), n.Span(),
		byHand("compare with MIN or MAX, or ask EXISTS"), check.Certain}.tell(p)
}

func foreignMinus(p *check.Pass, n *syntax.SetOp) {
	if n.All && n.Op != syntax.Union {
		foreign{p.BriefOf(n.OpSpan), dialect.Everywhere &^ dialect.In(dialect.SQLite, dialect.SQLServer), n.OpSpan,
			byHand("number the rows that are alike with ROW_NUMBER, and compare without ALL"), check.Certain}.tell(p)
	}
	for _, branch := range [2]syntax.Body{n.Left, n.Right} {
		if b, ok := branch.(*syntax.ParenQuery); ok {
			foreign{"query in parentheses beside " + p.BriefOf(n.OpSpan), dialect.Everywhere &^ dialect.In(dialect.SQLite), b.Span(),
				byHand("leave the parentheses out, or select from it: SELECT * FROM (…)"), check.Certain}.tell(p)
		}
	}
	if n.Minus {
		span := text.Span{Start: n.OpSpan.Start, End: n.OpSpan.Start + text.Pos(len("MINUS"))}
		foreign{"MINUS", dialect.In(dialect.Oracle, dialect.Spark), span, replace("write EXCEPT", span, p.Word(span.Start, "EXCEPT")), check.Certain}.tell(p)
	}
}

// foreignRecursive tells the word RECURSIVE behind WITH, without which some databases let
// a common table expression name itself.
func foreignRecursive(p *check.Pass, n *syntax.With) {
	if _, word, ok := p.FirstTokens(n); ok && n.Recursive {
		foreign{"WITH RECURSIVE", dialect.Everywhere &^ dialect.In(dialect.SQLServer, dialect.Oracle), word.Span,
			[]check.Mend{{Title: "drop RECURSIVE", Effect: check.NewRows, Edits: p.Remove(text.Span{Start: p.EndBefore(word.Span.Start), End: word.Span.End})}}, check.Certain}.tell(p)
	}
}

// isKeyOfJSON reports whether a text stands before IS as the key of a value, in a call of JSON_OBJECT.
func isKeyOfJSON(p *check.Pass, n *syntax.Is) bool {
	c, ok := p.Parent(n).(*syntax.Call)
	return ok && p.FunctionName(c) == "json_object"
}

// foreignIs tells IS before a plain value, which only SQLite compares, and IS DISTINCT FROM.
func foreignIs(p *check.Pass, n *syntax.Is) {
	if n.Test == syntax.IsDistinctFrom {
		foreignDistinct(p, n)
		return
	}
	if n.Test != syntax.IsOther || !isPlainValue(n.Y) || p.Dialect == dialect.Oracle && isKeyOfJSON(p, n) {
		return
	}
	op := "="
	if n.Not {
		op = "<>"
	}
	span := text.Span{Start: n.X.Span().End, End: n.Y.Span().Start}
	f := foreign{"IS before a value", dialect.In(dialect.SQLite), n.Span(), replace("compare by "+op, span, " "+op+" "), check.Certain}
	if _, literal := syntax.Unparen(n.Y).(*syntax.Literal); !literal {
		f.mends = byHand("compare in a way that lets NULL equal NULL, as IS [NOT] DISTINCT FROM or <=>, or by " + op)
	}
	f.tell(p)
}

// isPlainValue reports whether what stands behind IS is surely a value and no word of a test.
func isPlainValue(x syntax.Expr) bool {
	switch x := syntax.Unparen(x).(type) {
	case *syntax.Literal:
		return x.Lit == syntax.TextLiteral || x.Lit == syntax.NumberLiteral
	case *syntax.Name:
		return len(x.Parts) > 1
	case *syntax.Row, *syntax.Subquery:
		return true
	}
	return false
}

// foreignDistinct tells IS DISTINCT FROM where <=> says the contrary: in MySQL and MariaDB.
func foreignDistinct(p *check.Pass, n *syntax.Is) {
	if p.Dialect != dialect.MySQL && p.Dialect != dialect.MariaDB || n.Y == nil {
		return
	}
	f := foreign{"IS DISTINCT FROM", dialect.Everywhere &^ dialect.In(dialect.MySQL, dialect.MariaDB, dialect.Oracle), n.Span(), byHand("compare by <=>, with NOT before it"), check.Certain}
	span := text.Span{Start: n.X.Span().End, End: n.Y.Span().Start}
	switch {
	case p.HasComment(span):
	case n.Not:
		f.name, f.mends = "IS NOT DISTINCT FROM", replace("compare by <=>", span, " <=> ")
	case p.IsConjunct(n):
		f.mends = []check.Mend{{Title: "compare by <=>, with NOT before it", Effect: check.NewRows, Edits: []text.Edit{
			check.Insert(n.Span().Start, p.Word(p.Stmt.Span.Start, "NOT")+" ("), check.Replace(span, " <=> "), check.Insert(n.Span().End, ")")}}}
	}
	f.tell(p)
}

func replace(title string, span text.Span, with string) []check.Mend {
	return []check.Mend{{Title: title, Effect: check.NewRows, Edits: []text.Edit{check.Replace(span, with)}}}
}

func byHand(title string) []check.Mend {
	return []check.Mend{{Title: title, Effect: check.ByHand}}
}

// foreignLimit tells LIMIT and FETCH where they are not known.
func foreignLimit(p *check.Pass, q *syntax.Query) {
	l := q.Limit
	switch {
	case l == nil || l.Span().IsEmpty():
	case !l.ByLimit:
		foreignFetch(p, q, l)
	case hasLimit.Has(p.Dialect):
		foreignComma(p, l)
	default:
		f := foreign{"LIMIT", hasLimit, l.Span(), nil, check.Certain}
		count, offset := limitTexts(p, l)
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
		f.tell(p)
	}
}

var (
	hasLimit = dialect.Everywhere &^ dialect.In(dialect.SQLServer, dialect.Oracle)
	hasFetch = dialect.Everywhere &^ dialect.In(dialect.MySQL, dialect.SQLite, dialect.Spark)
	hasComma = dialect.In(dialect.MySQL, dialect.MariaDB, dialect.SQLite)
)

// limitTexts gives how many rows a limit takes, "" where it does not say, and how many it
// passes over.
func limitTexts(p *check.Pass, l *syntax.Limit) (count, offset string) {
	offset = "0"
	if l.Count != nil {
		count = p.Text(l.Count)
	}
	if l.Offset != nil {
		offset = p.Text(l.Offset)
	}
	return count, offset
}

func foreignFetch(p *check.Pass, q *syntax.Query, l *syntax.Limit) {
	others := dialect.Everywhere &^ dialect.In(dialect.SQLServer)
	switch {
	case p.Dialect != dialect.SQLServer:
	case q.OrderBy == nil:
		foreign{"OFFSET and FETCH without ORDER BY", others, l.Span(), byHand("say in ORDER BY which rows come first"), check.Certain}.tell(p)
	case l.Offset == nil:
		foreign{"FETCH without OFFSET", others, l.Span(),
			[]check.Mend{{Title: "write OFFSET before it", Effect: check.NewRows, Edits: []text.Edit{check.Insert(l.Span().Start, p.Word(l.Span().Start, "OFFSET 0 ROWS")+" ")}}}, check.Certain}.tell(p)
	}
	if hasFetch.Has(p.Dialect) || l.Count == nil { // OFFSET alone
		return
	}
	count, offset := limitTexts(p, l)
	limit := "LIMIT " + count
	if l.Offset != nil {
		limit += " OFFSET " + offset
	}
	foreign{"FETCH FIRST", hasFetch, l.Span(), replace("write LIMIT", l.Span(), limit), check.Certain}.tell(p)
}

func foreignComma(p *check.Pass, l *syntax.Limit) {
	if hasComma.Has(p.Dialect) || l.Offset == nil || l.Count == nil || l.Offset.Span().End >= l.Count.Span().Start ||
		!isComma(p, text.Span{Start: l.Offset.Span().End, End: l.Count.Span().Start}) {
		return
	}
	count, offset := limitTexts(p, l)
	foreign{"LIMIT with a comma", hasComma, l.Span(), replace("write OFFSET", l.Span(), "LIMIT "+count+" OFFSET "+offset), check.Certain}.tell(p)
}

// isComma reports whether a comma is all that stands between two operands.
func isComma(p *check.Pass, s text.Span) bool {
	at := slices.IndexFunc(p.Stmt.Tokens, func(t syntax.Token) bool { return t.Span.Start >= s.Start })
	return at >= 0 && p.Stmt.Tokens[at].Kind == syntax.Comma && p.Stmt.Tokens[at].Span.End <= s.End && p.Stmt.Tokens[at+1].Span.Start >= s.End
}

func foreignSelect(p *check.Pass, s *syntax.Select) {
	switch {
	case s.Top != nil:
		f := foreign{"TOP", dialect.In(dialect.SQLServer), s.Top.Span(), nil, check.Certain}
		q := p.OwnQuery(s)
		if q == nil || q.Limit != nil || s.Top.Count == nil {
			f.tell(p)
			return
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
		f.tell(p)
	case len(s.DistinctOn) > 0:
		foreign{"DISTINCT ON", dialect.In(dialect.Postgres), s.DistinctOn[0].Span(), byHand("number the rows with ROW_NUMBER and keep the first"), check.Certain}.tell(p)
	case len(s.Into) > 0 && intoTable.Has(p.Dialect):
		name, ok := s.Into[0].(*syntax.Name)
		if ok && name.Last().Sym != 0 && p.Tells(name) && p.Nearest(s, syntax.Kinds(syntax.KindRoutine, syntax.KindControl)) == nil {
			foreign{"SELECT … INTO a new table", dialect.In(dialect.Postgres, dialect.SQLServer), name.Span(), byHand("write CREATE TABLE … AS SELECT"), check.Certain}.tell(p)
		}
	case s.Qualify != nil:
		foreign{"QUALIFY", dialect.In(dialect.Spark), s.Qualify.Span(), byHand("filter in a query around this one"), check.Certain}.tell(p)
	}
}

// intoTable are the dialects in which INTO behind SELECT names a variable, or that have none.
var intoTable = dialect.In(dialect.MySQL, dialect.MariaDB, dialect.SQLite)

func foreignOperator(p *check.Pass, b *syntax.Binary) {
	switch {
	case b.Op == syntax.OpNullSafeEqual:
		nullSafe(b.OpSpan, check.Certain).tell(p)
	case b.Op == syntax.OpConcat && p.Dialect == dialect.SQLServer && p.Version < dialect.At(2025, 0, 0): // which has it, says its manual
		f := foreign{"|| before version 2025", dialect.Everywhere &^ dialect.In(dialect.SQLServer), b.OpSpan, replace("write +", b.OpSpan, "+"), check.Certain}
		if p.Version == 0 {
			f.sure = check.Likely
		}
		f.tell(p)
	}
}

// foreignAnd tells && in the place of AND; PostgreSQL's is an operator of its own, for arrays.
func foreignAnd(p *check.Pass, b *syntax.Binary) {
	if text.View(p.Src, b.OpSpan) == "&&" {
		and := p.Word(p.Stmt.Span.Start, "AND")
		foreign{"&&", dialect.In(dialect.MySQL, dialect.MariaDB, dialect.Postgres), b.OpSpan, replace("write "+and, b.OpSpan, and), check.Certain}.tell(p)
	}
}

// nullSafe is <=> of MySQL, MariaDB and Spark.
func nullSafe(span text.Span, sure check.Certainty) foreign {
	has := dialect.In(dialect.MySQL, dialect.MariaDB, dialect.Spark)
	return foreign{"<=>", has, span, replace("write IS NOT DISTINCT FROM", span, "IS NOT DISTINCT FROM"), sure}
}

// ownOperator looks at <=> where extensions bring operators: as a condition it can only mean
// MySQL's, for that of vectors gives their distance.
func ownOperator(p *check.Pass, b *syntax.Binary) {
	if p.Src[b.OpSpan.Start] == '<' && isTruth(p, b) && string(p.Src[b.OpSpan.Start:b.OpSpan.End]) == "<=>" {
		nullSafe(b.OpSpan, check.Likely).tell(p)
	}
}

// isTruth reports whether an expression stands where true or false must.
func isTruth(p *check.Pass, x syntax.Expr) bool {
	switch around := p.Above(x).(type) {
	case *syntax.Where, *syntax.Having, *syntax.Join:
		return true
	case *syntax.Binary:
		return around.Op == syntax.OpAnd || around.Op == syntax.OpOr
	case *syntax.Unary:
		return around.Op == syntax.OpNot
	}
	return false
}

func foreignJoin(p *check.Pass, j *syntax.Join) {
	switch {
	case j.Type == syntax.CrossApply || j.Type == syntax.OuterApply:
		foreign{"APPLY", dialect.In(dialect.SQLServer, dialect.Oracle), j.OpSpan, byHand("write JOIN LATERAL"), check.Certain}.tell(p)
	case j.Type == syntax.FullJoin:
		f := foreign{"FULL JOIN", dialect.Everywhere &^ dialect.In(dialect.MySQL, dialect.MariaDB), j.OpSpan,
			byHand("write LEFT JOIN, and add the other side's rows that have no partner by UNION ALL"), check.Certain}
		if left, ok := j.Left.(*syntax.TableRef); ok && left.Alias.IsZero() && !j.Natural {
			f.sure = check.Likely // FULL may be meant as its alias
		}
		f.tell(p)
	case j.Natural:
		foreign{"NATURAL JOIN", dialect.Everywhere &^ dialect.In(dialect.SQLServer), j.OpSpan, byHand("write JOIN … ON"), check.Certain}.tell(p)
	case len(j.Using) > 0:
		foreign{"USING", dialect.Everywhere &^ dialect.In(dialect.SQLServer), j.Using[0].Span, byHand("write JOIN … ON"), check.Certain}.tell(p)
	}
}

// noParens are the dialects in which CURRENT_DATE and its like have no empty parentheses behind them.
const noParens = inPostgres | inSQLite | inServer | inOracle

// foreignParens tells CURRENT_DATE() where the name stands alone.
func foreignParens(p *check.Pass, c *syntax.Call) {
	name := c.Name[0].Span
	if len(c.Name) != 1 || c.Name[0].Quoted || len(c.Args) > 0 || c.Over != nil || p.Src[c.Span().End-1] != ')' || p.Schema.HasRoutine(p.FunctionName(c)) {
		return
	}
	written := strings.ToUpper(text.View(p.Src, name))
	foreign{"parentheses behind " + written, named &^ noParens, text.Span{Start: name.End, End: c.Span().End},
		[]check.Mend{{Title: "leave them out", Effect: check.NewRows, Edits: []text.Edit{check.Replace(text.Span{Start: name.End, End: c.Span().End}, "")}}}, check.Certain}.tell(p)
}

// foreignStar tells * beside other columns: on MySQL and MariaDB it can only come first, on Oracle it
// stands alone.
func foreignStar(p *check.Pass, s *syntax.Select) {
	for i, item := range s.Items {
		star, ok := item.X.(*syntax.Star)
		if !ok || len(star.Qualifier) > 0 || len(s.Items) == 1 || i == 0 && p.Dialect != dialect.Oracle || len(p.Stmt.Errors) > 0 {
			continue
		}
		mends := byHand("write the name of the table before it, as in h.*")
		if scope := p.Scope(s); scope != nil && len(scope.Sources) == 1 && scope.Sources[0].Name.Sym != 0 {
			name := p.Ident(scope.Sources[0].Name)
			mends = replace("write "+name+".*", star.Span(), name+".*")
		}
		has := named &^ (inOracle | inMySQL)
		if i == 0 {
			has = named &^ inOracle
		}
		foreign{"* beside other columns", has, star.Span(), mends, check.Certain}.tell(p)
		return
	}
}
