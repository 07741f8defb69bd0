package names

import (
	"fmt"
	"slices"
	"strings"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/facts"
	"justlens/core/syntax"
	"justlens/core/text"
)

var unknownAlias = &check.Check{
	ID:     "name.unknown-alias",
	Title:  "qualifier that no source has",
	Errors: []string{"42P01", "ORA-00904", "1054", "1051", "1109", "Msg 4104", "42704"},
	Doc: "What stands before the dot is neither a table nor an alias of this query or one around it. A table that was given an alias answers to " +
		"the alias only.",
	Verdicts: check.Everywhere(check.Refused),
	Examples: []check.Example{{
		Bad:  "SELECT hives.name FROM hives AS h",
		Good: "SELECT h.name FROM hives AS h",
		Near: []string{
			"SELECT hives.name FROM hives",
			"SELECT h.name FROM hives AS h WHERE EXISTS (SELECT 1 FROM queens AS q WHERE q.queen_id = h.queen_id)",
		},
	}, {
		NoSchema: true,
		Bad:      "SELECT h.name, queen.colour FROM hives AS h JOIN queens AS q ON q.queen_id = h.queen_id",
		Good:     "SELECT h.name, q.colour FROM hives AS h JOIN queens AS q ON q.queen_id = h.queen_id",
	}, {
		Dialect: dialect.Oracle,
		Near:    []string{"SELECT hive_ids.NEXTVAL FROM dual"},
	}},
	On: check.Names(unknownQualifierOfName, bind.NoSource).And(check.Nodes(unknownQualifierOfStar)).And(check.Nodes(unknownWindow)).And(check.Nodes(unknownLocked).With(facts.Locking).In(dialect.In(dialect.Postgres, dialect.MySQL))),
}

func unknownQualifierOfName(p *check.Pass, n *syntax.Name) {
	if p.Tells(n) {
		qualifier := n.Qualifier()
		qualifier.Span.Start = n.Parts[0].Span.Start // with its schema
		unknownQualifier(p, qualifier, p.Use(n).Scope)
	}
}

func unknownQualifierOfStar(p *check.Pass, n *syntax.Star) {
	if len(n.Qualifier) != 1 || !p.Tells(n) {
		return
	}
	reads, _ := p.Enclosing(n, syntax.Kinds(syntax.KindSelect, syntax.KindInsert, syntax.KindUpdate, syntax.KindDelete, syntax.KindMerge))
	if reads == nil || p.Scope(reads) == nil {
		return
	}
	if reads.Kind() != syntax.KindSelect {
		switch p.Names.String(n.Qualifier[0].Sym) {
		case "inserted", "deleted", "old", "new", "excluded": // the rows of OUTPUT, RETURNING and ON CONFLICT
			return
		}
	}
	scope := p.Scope(reads)
	depth := 0
	for at := scope; at != nil; at = at.Parent {
		if depth++; depth > bind.MostNested || at.Own(n.Qualifier[0].Sym) != nil || at.Own(0) != nil || slices.Contains(at.Joined, n.Qualifier[0].Sym) {
			return
		}
	}
	if p.TellsNames(scope) {
		unknownQualifier(p, n.Qualifier[0], scope)
	}
}

// unknownLocked reports a name behind FOR UPDATE OF that no source has.
func unknownLocked(p *check.Pass, q *syntax.Query) {
	sel, ok := q.Body.(*syntax.Select)
	if len(q.LockOf) == 0 || !ok || p.Scope(sel) == nil || len(p.Scope(sel).Sources) > mostSources || !p.TellsNames(p.Scope(sel)) {
		return
	}
	scope := p.Scope(sel)
	for _, id := range q.LockOf {
		known := slices.ContainsFunc(scope.Sources, func(s *bind.Source) bool { return s.Name.Sym == id.Sym || s.Name.Sym == 0 })
		if !known && id.Sym != 0 && !slices.Contains(scope.Joined, id.Sym) {
			unknownQualifier(p, id, scope)
		}
	}
}

// unknownWindow reports OVER name where no WINDOW clause defines the name.
func unknownWindow(p *check.Pass, w *syntax.Window) {
	call, ok := p.Parent(w).(*syntax.Call)
	sel := p.SelectOf(w)
	name := w.Name
	if name.IsZero() {
		name = w.Base
	}
	if !ok || call.Over != w || name.IsZero() || sel == nil || len(sel.Windows) > mostSources || !p.Tells(w) {
		return
	}
	for _, defined := range sel.Windows {
		if defined.Name.Sym == name.Sym {
			return
		}
	}
	p.Report(check.Finding{
		Span: name.Span, Certainty: check.Certain,
		Message: fmt.Sprintf("no window is called %s", p.Ident(name)),
		Why:     "OVER with a bare name means a window that the WINDOW clause of the same query defines.",
		Mends:   []check.Mend{{Title: "define it, or write the window in parentheses", Effect: check.ByHand}},
	})
}

// mostAround bounds the queries around one whose tables are offered.
const mostAround = 16

func unknownQualifier(p *check.Pass, qualifier syntax.Ident, within *bind.Scope) {
	f := check.Finding{
		Span: qualifier.Span, Certainty: check.Certain,
		Message: fmt.Sprintf("no table or alias of this query is called %s", p.Ident(qualifier)),
		Why:     "Neither FROM nor a query around this one has it.",
	}
	if within != nil {
		if s := within.Own(qualifier.Sym); s != nil && s.Node != nil {
			return // join.comma-precedence tells
		}
	}
	var scopes []*bind.Scope
	for scope := within; scope != nil && len(scopes) < mostAround; scope = scope.Parent {
		scopes = append(scopes, scope)
		if s := scope.Own(0); s != nil && isUnnamed(p, s) {
			return // name.derived-without-alias tells
		}
	}
	if !p.Affords() {
		p.Report(f)
		return
	}
	var candidates []string
	var refs []*syntax.TableRef
	for _, scope := range scopes {
		for _, s := range scope.Sources {
			if s.Name.Sym == 0 {
				continue
			}
			candidates = append(candidates, p.Names.String(s.Name.Sym))
			ref, ok := s.Node.(*syntax.TableRef)
			if ok && !ref.Alias.IsZero() && ref.Name[len(ref.Name)-1].Sym == qualifier.Sym {
				refs = append(refs, ref)
			}
		}
	}
	if len(refs) > 0 {
		aliased(p, f, qualifier, refs)
		return
	}
	if near := initialOf(p, within, p.Names.String(qualifier.Sym)); near != "" {
		f.Mends = []check.Mend{{Title: "say " + near, Effect: check.NewRows, Edits: []text.Edit{check.Replace(qualifier.Span, near)}}}
	} else if len(candidates) > 0 {
		f.Why += fmt.Sprintf(" There is %s.", check.List(candidates, "and"))
	}
	p.Report(f)
}

// isUnnamed reports whether a source is a query in FROM without the name that it must have.
func isUnnamed(p *check.Pass, s *bind.Source) bool {
	_, derived := s.Node.(*syntax.Derived)
	return derived && !unnamedDerived.Has(p.Dialect)
}

// aliased reports a table's own name where FROM calls it otherwise.
func aliased(p *check.Pass, f check.Finding, qualifier syntax.Ident, refs []*syntax.TableRef) {
	var names []string
	for _, ref := range refs {
		alias := p.Ident(ref.Alias)
		names = append(names, alias)
		f.Related = append(f.Related, check.Related{Span: ref.Span(), Message: "named here"})
		f.Mends = append(f.Mends, check.Mend{Title: "say " + alias, Effect: check.NewRows, Edits: []text.Edit{check.Replace(qualifier.Span, alias)}})
	}
	f.Why = fmt.Sprintf("FROM gives the table the alias %s, and then only the alias can be used.", check.List(names, "and"))
	if len(refs) > 1 { // which of them is meant only the author knows
		f.Why = fmt.Sprintf("FROM has the table more than once, and calls it %s; it answers to those names only.", check.List(names, "and"))
		f.Mends = []check.Mend{{Title: "say which is meant: " + check.List(names, "or"), Effect: check.ByHand}}
	}
	p.Report(f)
}

// initialOf gives the one source that a wrong qualifier most likely means: by
// its own name or that of its table, spelt almost alike.
func initialOf(p *check.Pass, scope *bind.Scope, qualifier string) string {
	found := ""
	for _, s := range scope.Sources {
		names := []string{p.Names.String(s.Name.Sym)}
		if ref, ok := s.Node.(*syntax.TableRef); ok {
			names = append(names, p.Names.String(ref.Name[len(ref.Name)-1].Sym))
		}
		for _, n := range names {
			if text.Nearest(qualifier, []string{n}) != "" || len(qualifier) > 2 && strings.HasPrefix(n, qualifier) {
				if found != "" && found != p.Ident(s.Name) {
					return ""
				}
				found = p.Ident(s.Name)
			}
		}
	}
	return found
}
