package writes

import (
	"fmt"
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/dialect/word"
	"justlens/core/schema"
	"justlens/core/syntax"
	"justlens/core/text"
)

// rowTriggers are the dialects whose triggers name the rows NEW and OLD; Oracle says :NEW and :OLD.
var rowTriggers = dialect.In(dialect.MySQL, dialect.MariaDB, dialect.SQLite, dialect.Oracle)

var triggerRow = &check.Check{
	ID:        "write.trigger-row",
	Title:     "row that the trigger does not have, or cannot change",
	Errors:    []string{"1054", "1362", "1363", "ORA-04084", "ORA-04085", "PLS-00049"},
	Elsewhere: "PostgreSQL has its triggers' bodies in functions, and SQL Server's have tables of rows",
	Doc: "Before an INSERT there is no OLD row, and behind a DELETE no NEW one; MySQL, MariaDB and SQLite refuse to name them, in Oracle they are NULL. OLD cannot be changed at all, and NEW only " +
		"before it is written: in a BEFORE trigger. Both have the columns of the table and no others.",
	Verdicts: check.Everywhere(check.Fine).But(check.Refused, rowTriggers),
	Examples: []check.Example{{
		Dialect: dialect.MariaDB,
		Bad:     "CREATE TRIGGER painted BEFORE INSERT ON queens FOR EACH ROW SET NEW.name = UPPER(OLD.name)",
		Good:    "CREATE TRIGGER painted BEFORE INSERT ON queens FOR EACH ROW SET NEW.name = UPPER(NEW.name)",
		Near: []string{
			"CREATE TRIGGER painted BEFORE UPDATE ON queens FOR EACH ROW SET NEW.name = UPPER(OLD.name); DROP TRIGGER painted",
			"CREATE TRIGGER painted AFTER DELETE ON queens FOR EACH ROW DELETE FROM hives WHERE queen_id = OLD.queen_id; DROP TRIGGER painted",
			"CREATE TRIGGER painted AFTER INSERT ON queens FOR EACH ROW SET @last = NEW.queen_id; DROP TRIGGER painted",
		},
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "CREATE TRIGGER painted AFTER UPDATE ON queens FOR EACH ROW SET NEW.name = UPPER(NEW.name)",
		Near:    []string{"CREATE TRIGGER painted BEFORE UPDATE ON queens FOR EACH ROW SET NEW.name = UPPER(NEW.name); DROP TRIGGER painted"},
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "CREATE TRIGGER painted BEFORE UPDATE ON queens FOR EACH ROW SET NEW.nam = UPPER(OLD.name)",
		Good:    "CREATE TRIGGER painted BEFORE UPDATE ON queens FOR EACH ROW SET NEW.name = UPPER(OLD.name)",
		Near:    []string{"CREATE TRIGGER painted BEFORE UPDATE ON queens FOR EACH ROW SET NEW.colour = OLD.colour; DROP TRIGGER painted"},
	}},
	On: check.Nodes(runTriggerRow).In(rowTriggers),
}

func runTriggerRow(p *check.Pass, r *syntax.Routine) {
	if len(r.Fires.Table) == 0 || !p.Tells(r) || renamesRows(p, r) {
		return
	}
	t := p.TableNamed(r.Fires.Table)
	if t != nil && (!t.Complete || t.IsView) {
		t = nil
	}
	tokens := p.TokensIn(r.Span())
	begun := r.Fires.Table[len(r.Fires.Table)-1].Span.End // what stands before it is the head
	for i := 1; i+2 < len(tokens); i++ {
		row := rowOf(p, tokens[i])
		if row == "" || tokens[i].Span.Start < begun || tokens[i-1].Kind == syntax.Dot || tokens[i+1].Kind != syntax.Dot {
			continue
		}
		if column := tokens[i+2]; column.Kind == syntax.WordToken || column.Kind == syntax.QuotedName {
			one := triggerColumn{p, r, row, tokens[i], column}
			if f, ok := one.fault(t, isTarget(p, tokens, i)); ok {
				p.Report(f)
			}
		}
	}
}

// renamesRows reports whether the words REFERENCING or AS stand before other names of the rows.
func renamesRows(p *check.Pass, r *syntax.Routine) bool {
	tokens := p.TokensIn(r.Span())
	for i := 1; i < len(tokens); i++ {
		if name := strings.ToLower(text.View(p.Src, tokens[i].Span)); name == "referencing" || (name == "new" || name == "old") && tokens[i-1].Word() == word.As {
			return true
		}
	}
	return false
}

// rowOf gives NEW or OLD where a token names that row, "" elsewhere.
func rowOf(p *check.Pass, t syntax.Token) string {
	written := text.View(p.Src, t.Span)
	if p.Dialect == dialect.Oracle {
		if !strings.HasPrefix(written, ":") {
			return ""
		}
		written = written[1:]
	}
	switch {
	case strings.EqualFold(written, "new"):
		return "NEW"
	case strings.EqualFold(written, "old"):
		return "OLD"
	}
	return ""
}

// isTarget reports whether the column of a row, which begins at the i-th token, is given a value: by
// SET, or by := in PL/SQL.
func isTarget(p *check.Pass, tokens []syntax.Token, i int) bool {
	if i+3 >= len(tokens) {
		return false
	}
	if p.Dialect == dialect.Oracle {
		return tokens[i+3].Kind == syntax.AssignOperator
	}
	if tokens[i+3].Kind != syntax.Equal && tokens[i+3].Kind != syntax.AssignOperator || p.Dialect == dialect.SQLite {
		return false
	}
	return tokens[i-1].Word() == word.Set
}

// triggerColumn is a column of a row that a trigger names.
type triggerColumn struct {
	p          *check.Pass
	trigger    *syntax.Routine
	row        string
	at, column syntax.Token
}

// fault tells what is wrong with it, if anything is.
func (c triggerColumn) fault(t *schema.Table, target bool) (f check.Finding, wrong bool) {
	p, fires := c.p, c.trigger.Fires
	f = check.Finding{Span: c.at.Span.Join(c.column.Span), Certainty: check.Certain}
	name := p.Names.String(c.column.Sym)
	other, without := "NEW", ""
	switch {
	case c.row == "OLD" && fires.Insert && !fires.Update && !fires.Delete:
		without = "a trigger of INSERT has no OLD row"
	case c.row == "NEW" && fires.Delete && !fires.Insert && !fires.Update:
		other, without = "OLD", "a trigger of DELETE has no NEW row"
	}
	switch {
	case without != "" && p.Dialect != dialect.Oracle:
		f.Message, f.Why = without, "There is no such row: nothing stood there before, or nothing will."
		f.Mends = []check.Mend{{Title: "write " + other, Effect: check.NewRows, Edits: []text.Edit{c.say(other)}}}
	case target && c.row == "OLD":
		f.Message, f.Why = "OLD cannot be changed", "It is the row as it was."
		f.Mends = []check.Mend{{Title: "set the column of NEW", Effect: check.NewRows, Edits: []text.Edit{c.say("NEW")}}}
	case target && fires.After:
		f.Message, f.Why = "NEW is written already when a trigger AFTER the change runs", "Only a trigger BEFORE it can set its columns."
		f.Mends = []check.Mend{{Title: "make it a BEFORE trigger", Effect: check.ByHand}}
	case t != nil && t.Column(name) < 0 && !isRowNumber(name):
		f.Span, f.Certainty = c.column.Span, check.Certain
		f.Message, f.Why = fmt.Sprintf("%s has no column %s", t.Name, text.View(p.Src, c.column.Span)), "NEW and OLD have the columns of the table."
		var columns []string
		for _, column := range t.Columns {
			columns = append(columns, column.Name)
		}
		p.OfferNearest(&f, name, columns)
	default:
		return f, false
	}
	return f, true
}

// say makes the edit that names the other row.
func (c triggerColumn) say(row string) text.Edit {
	word := text.Span{Start: c.at.Span.End - text.Pos(len(row)), End: c.at.Span.End} // behind Oracle's colon
	return check.Replace(word, c.p.Word(word.Start, row))
}

// isRowNumber reports whether SQLite or Oracle have a column of the name that no definition lists.
func isRowNumber(name string) bool {
	switch name {
	case "rowid", "oid", "_rowid_":
		return true
	}
	return false
}
