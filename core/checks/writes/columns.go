package writes

import (
	"fmt"
	"slices"
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/dialect/word"
	"justlens/core/schema"
	"justlens/core/syntax"
	"justlens/core/text"
)

var noColumnList = &check.Check{
	ID:        "write.no-column-list",
	Title:     "INSERT without a list of columns",
	Doc:       "Without a list the values go into the columns in the order in which these were created. A column that is added or moved later makes the statement fail, or puts values into other columns.",
	Verdicts:  check.Everywhere(check.Unclear),
	OnRequest: true,
	Examples: []check.Example{{
		Bad:  "INSERT INTO queens VALUES (31, 'Ada', 2026, NULL, 'blue')",
		Good: "INSERT INTO queens (queen_id, name, bred_in, mother_id, colour) VALUES (31, 'Ada', 2026, NULL, 'blue')",
		Near: []string{
			"INSERT INTO queens (queen_id, name, bred_in, mother_id, colour) VALUES (31, 'Ada', 2026, NULL, 'blue')",
			"INSERT INTO queens (queen_id, name, bred_in) SELECT 31, 'Ada', 2026",
			"SELECT name FROM queens WHERE queen_id = 31",
		},
	}},
	On: check.Nodes(runNoColumnList),
}

func runNoColumnList(p *check.Pass, n *syntax.Insert) {
	if !p.Wants(check.Possible) || len(n.Columns) > 0 || n.Query == nil || n.Table == nil || n.Table.Unnamed || len(n.Set) > 0 || len(p.Stmt.Errors) > 0 {
		return
	}
	source := p.SourceAt(n.Table)
	if source == nil || isPassing(p, source) {
		return
	}
	f := check.Finding{Span: n.Table.Span(), Context: n.Span(), Certainty: check.Possible,
		Message: fmt.Sprintf("the values go into the columns of %s in the order in which they were created", p.SourceName(source)),
		Why:     "A column that is added or moved later shifts them.",
	}
	width, ok := p.Width(n.Query.Body)
	if t := source.SchemaTable(); t != nil && t.Complete && ok && width == len(t.Columns) && len(t.Columns) <= 40 {
		var names []string
		for _, c := range t.Columns {
			names = append(names, p.Dialect.Name(c.Name, c.Quoted))
		}
		f.Mends = []check.Mend{{Title: "name the columns", Effect: check.SameRows, Edits: []text.Edit{check.Insert(n.Table.Span().End, " ("+strings.Join(names, ", ")+")")}}}
	} else {
		f.Mends = []check.Mend{{Title: "name the columns", Effect: check.ByHand}}
	}
	p.Report(f)
}

var missingRequired = &check.Check{
	ID:     "write.missing-required",
	Title:  "a column that must have a value gets none",
	Errors: []string{"23502", "ORA-01400", "ORA-01407", "1364", "1048", "Msg 515"},
	Doc: "A column that is declared NOT NULL and has no default needs a value. An INSERT that leaves it out, or gives it NULL, is refused, and so is SET to NULL. Only a trigger could still " +
		"fill it.",
	Verdicts: check.Everywhere(check.Refused),
	Needs:    check.Schema,
	Examples: []check.Example{{
		Bad: "INSERT INTO hives (hive_id, name, apiary_id, keeper_id) VALUES (901, 'Ash', 1, 1)",
		Near: []string{
			"INSERT INTO hives (hive_id, name, apiary_id, keeper_id, frame_count) VALUES (901, 'Ash', 1, 1, 8)",
			"INSERT INTO hives (hive_id, name, apiary_id, keeper_id, queen_id, frame_count) VALUES (901, 'Ash', 1, 1, NULL, 8)",
			"UPDATE hives SET queen_id = NULL WHERE hive_id = 1",
		},
	}, {
		Bad: "INSERT INTO queens (queen_id, name, bred_in) VALUES (901, NULL, 2026)",
	}, {
		Bad: "UPDATE hives SET frame_count = NULL WHERE hive_id = 1",
	}},
	On: check.Nodes(runInsertRequired).And(check.Nodes(runSetRequired)),
}

func runInsertRequired(p *check.Pass, n *syntax.Insert) {
	source := p.SourceAt(n.Table)
	if n.Table == nil || source == nil || source.SchemaTable() == nil || len(p.Stmt.Errors) > 0 || source.SchemaTable().IsView {
		return
	}
	t := source.SchemaTable()
	if p.IgnoresErrors(n) {
		return
	}
	if n.Query != nil && len(n.Columns) > 0 {
		if width, ok := p.Width(n.Query.Body); ok && width != len(n.Columns) {
			return // write.value-count tells
		}
	}
	if slices.ContainsFunc(n.Columns, func(id syntax.Ident) bool { return t.Column(p.Names.String(id.Sym)) < 0 }) {
		return // name.unknown-column tells
	}
	if len(n.Columns) > 0 && t.Complete {
		missing := missingColumns(p, t, n)
		if len(missing) > 0 {
			list := n.Columns[0].Span.Join(n.Columns[len(n.Columns)-1].Span)
			f := check.Finding{Span: list, Context: n.Span(), Certainty: unfilled(p, t),
				Message: fmt.Sprintf("%s of %s must have a value, and %s none", check.List(missing, "and"), t.Name, gets(len(missing))),
				Why:     "The table declares NOT NULL, and no default.",
				Mends:   []check.Mend{{Title: "give a value for " + check.List(missing, "and"), Effect: check.ByHand}},
			}
			inBody(p, n, &f)
			p.Report(f)
			return
		}
	}
	values, ok := queryValues(n)
	if !ok || len(values.Rows) > 1 && (p.Dialect == dialect.MySQL || p.Dialect == dialect.MariaDB) {
		return // of several rows MySQL makes the NULL a zero or an empty text
	}
	targets := p.Targets(n)
	for _, row := range values.Rows {
		for i, x := range row.Items {
			if i >= len(targets) || targets[i] == nil || !isNull(x) || !mustHave(p, t, targets[i]) || takesDefault(p, n, targets[i]) {
				continue
			}
			tellNull(p, x, t, targets[i].Name)
			return
		}
	}
}

// inBody fits a refusal to the body of a routine, which is taken and fails when it runs.
func inBody(p *check.Pass, n syntax.Node, f *check.Finding) {
	if p.Nearest(n, syntax.Kinds(syntax.KindRoutine, syntax.KindControl)) != nil {
		f.Verdicts = check.Everywhere(check.Wrong)
		f.Why += " The statement is refused when the routine runs."
	}
}

func gets(n int) string {
	if n == 1 {
		return "gets"
	}
	return "get"
}

func required(t *schema.Table) check.Certainty {
	if t.Gathered {
		return check.Possible // it may be of an earlier or later time
	}
	return check.Likely
}

// unfilled is required where a trigger could still give the value.
func unfilled(p *check.Pass, t *schema.Table) check.Certainty {
	if p.IsFilled(t) {
		return check.Possible
	}
	return required(t)
}

func queryValues(n *syntax.Insert) (*syntax.Values, bool) {
	if n.Query == nil {
		return nil, false
	}
	values, ok := n.Query.Body.(*syntax.Values)
	return values, ok
}

// longList is how many columns are looked through one by one.
const longList = 32

func missingColumns(p *check.Pass, t *schema.Table, n *syntax.Insert) (missing []string) {
	var named map[string]bool
	if len(n.Columns) > longList {
		named = make(map[string]bool, len(n.Columns))
		for _, id := range n.Columns {
			named[strings.ToLower(p.Names.String(id.Sym))] = true
		}
	}
	for i := range t.Columns {
		c := &t.Columns[i]
		if !mustHave(p, t, c) || c.Default != "" {
			continue
		}
		if !isListed(p, n, named, c.Name) {
			missing = append(missing, c.Name)
		}
	}
	return missing
}

// isListed reports whether an INSERT names a column, of a long list by its names in lower case.
func isListed(p *check.Pass, n *syntax.Insert, named map[string]bool, column string) bool {
	if named != nil {
		return named[strings.ToLower(column)]
	}
	return slices.ContainsFunc(n.Columns, func(id syntax.Ident) bool { return strings.EqualFold(p.Names.String(id.Sym), column) })
}

// mustHave reports whether a column takes no NULL, and the database does not fill it itself.
func mustHave(p *check.Pass, t *schema.Table, c *schema.Column) bool {
	place := t.Place(c)
	if place < 0 || c.Identity || c.Generated != "" || !t.IsRequired(place, p.Dialect) {
		return false
	}
	switch p.Dialect {
	case dialect.SQLite:
		return !(c.Primary && c.Type.Class == class.Integer) // a row number that it gives itself
	case dialect.MySQL, dialect.MariaDB:
		return c.Type.Class != class.Timestamp && c.Type.Word() != "enum" // which have values of their own
	case dialect.SQLServer:
		return c.Type.Word() != "rowversion" && c.Type.Word() != "timestamp" // which count the changes
	}
	return true
}

func runSetRequired(p *check.Pass, a *syntax.Assign) {
	if _, t, c := assigned(p, a); c != nil && isNull(a.Value) && mustHave(p, t, c) && !p.IgnoresErrors(a) && !takesDefault(p, a, c) {
		tellNull(p, a.Value, t, c.Name)
	}
}

// takesDefault reports whether a write puts a column's default in the place of NULL (SQLite, "The
// ON CONFLICT Clause", REPLACE).
func takesDefault(p *check.Pass, write syntax.Node, c *schema.Column) bool {
	return c.Default != "" && p.Dialect == dialect.SQLite && p.Replaces(write)
}

func tellNull(p *check.Pass, x syntax.Expr, t *schema.Table, column string) {
	f := check.Finding{Span: x.Span(), Certainty: unfilled(p, t),
		Message: fmt.Sprintf("%s of %s takes no NULL", column, t.Name),
		Why:     "The table declares it NOT NULL.",
		Mends:   []check.Mend{{Title: "give it a value", Effect: check.ByHand}},
	}
	inBody(p, x, &f)
	p.Report(f)
}

func isNull(x syntax.Expr) bool {
	l, ok := syntax.Unparen(x).(*syntax.Literal)
	return ok && l.Lit == syntax.NullLiteral
}

var columnsSwapped = &check.Check{
	ID:    "write.columns-swapped",
	Title: "INSERT whose query gives the columns in another order",
	Doc: "INSERT … SELECT fills columns by their order, not by their names. Where the query gives columns of the same names in another order, values land in the wrong columns, and as long as " +
		"the types fit, nobody complains.",
	Verdicts: check.Everywhere(check.Wrong),
	Examples: []check.Example{{
		Bad:  "INSERT INTO hives (hive_id, name, apiary_id, keeper_id, frame_count) SELECT o.hive_id + 900, o.name, o.keeper_id, o.apiary_id, o.frame_count FROM hives o WHERE o.hive_id = 1",
		Good: "INSERT INTO hives (hive_id, name, apiary_id, keeper_id, frame_count) SELECT o.hive_id + 900, o.name, o.apiary_id, o.keeper_id, o.frame_count FROM hives o WHERE o.hive_id = 1",
		Near: []string{
			"INSERT INTO hives (hive_id, name, apiary_id, keeper_id, frame_count) SELECT o.hive_id + 900, o.name, o.apiary_id, o.keeper_id, o.frame_count FROM hives o WHERE o.hive_id = 1",
			"INSERT INTO hives (hive_id, name, apiary_id, keeper_id, frame_count) SELECT o.queen_id + 900, o.name, o.apiary_id, o.keeper_id, o.hive_id FROM hives o WHERE o.queen_id = 1",
			"INSERT INTO hives (hive_id, name, apiary_id, keeper_id, frame_count) SELECT o.buyer_id + 900, o.name, 1, 1, 8 FROM buyers o",
		},
	}},
	On: check.Nodes(runColumnsSwapped),
}

func runColumnsSwapped(p *check.Pass, n *syntax.Insert) {
	if n.Query == nil || len(n.Columns) < 2 || len(n.Columns) > 100 {
		return
	}
	sel, ok := n.Query.Body.(*syntax.Select)
	if !ok || len(sel.Items) != len(n.Columns) {
		return
	}
	name := func(i int) syntax.Sym {
		item := sel.Items[i]
		if !item.Alias.IsZero() {
			return item.Alias.Sym
		}
		if x, ok := item.X.(*syntax.Name); ok {
			return x.Last().Sym
		}
		return 0
	}
	for i := range n.Columns {
		for k := i + 1; k < len(n.Columns); k++ {
			a, b := n.Columns[i], n.Columns[k]
			if a.Sym == b.Sym || name(i) != b.Sym || name(k) != a.Sym {
				continue
			}
			p.Report(check.Finding{
				Span: sel.Items[i].Span(), Context: n.Span(), Certainty: check.Likely,
				Message: fmt.Sprintf("%s goes into %s, and %s into %s", p.Ident(b), p.Ident(a), p.Ident(a), p.Ident(b)),
				Why:     "INSERT fills columns by their order; the names of the query do not count.",
				Related: []check.Related{{Span: a.Span, Message: "the column that takes it"}, {Span: sel.Items[k].Span(), Message: "exchanged with this"}},
				Mends:   []check.Mend{{Title: "give them in the order of the list", Effect: check.NewRows, Edits: p.Swap(sel.Items[i], sel.Items[k])}},
			})
			return
		}
	}
}

var columnTwice = &check.Check{
	ID:     "write.column-twice",
	Title:  "one column written twice",
	Errors: []string{"42701", "42601", "ORA-00957", "1110", "Msg 264"},
	Doc: "A column gets one value. Databases refuse an INSERT that lists it twice, but for SQLite, which takes one of the two. Of two assignments in SET MySQL, MariaDB and SQLite take the last, the others refuse " +
		"both.",
	Verdicts: check.Everywhere(check.Refused).But(check.Wrong, dialect.In(dialect.SQLite)),
	Examples: []check.Example{{
		Bad:  "UPDATE hives SET frame_count = 8, moved_on = NULL, frame_count = 9 WHERE hive_id = 7",
		Good: "UPDATE hives SET moved_on = NULL, frame_count = 9 WHERE hive_id = 7",
		Near: []string{
			"UPDATE hives SET frame_count = 8, moved_on = NULL WHERE hive_id = 7",
			"UPDATE hives SET frame_count = frame_count + frame_count WHERE hive_id = 7",
			"INSERT INTO queens (queen_id, name, bred_in) VALUES (31, 'Ada', 2026)",
		},
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "INSERT INTO queens (queen_id, name, bred_in, name) VALUES (901, 'Ada', 2026, 'Bea')",
		Near:    []string{"UPDATE hives h JOIN queens q ON q.queen_id = h.queen_id SET h.name = 'Ash', q.name = 'Ada' WHERE h.hive_id = 1"},
	}},
	On: check.Nodes(runListedTwice).And(check.Nodes(runSetTwice)),
}

func runListedTwice(p *check.Pass, n *syntax.Insert) {
	seen := map[syntax.Sym]syntax.Ident{}
	for _, c := range n.Columns {
		first, ok := seen[c.Sym]
		if !ok {
			seen[c.Sym] = c
			continue
		}
		if p.Ident(first) != p.Ident(c) || c.Sym == 0 {
			continue // in quotes letter case may tell them apart, and what templates put in
		}
		p.Report(check.Finding{
			Span: c.Span, Context: n.Span(), Certainty: check.Certain,
			Message: fmt.Sprintf("%s is listed twice", p.Ident(c)),
			Why:     "A column gets one value.",
			Related: []check.Related{{Span: first.Span, Message: "listed here"}},
			Mends:   []check.Mend{{Title: "drop one of the two with its value", Effect: check.ByHand}},
		})
		return
	}
}

func runSetTwice(p *check.Pass, n *syntax.Update) {
	if len(n.Set) < 2 {
		return
	}
	seen := map[string]int{}
	for i, a := range n.Set {
		target, ok := a.Target.(*syntax.Name)
		if !ok || target.Last().Sym == 0 {
			continue
		}
		name := strings.ToLower(p.Text(target))
		first, twice := seen[name]
		if !twice {
			seen[name] = i
			continue
		}
		f := check.Finding{Span: a.Span(), Context: n.Span(), Certainty: check.Certain,
			Message: fmt.Sprintf("%s is assigned twice", p.Brief(target)),
			Why:     "A column gets one value.",
			Related: []check.Related{{Span: n.Set[first].Span(), Message: "assigned here"}},
			Mends: []check.Mend{{Title: "keep the last of the two", Effect: check.NewRows,
				Edits: p.Remove(text.Span{Start: n.Set[first].Span().Start, End: n.Set[first+1].Span().Start})}},
		}
		if p.Dialect == dialect.MySQL || p.Dialect == dialect.MariaDB {
			f.Verdicts = p.Check.Verdicts.But(check.Wrong, dialect.In(p.Dialect))
			f.Why = "The last of the two counts."
		}
		p.Report(f)
		return
	}
}

var conflictTarget = &check.Check{
	ID:     "write.conflict-target",
	Title:  "ON CONFLICT on columns that are no key",
	Errors: []string{"42P10", "42601"},
	Doc: "ON CONFLICT (…) needs a primary key or unique index over exactly these columns, which tells it when two rows conflict. Without one PostgreSQL and SQLite refuse the statement. For DO UPDATE " +
		"PostgreSQL asks for the key; only DO NOTHING goes without.",
	Verdicts:  check.Everywhere(check.Fine).But(check.Refused, dialect.In(dialect.Postgres, dialect.SQLite)),
	Elsewhere: "only PostgreSQL and SQLite have ON CONFLICT",
	Needs:     check.Schema,
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "INSERT INTO hives (hive_id, name, apiary_id, keeper_id, frame_count) VALUES (1, 'Ash', 1, 1, 8) ON CONFLICT (name) DO NOTHING",
		Good:    "INSERT INTO hives (hive_id, name, apiary_id, keeper_id, frame_count) VALUES (1, 'Ash', 1, 1, 8) ON CONFLICT (hive_id) DO NOTHING",
		Near: []string{
			"INSERT INTO apiaries (apiary_id, name, keeper_id) VALUES (901, 'Mill Meadow', 1) ON CONFLICT (name) DO NOTHING",
			"INSERT INTO hives (hive_id, name, apiary_id, keeper_id, frame_count) VALUES (1, 'Ash', 1, 1, 8) ON CONFLICT DO NOTHING",
			"INSERT INTO hives (hive_id, name, apiary_id, keeper_id, frame_count) VALUES (1, 'Ash', 1, 1, 8) ON CONFLICT (hive_id) DO UPDATE SET name = 'Ash'",
		},
	}},
	On: check.Nodes(runConflictTarget).In(dialect.In(dialect.Postgres, dialect.SQLite)),
}

func runConflictTarget(p *check.Pass, n *syntax.Insert) {
	if n.OnConflict.IsEmpty() {
		return
	}
	if p.Dialect == dialect.Postgres && len(n.Conflict) > 0 && p.Tells(n) {
		behind := p.TokensIn(text.Span{Start: n.OnConflict.End, End: n.Span().End})
		if len(behind) > 0 && behind[0].Word() == word.Do {
			tellNoTarget(p, n)
			return
		}
	}
	if len(n.ConflictColumns) == 0 || n.Table == nil || len(p.Stmt.Errors) > 0 {
		return
	}
	source := p.SourceAt(n.Table)
	if source == nil || source.SchemaTable() == nil {
		return
	}
	t := source.SchemaTable()
	if !t.Complete || t.IsView || t.Gathered {
		return
	}
	var columns []int
	for _, id := range n.ConflictColumns {
		i := t.Column(p.Names.String(id.Sym))
		if i < 0 {
			return // name.unknown-column tells, or a class of operators stands there
		}
		columns = append(columns, i)
	}
	slices.Sort(columns)
	columns = slices.Compact(columns)
	same := func(key []int) bool {
		key = slices.Clone(key)
		slices.Sort(key)
		return slices.Equal(key, columns)
	}
	var keys []string
	for _, k := range t.Keys {
		if same(k.Columns) {
			return
		}
		keys = append(keys, keyNames(p, t, k))
	}
	for _, i := range t.Indexes {
		if i.Unique {
			return // it may be over these columns
		}
	}
	list := n.ConflictColumns[0].Span.Join(n.ConflictColumns[len(n.ConflictColumns)-1].Span)
	f := check.Finding{Span: list, Context: n.Span(), Certainty: check.Certain,
		Message: fmt.Sprintf("%s of %s is no key", p.BriefOf(list), t.Name),
		Why:     "Rows conflict by a primary key or a unique index over exactly these columns, and there is none.",
	}
	if len(keys) == 1 {
		f.Mends = []check.Mend{{Title: "conflict by the key: " + keys[0], Effect: check.NewRows, Edits: []text.Edit{check.Replace(list, keys[0])}}}
	} else {
		f.Mends = []check.Mend{{Title: "name the columns of a key, or create a unique index", Effect: check.ByHand}}
	}
	p.Report(f)
}

// tellNoTarget reports DO UPDATE that does not say by which key rows conflict.
func tellNoTarget(p *check.Pass, n *syntax.Insert) {
	f := check.Finding{
		Span: n.OnConflict, Context: n.Span(), Certainty: check.Certain, Verdicts: check.Everywhere(check.Fine).But(check.Refused, dialect.In(dialect.Postgres)),
		Message: "DO UPDATE does not say by which key rows conflict",
		Why:     "PostgreSQL updates the row that has the same key, and asks which key that is.",
		Mends:   []check.Mend{{Title: "name the columns of the key behind CONFLICT", Effect: check.ByHand}},
	}
	source := p.SourceAt(n.Table)
	if source != nil && source.SchemaTable() != nil && len(source.SchemaTable().Keys) == 1 {
		t := source.SchemaTable()
		f.Mends = []check.Mend{{Title: "name the key", Effect: check.NewRows, Edits: []text.Edit{check.Insert(n.OnConflict.End, " ("+keyNames(p, t, t.Keys[0])+")")}}}
	}
	p.Report(f)
}

// keyNames lists the columns of a key as the database writes them.
func keyNames(p *check.Pass, t *schema.Table, k schema.Key) string {
	var names []string
	for _, c := range k.Columns {
		names = append(names, p.Dialect.Name(t.Columns[c].Name, t.Columns[c].Quoted))
	}
	return strings.Join(names, ", ")
}

var parentDelete = &check.Check{
	ID:        "write.parent-delete",
	Title:     "DELETE of rows that others refer to",
	Errors:    []string{"23503", "ORA-02292", "1451", "Msg 547"},
	Doc:       "A row that another table refers to by a foreign key cannot be deleted, unless the key says ON DELETE CASCADE or SET NULL. The statement is refused as soon as it meets such a row.",
	Verdicts:  check.Everywhere(check.Wrong),
	Needs:     check.Schema,
	OnRequest: true,
	Examples: []check.Example{{
		Bad: "DELETE FROM queens WHERE queen_id = 999",
		Near: []string{
			"DELETE FROM sales WHERE sale_id = 999",
			"DELETE FROM queens WHERE NOT EXISTS (SELECT 1 FROM hives h WHERE h.queen_id = queens.queen_id) AND queen_id = 999",
			"UPDATE queens SET colour = 'blue' WHERE queen_id = 999",
		},
	}},
	On: check.Nodes(runParentDelete),
}

func runParentDelete(p *check.Pass, n *syntax.Delete) {
	scope := p.Scope(n)
	if !p.Wants(check.Possible) || scope == nil || len(scope.Sources) != 1 || p.Schema == nil {
		return
	}
	t := scope.Sources[0].SchemaTable()
	if t == nil || t.IsView {
		return
	}
	asks := false
	if n.Where != nil {
		syntax.Inspect(n.Where, func(x syntax.Node) bool {
			asks = asks || x.Kind() == syntax.KindQuery
			return !asks
		})
	}
	if asks {
		return // it looks at other tables itself
	}
	var children []string
	for _, other := range p.Schema.Children(t) {
		for _, k := range other.Foreign {
			if p.Schema.Table(k.Qualifier, k.Table) == t && other != t && !strings.Contains(k.OnDelete, "CASCADE") && !strings.HasPrefix(k.OnDelete, "SET") && !slices.Contains(children, other.Name) {
				children = append(children, other.Name)
			}
		}
	}
	if len(children) == 0 {
		return
	}
	first, _, ok := p.FirstTokens(n)
	if !ok {
		return
	}
	p.Report(check.Finding{
		Span: first.Span, Context: n.Span(), Certainty: check.Possible,
		Message: fmt.Sprintf("%s may still refer to these rows of %s", check.List(children, "or"), t.Name),
		Why:     "A foreign key without ON DELETE lets no row go that is referred to.",
		Mends:   []check.Mend{{Title: "delete or move what refers to them first", Effect: check.ByHand}},
	})
}
