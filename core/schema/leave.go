package schema

import (
	"slices"
	"strings"

	"justlens/core/dialect"
	"justlens/core/syntax"
)

// A text may go from one database or schema to another, by USE, psql's \c or SET search_path. What
// it made in the one is not in the other, and is there again when it comes back.

// mostMoved bounds how many tables are looked at as a text comes and goes, else a short USE would
// cost as much as all that was made before it. Beyond, nothing is certain of any.
const mostMoved = 20_000

// away holds the tables of the places that a text has left, by these.
type away struct {
	at     string // where the text is, in lower case, "" until it says so
	tables map[string][]*Table
	moved  int
}

// leave goes to another place: a database, which has tables of its own in each schema, or with
// within a schema, beside which tables with a qualifier stay in sight.
func (a applier) leave(to string, within bool) {
	s := a.schema
	if to = strings.ToLower(to); to == s.away.at || to == "public" && s.away.at == "" {
		s.away.at = to
		return
	}
	s.forget()
	from := s.away.at
	s.away.at = to
	if s.away.moved > mostMoved {
		a.openAll()
		return
	}
	var left []*Table
	for _, h := range s.tables {
		for _, e := range h.entries {
			if e.table != nil && (!within || e.qualifier == "") {
				left = append(left, e.table)
			}
		}
	}
	slices.SortFunc(left, byName)
	for _, t := range left {
		s.withdraw(t)
		s.putRelation(t.Name)
	}
	if s.away.tables == nil {
		s.away.tables = map[string][]*Table{}
	}
	s.away.tables[from] = left
	back := s.away.tables[to]
	delete(s.away.tables, to)
	for _, t := range back {
		s.put(t)
	}
	s.away.moved += len(s.tables) + len(left) + len(back)
}

// comeHome puts the tables of all places back at the end of a text; of one that another place has,
// too, it is not known which a name means.
func (a applier) comeHome() {
	places := make([]string, 0, len(a.schema.away.tables))
	for place := range a.schema.away.tables {
		places = append(places, place)
	}
	slices.Sort(places)
	for _, place := range places {
		for _, t := range a.schema.away.tables[place] {
			if other := a.schema.tables[strings.ToLower(t.Name)].at(strings.ToLower(placeOf(t))); other != nil && other.table != nil {
				a.openTable(other.table)
				continue
			}
			a.schema.put(t)
		}
	}
	a.schema.away = away{}
}

// dropSchema takes the tables out that a database or schema has which a statement drops.
func (a applier) dropSchema(statement string) {
	words := strings.FieldsFunc(strings.ToLower(statement[:min(len(statement), 500)]), func(r rune) bool { return strings.ContainsRune(" ,;", r) })
	if len(words) < 3 || words[1] != "database" && words[1] != "schema" {
		return
	}
	s := a.schema
	s.forget()
	for _, word := range words[2:] {
		name := lastName([]byte(word))
		delete(s.away.tables, name)
		for t := range s.with(inSchemaNamed, name) {
			if e := s.tables[strings.ToLower(t.Name)].at(strings.ToLower(placeOf(t))); e != nil && e.table == t && strings.EqualFold(t.Qualifier, name) {
				s.remove(t)
			}
		}
		if s.away.at == name {
			s.away.at = ""
			for _, h := range s.tables {
				if e := h.at(""); e != nil && e.table != nil {
					s.remove(e.table)
				}
			}
		}
	}
}

// withdraw takes a table of the schema's own out, as if it had never been put.
func (s *Schema) withdraw(t *Table) {
	name, qualifier := strings.ToLower(t.Name), strings.ToLower(placeOf(t))
	h := s.tables[name]
	if len(h.entries) == 1 {
		s.erase(name)
	} else {
		h.entries = slices.DeleteFunc(h.entries, func(e *entry) bool {
			if e.qualifier != qualifier {
				return false
			}
			e.table = nil // for the directories
			return true
		})
		delete(h.by, qualifier)
		h.live--
		s.live--
	}
	s.changes++
}

// goesTo tells where a statement goes that leaves, and whether that is a schema of the same database;
// ok is false where it does not say so in plain words.
func (a applier) goesTo(statement string) (to string, within, ok bool) {
	words := strings.FieldsFunc(strings.ToLower(statement[:min(len(statement), 200)]), func(r rune) bool { return strings.ContainsRune(" =,;", r) })
	if len(words) > 1 && words[0] == "alter" && words[1] == "session" {
		words = words[2:]
	}
	if len(words) > 0 && words[0] == "set" {
		words = words[1:]
	}
	if len(words) > 0 && (words[0] == "local" || words[0] == "session") {
		words = words[1:]
	}
	if len(words) < 2 {
		return "", false, false
	}
	switch words[0] {
	case "use":
		if name := words[1]; len(words) > 2 && (name == "database" || name == "schema" || name == "catalog" || name == "namespace") {
			words = words[1:]
		}
		return lastName([]byte(words[1])), a.schema.dialect != dialect.SQLServer, true
	case "connect", "schema", "search_path", "current_schema":
		for _, w := range words[1:] {
			if w != "to" && !strings.Contains(w, "$user") {
				return lastName([]byte(w)), true, true
			}
		}
	}
	return "", false, false
}

// Connect goes to the database that psql's \c before a statement names, in which nothing is of
// what the text made so far.
func (s *Schema) Connect(stmt *syntax.Statement, src []byte) {
	if command := strings.Fields(string(src[stmt.Connects.Start:stmt.Connects.End])); len(command) > 1 {
		applier{src: src, schema: s}.leave(strings.Join(command, " "), false)
	}
}
