package rows

import (
	"fmt"
	"slices"
	"strings"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/schema"
	"justlens/core/syntax"
	"justlens/core/text"
)

var intoSeveral = &check.Check{
	ID:     "rows.into-several",
	Title:  "variables filled from a query that may give several rows",
	Errors: []string{"P0003", "ORA-01422", "1172"},
	Doc: "SELECT … INTO variables wants one row. Of several PL/pgSQL keeps the first that comes, and SQL Server's SELECT @name = … the last; MySQL, MariaDB and " +
		"Oracle stop with an error when it runs. The check speaks where the tables have keys and the query does not fix them.",
	Verdicts: check.Everywhere(check.Refused).But(check.Wrong, dialect.In(dialect.Postgres, dialect.SQLServer)).
		But(check.Fine, dialect.In(dialect.SQLite, dialect.Spark)),
	Needs: check.Schema,
	Examples: []check.Example{{
		Dialect: dialect.MariaDB,
		Bad:     "SELECT name INTO @hive FROM hives WHERE apiary_id = 1",
		Good:    "SELECT name INTO @hive FROM hives WHERE hive_id = 1",
		Near: []string{
			"SELECT COUNT(*) INTO @hives FROM hives WHERE apiary_id = 1",
			"SELECT name INTO @hive FROM hives WHERE apiary_id = 1 ORDER BY hive_id LIMIT 1",
			"SELECT h.name, a.name INTO @hive, @apiary FROM hives h JOIN apiaries a ON a.apiary_id = h.apiary_id WHERE h.hive_id = 1",
		},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "DO $$ DECLARE hive text; BEGIN SELECT h.name INTO hive FROM hives h WHERE h.apiary_id = 1; END $$",
		Good:    "DO $$ DECLARE hive text; BEGIN SELECT h.name INTO hive FROM hives h WHERE h.hive_id = 1; END $$",
		Near: []string{
			"DO $$ DECLARE hive text; BEGIN SELECT h.name INTO hive FROM hives h WHERE h.apiary_id = 1 ORDER BY h.hive_id LIMIT 1; END $$",
			"DO $$ DECLARE hive text; wanted integer := 1; BEGIN SELECT h.name INTO STRICT hive FROM hives h WHERE h.hive_id = wanted; END $$",
		},
	}, {
		Dialect: dialect.SQLServer,
		Bad:     "DECLARE @hive varchar(40); SELECT @hive = name FROM hives WHERE apiary_id = 1",
		Good:    "DECLARE @hive varchar(40); SELECT @hive = name FROM hives WHERE hive_id = 1",
		Near: []string{
			"DECLARE @hives integer; SELECT @hives = COUNT(*) FROM hives WHERE apiary_id = 1",
			"DECLARE @names varchar(400) = ''; SELECT @names = @names + name FROM hives WHERE apiary_id = 1",
		},
	}, {
		Dialect: dialect.SQLServer,
		Bad:     "CREATE TRIGGER sold ON sales AFTER INSERT AS BEGIN DECLARE @id int; SELECT @id = harvest_id FROM inserted; UPDATE harvests SET moisture = 0 WHERE harvest_id = @id; END",
		Near: []string{
			"CREATE TRIGGER sold ON sales AFTER INSERT AS BEGIN DECLARE @n int; SELECT @n = COUNT(*) FROM inserted; END",
			"CREATE TRIGGER sold ON sales AFTER INSERT AS BEGIN UPDATE h SET h.moisture = 0 FROM harvests AS h JOIN inserted AS i ON i.harvest_id = h.harvest_id; END",
		},
	}},
	On: check.Nodes(runIntoSeveral),
}

func runIntoSeveral(p *check.Pass, sel *syntax.Select) {
	q, ok := p.Parent(sel).(*syntax.Query)
	if !ok || sel.From == nil || sel.GroupBy != nil || sel.IntoMany || sel.IntoStrict || !p.Tells(sel) {
		return
	}
	at := intoVariables(p, sel)
	if at.IsEmpty() || p.MayBeOneRow(q) || q.OrderBy != nil && p.Dialect == dialect.Postgres { // the first is meant
		return
	}
	scope := p.Scope(sel)
	if scope == nil {
		return
	}
	if name := rowsOfTrigger(p, scope); name != "" && !p.Aggregates(sel) && sel.Top == nil {
		p.Report(check.Finding{
			Span: at, Context: sel.Span(), Certainty: check.Likely,
			Message: fmt.Sprintf("%s may hold several rows, and the variables hold one", name),
			Why:     "A trigger is fired once for a statement, however many rows that writes; of the others nothing is done.",
			Mends:   []check.Mend{{Title: fmt.Sprintf("join %s in the statement that uses the variables", name), Effect: check.ByHand}},
		})
		return
	}
	for _, s := range scope.Sources {
		if t := s.SchemaTable(); t == nil || len(t.Keys) == 0 || !s.Complete {
			return
		}
	}
	if callsUnknown(p, sel) {
		return // it may pick one row
	}
	given := p.Given(sel)
	if given.Rows() {
		return
	}
	open := slices.IndexFunc(scope.Sources, func(s *bind.Source) bool { return !given.Row(s) })
	if open < 0 {
		return
	}
	source := scope.Sources[open]
	equal := equalColumns(p, sel, source)
	for _, key := range source.SchemaTable().Keys {
		if !slices.ContainsFunc(key.Columns, func(i int) bool { return !equal[i] }) {
			return // with what is not known to be one value
		}
	}
	certainty := check.Likely
	if sel.Where == nil || q.OrderBy != nil || picksByOther(source.SchemaTable(), equal) {
		certainty = check.Possible // a table of one row, a column without doubles, or the order in which they come is meant
	}
	effect := "With a second row the statement stops with an error when it runs."
	switch p.Dialect {
	case dialect.Postgres:
		effect = "Of several rows the first that comes is taken, and nothing says which that is."
	case dialect.SQLServer:
		effect = "Of several rows the last that comes stays, and nothing says which that is."
	}
	p.Report(check.Finding{
		Span: at, Certainty: certainty,
		Message: "this query may give several rows, and the variables hold one",
		Why:     fmt.Sprintf("Nothing fixes %s, the key of %s. %s", keyOf(source), p.Ident(source.Name), effect),
		Mends:   []check.Mend{{Title: "compare the whole key, or say by ORDER BY and a row limit which row is meant", Effect: check.ByHand}},
	})
}

// rowsOfTrigger gives the name by which a trigger of SQL Server reads the rows that were written, if a
// query reads only these ("Use the inserted and deleted tables" in its reference).
func rowsOfTrigger(p *check.Pass, scope *bind.Scope) string {
	if p.Dialect != dialect.SQLServer || len(scope.Sources) != 1 {
		return ""
	}
	ref, ok := scope.Sources[0].Node.(*syntax.TableRef)
	if !ok || len(ref.Name) != 1 {
		return ""
	}
	name := p.Names.String(ref.Name[0].Sym)
	routine, inside := p.Nearest(ref, syntax.Kinds(syntax.KindRoutine)).(*syntax.Routine)
	if !inside || len(routine.Fires.Table) == 0 || name != "inserted" && name != "deleted" {
		return ""
	}
	return name
}

// intoVariables gives the place where a query fills variables, empty where it does not.
func intoVariables(p *check.Pass, sel *syntax.Select) text.Span {
	if p.Dialect == dialect.SQLServer {
		return assignedVariables(p, sel)
	}
	if len(sel.Into) == 0 {
		return text.Span{}
	}
	body := p.Nearest(sel, syntax.Kinds(syntax.KindRoutine, syntax.KindControl))
	if _, ok := sel.Into[0].(*syntax.Param); !ok && body == nil {
		return text.Span{} // the name of a table
	}
	return text.Span{Start: sel.IntoSpan.Start, End: sel.Into[len(sel.Into)-1].Span().End}
}

// assignedVariables gives the place of SELECT @name = …. What gathers the rows in the
// variable wants all of them.
func assignedVariables(p *check.Pass, sel *syntax.Select) (at text.Span) {
	for _, item := range sel.Items {
		b, ok := item.X.(*syntax.Binary)
		if !ok || b.Op != syntax.OpEqual {
			return text.Span{}
		}
		variable, ok := b.X.(*syntax.Param)
		if !ok || p.Src[variable.Span().Start] != '@' || strings.Contains(strings.ToLower(p.Text(b.Y)), strings.ToLower(p.Text(variable))) {
			return text.Span{}
		}
		if at.IsEmpty() {
			at = b.Span()
		}
	}
	return at
}

// equalColumns gives the places of a source's columns that the conditions compare for equality.
func equalColumns(p *check.Pass, sel *syntax.Select, source *bind.Source) map[int]bool {
	found := map[int]bool{}
	for _, part := range conditionsOf(sel) {
		syntax.Walk(part, func(n syntax.Node, _ syntax.Kind) {
			b, ok := n.(*syntax.Binary)
			if !ok || b.Op != syntax.OpEqual {
				return
			}
			syntax.Walk(b, func(n syntax.Node, _ syntax.Kind) { // UPPER(name) = … may pick one, too
				if name, ok := n.(*syntax.Name); ok {
					if u := p.Use(name); u.Source == source && u.Column != nil && u.Column.Index >= 0 {
						found[u.Column.Index] = true
					}
				}
			})
		})
	}
	return found
}

// picksByOther reports whether a column is compared that is neither of a key nor a
// reference: its values may be told apart though no key says so.
func picksByOther(t *schema.Table, equal map[int]bool) bool {
	for i := range equal {
		known := slices.ContainsFunc(t.Keys, func(k schema.Key) bool { return slices.Contains(k.Columns, i) }) ||
			slices.ContainsFunc(t.Foreign, func(k schema.ForeignKey) bool { return slices.Contains(k.Columns, i) })
		if !known {
			return true
		}
	}
	return false
}

func callsUnknown(p *check.Pass, sel *syntax.Select) (found bool) {
	for _, part := range conditionsOf(sel) {
		syntax.Walk(part, func(n syntax.Node, _ syntax.Kind) {
			if c, ok := n.(*syntax.Call); ok && dialect.Function(p.FunctionName(c)) == dialect.UnknownFunction {
				found = true
			}
		})
	}
	return found
}

// conditionsOf gives the clauses in which conditions on rows stand.
func conditionsOf(sel *syntax.Select) []syntax.Node {
	if sel.Where == nil {
		return []syntax.Node{sel.From}
	}
	return []syntax.Node{sel.From, sel.Where}
}

func keyOf(s *bind.Source) string {
	t := s.SchemaTable()
	var names []string
	for _, i := range t.Keys[0].Columns {
		names = append(names, t.Columns[i].Name)
	}
	return strings.Join(names, " and ")
}
