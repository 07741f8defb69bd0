package names

import (
	"fmt"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/dialect/word"
	"justlens/core/syntax"
)

var variableHidesColumn = &check.Check{
	ID:    "name.variable-hides-column",
	Title: "a variable or parameter with a column's name",
	Doc: "In a routine a bare name may be a parameter, a variable or a column. MySQL and MariaDB take the variable, so that WHERE hive_id = hive_id is true of " +
		"every row; Oracle, Spark and PostgreSQL's LANGUAGE sql take the column, with the same effect; PL/pgSQL refuses the query when it runs.",
	Verdicts: check.Everywhere(check.Wrong).But(check.Refused, dialect.In(dialect.Postgres)).But(check.Fine, dialect.In(dialect.SQLServer, dialect.SQLite)),
	Examples: []check.Example{{
		Dialect: dialect.MariaDB,
		Bad:     "CREATE PROCEDURE move_hive(hive_id integer, apiary integer) UPDATE hives SET apiary_id = apiary WHERE hive_id = hive_id",
		Near: []string{
			"CREATE PROCEDURE move_one(p_hive_id integer, apiary integer) UPDATE hives SET apiary_id = apiary WHERE hive_id = p_hive_id",
			"CREATE PROCEDURE rename_hive(name varchar(40), p_hive_id integer) INSERT INTO hives (hive_id, name) VALUES (p_hive_id, name)",
			"CREATE PROCEDURE rename_one(hive varchar(40), p_hive_id integer) UPDATE hives SET name = hive WHERE hive_id = p_hive_id",
		},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "CREATE FUNCTION frames_of(hive_id integer) RETURNS integer LANGUAGE plpgsql AS $$ BEGIN RETURN (SELECT h.frame_count FROM hives h WHERE h.hive_id = hive_id); END $$",
		Near: []string{
			"CREATE FUNCTION frames_of(p_hive_id integer) RETURNS integer LANGUAGE plpgsql AS $$ BEGIN RETURN (SELECT h.frame_count FROM hives h WHERE h.hive_id = p_hive_id); END $$",
			"CREATE FUNCTION name_hive(name text) RETURNS void LANGUAGE plpgsql AS $$ BEGIN UPDATE hives SET name = 'Ash' WHERE hives.hive_id = 1; END $$",
		},
	}},
	On: check.Nodes(runVariableHidesColumn),
}

func runVariableHidesColumn(p *check.Pass, r *syntax.Routine) {
	if len(r.Declared) == 0 || !p.Tells(r) {
		return
	}
	declared := map[syntax.Sym]syntax.Ident{}
	for _, id := range r.Declared {
		if _, ok := declared[id.Sym]; !ok {
			declared[id.Sym] = id
		}
	}
	whose := p.NamesMean(p.Stmt, r)
	told := map[syntax.Sym]bool{}
	syntax.Walk(r, func(n syntax.Node, k syntax.Kind) {
		if k != syntax.KindName {
			return
		}
		name := n.(*syntax.Name)
		id, ok := declared[name.Last().Sym]
		if !ok || len(name.Parts) != 1 || told[id.Sym] || isTarget(p, name) {
			return
		}
		other := comparedWith(p, name)
		itself := other != nil && len(other.Parts) == 1
		column := columnOfTable(p, name)
		switch {
		case whose == bind.AsNeither && p.Dialect == dialect.Postgres && column != nil:
		case itself && (whose != bind.AsNeither || p.Dialect != dialect.Postgres || column != nil):
		case whose == bind.AsColumn && column != nil && other != nil && p.Use(other).Source == column:
		default:
			return // one of the two, as it was meant
		}
		told[id.Sym] = true
		p.Report(hiding(p, name, id, whose, column))
	})
}

// hiding tells of a name that is a variable and, where a table is known to have it, a column.
func hiding(p *check.Pass, name *syntax.Name, id syntax.Ident, whose bind.Meaning, column *bind.Source) check.Finding {
	f := check.Finding{
		Span: name.Span(), Certainty: check.Certain,
		Related: []check.Related{{Span: id.Span, Message: "declared here"}},
		Mends:   []check.Mend{{Title: "give the variable a name that no column has, or qualify both", Effect: check.ByHand}},
	}
	if column == nil || !column.SchemaTable().Complete || declaresTwice(p) {
		f.Certainty = check.Likely
	}
	if whose == bind.AsNeither && p.Dialect == dialect.Postgres {
		f.Message = fmt.Sprintf("%s is a variable and a column", p.Text(name))
		f.Why = "PL/pgSQL does not choose between the two: it refuses the query when it runs."
		return f
	}
	f.Message = fmt.Sprintf("%s is compared with itself", p.Text(name))
	f.Why = "The variable and the column have one name, so both sides mean the same, and the condition says nothing."
	switch whose {
	case bind.AsVariable:
		f.Verdicts = check.Everywhere(check.Wrong)
		f.Why = "Both sides mean the variable of that name, not the column, so the condition says nothing."
	case bind.AsColumn:
		f.Verdicts = check.Everywhere(check.Wrong)
		f.Why = "Both sides mean the column of that name, not the variable, so the condition says nothing."
	}
	return f
}

// declaresTwice reports whether a routine declares in several places, of which a name may
// see one or another.
func declaresTwice(p *check.Pass) bool {
	n := 0
	for _, t := range p.Stmt.Tokens {
		if t.Word() == word.Declare {
			n++
		}
	}
	return n > 1 && !p.Dialect.Has(dialect.ExecutedComments)
}

// columnOfTable gives the source whose column a bare name would be, nil where no known table
// of the query has it.
func columnOfTable(p *check.Pass, name *syntax.Name) *bind.Source {
	u := p.Use(name)
	source := u.Source
	if u.Status != bind.Resolved {
		if len(u.Candidates()) != 1 || u.Status != bind.Variable && u.Status != bind.Unclear {
			return nil
		}
		source = u.Candidates()[0]
	}
	if source == nil || source.SchemaTable() == nil {
		return nil
	}
	return source
}

// isTarget reports whether a name is what an assignment fills, or stands where no query
// reads columns.
func isTarget(p *check.Pass, name *syntax.Name) bool {
	a, ok := p.Above(name).(*syntax.Assign)
	return ok && a.Target == syntax.Expr(name)
}

// comparedWith gives the column of the same name with which a condition of a query compares
// a name by =, nil if there is none.
func comparedWith(p *check.Pass, name *syntax.Name) *syntax.Name {
	b, ok := p.Above(name).(*syntax.Binary)
	if !ok || b.Op != syntax.OpEqual {
		return nil
	}
	if clause, _ := p.Enclosing(name, syntax.Kinds(syntax.KindWhere, syntax.KindJoin, syntax.KindUpdate, syntax.KindDelete)); clause == nil {
		return nil
	}
	other, ok := syntax.Unparen(b.Y).(*syntax.Name)
	if other == name {
		other, ok = syntax.Unparen(b.X).(*syntax.Name)
	}
	if !ok || other.Last().Sym != name.Last().Sym {
		return nil
	}
	return other
}
