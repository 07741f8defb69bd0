package types

import (
	"fmt"
	"slices"
	"strconv"
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/syntax"
	"justlens/core/text"
)

var length = &check.Check{
	ID:     "type.length",
	Title:  "length or precision that the type does not take",
	Errors: []string{"42601", "22023", "1074", "1425", "1426", "1427", "ORA-00907", "ORA-01727", "Msg 2716", "Msg 2750"},
	Doc: "Each database bounds the lengths and precisions of its types, and of some types takes none: int(11) is a habit of MySQL's that PostgreSQL, SQL Server, Oracle and " +
		"Spark refuse. Others need one: VARCHAR2 without a length is refused.",
	Verdicts: check.Everywhere(check.Refused).But(check.Fine, dialect.In(dialect.ANSI, dialect.SQLite)),
	Examples: []check.Example{{
		Dialect: dialect.Postgres,
		Bad:     "CREATE TABLE colonies (colony_id int(11), hue varchar(9))",
		Good:    "CREATE TABLE colonies (colony_id int, hue varchar(9))",
		Near: []string{
			"CREATE TABLE colonies (colony_id int, hue varchar(9), weight numeric(6, 2), seen timestamp(3), size float(24))",
			"SELECT CAST(name AS varchar(5)), CAST(frame_count AS numeric(10)) FROM hives",
		},
	}, {
		Dialect: dialect.Postgres,
		Bad:     "CREATE TABLE colonies (colony_id int, hue varchar(0))",
		Near:    []string{"CREATE TABLE colonies (colony_id int, weight numeric(5, 2), hue char(1))"},
	}, {
		Dialect: dialect.MariaDB,
		Bad:     "CREATE TABLE colonies (colony_id int(11), weight decimal(70, 2))",
		Near: []string{
			"CREATE TABLE colonies (colony_id int(11), weight decimal(65, 30), hue varchar(9), seen datetime(6))",
			"CREATE TABLE colonies (colony_id bigint(20) unsigned, remark text(500), hue char(255), flag bit(64))",
		},
	}, {
		Dialect: dialect.SQLServer,
		Bad:     "CREATE TABLE colonies (colony_id int, hue nvarchar(5000))",
		Near:    []string{"CREATE TABLE colonies (colony_id int, hue nvarchar(max), weight decimal(38, 10), seen datetime2(7))"},
	}, {
		Dialect: dialect.Oracle,
		Bad:     "CREATE TABLE colonies (colony_id NUMBER(19), hue VARCHAR2)",
		Near:    []string{"CREATE TABLE colonies (colony_id NUMBER(*, 2), hue VARCHAR2(9 CHAR), weight NUMBER(6, -2))"},
	}},
	On: check.Nodes(runLength).In(dialect.Everywhere &^ dialect.In(dialect.ANSI, dialect.SQLite)),
}

// bounds are what databases take in the parentheses of types. Sources are the chapters on data types
// in the reference manuals of the databases.
type bounds struct {
	in          dialect.Set
	types       string // in lower case, with a blank around each
	least, most int    // of the length or precision; most is 0 for types that take none
	scale       int    // the largest, 0 where there is none
	needed      bool   // a column must have a length
	stored      bool   // they bind columns alone, no casts
}

var (
	mysqls    = dialect.In(dialect.MySQL, dialect.MariaDB)
	postgres  = dialect.In(dialect.Postgres)
	sqlServer = dialect.In(dialect.SQLServer)
	oracle    = dialect.In(dialect.Oracle)
	spark     = dialect.In(dialect.Spark)
)

var allBounds = []bounds{
	{in: postgres, types: " char character varchar bpchar ", least: 1, most: 10485760},
	{in: postgres, types: " numeric decimal dec ", least: 1, most: 1000, scale: 1000},
	{in: postgres, types: " float ", least: 1, most: 53},
	{in: postgres, types: " int integer smallint bigint int2 int4 int8 real text boolean bool date uuid json jsonb bytea money xml serial bigserial "},
	{in: mysqls, types: " char character binary ", most: 255, stored: true},
	{in: mysqls, types: " varchar varbinary ", most: 65535, needed: true, stored: true},
	{in: dialect.In(dialect.MySQL), types: " decimal numeric dec ", most: 65, scale: 30},
	{in: dialect.In(dialect.MariaDB), types: " decimal numeric dec ", most: 65, scale: 38},
	{in: mysqls, types: " bit ", most: 64},
	{in: mysqls, types: " datetime timestamp time ", most: 6},
	{in: dialect.In(dialect.MySQL), types: " tinyint smallint mediumint int integer bigint ", most: 255},
	{in: sqlServer, types: " char character varchar binary varbinary ", least: 1, most: 8000},
	{in: sqlServer, types: " nchar nvarchar ", least: 1, most: 4000},
	{in: sqlServer, types: " decimal numeric dec ", least: 1, most: 38, scale: 38},
	{in: sqlServer, types: " datetime2 time datetimeoffset ", most: 7},
	{in: sqlServer, types: " float ", least: 1, most: 53},
	{in: sqlServer, types: " int integer bigint smallint tinyint bit date datetime smalldatetime real money smallmoney text ntext image uniqueidentifier rowversion "},
	{in: oracle, types: " varchar2 varchar raw ", least: 1, most: 32767, needed: true},
	{in: oracle, types: " nvarchar2 ", least: 1, most: 16383, needed: true},
	{in: oracle, types: " number numeric decimal dec ", least: 1, most: 38, scale: 127},
	{in: oracle, types: " timestamp ", most: 9},
	{in: oracle, types: " float ", least: 1, most: 126},
	{in: oracle, types: " int integer smallint date clob nclob blob real boolean binary_double binary_float "},
	{in: spark, types: " decimal dec numeric ", most: 38, scale: 38},
	{in: spark, types: " char character varchar ", least: 1, most: 1<<31 - 1, needed: true},
	{in: spark, types: " int integer bigint smallint tinyint string boolean date timestamp double float real binary long short byte "},
}

func runLength(p *check.Pass, t *syntax.TypeName) {
	if len(t.Parts) != 1 || t.Parts[0].Quoted || t.Array || len(t.Args) > 2 || !p.Tells(t) || p.Stmt.Lax {
		return
	}
	name := p.Names.String(t.Parts[0].Sym)
	at := slices.IndexFunc(allBounds, func(b bounds) bool { return b.in.Has(p.Dialect) && b.has(name) })
	if at < 0 {
		return
	}
	written := text.View(p.Src, t.Parts[0].Span)
	_, column := p.Parent(t).(*syntax.ColumnDef)
	switch b := allBounds[at]; {
	case b.stored && !column:
	case len(t.Args) == 0:
		if b.needed && column && t.Span() == t.Parts[0].Span {
			tellLength(p, t, fmt.Sprintf("%s needs a length", written), []check.Mend{{Title: "write how long it may be, in parentheses", Effect: check.ByHand}})
		}
	case b.most == 0:
		if p.Src[t.Span().End-1] != ')' {
			return
		}
		args := text.Span{Start: t.Parts[0].Span.End, End: t.Span().End}
		mend := check.Mend{Title: "write " + written, Effect: check.NewRows, Edits: []text.Edit{check.Replace(args, "")}}
		tellLength(p, t, fmt.Sprintf("%s takes no length", written), []check.Mend{mend})
	default:
		b.look(p, t, written)
	}
}

// has reports whether bounds are those of a type, given in lower case.
func (b bounds) has(name string) bool {
	return strings.Contains(b.types, " "+name+" ")
}

// look compares what stands in the parentheses with what the database takes.
func (b bounds) look(p *check.Pass, t *syntax.TypeName, name string) {
	first, ok := digitsIn(p, t.Args[0])
	what := "length"
	if b.scale > 0 || b.has("time") || b.has("timestamp") || b.has("float") {
		what = "precision"
	}
	byHand := func(title string) []check.Mend { return []check.Mend{{Title: title, Effect: check.ByHand}} }
	switch {
	case !ok:
	case first < b.least || first > b.most:
		tellLength(p, t, fmt.Sprintf("the %s of %s is %d to %s, not %s", what, name, b.least, text.Thousands(b.most), text.Thousands(first)), byHand("write a "+what+" that fits, or another type"))
	case len(t.Args) == 2 && b.scale > 0:
		scale, ok := digitsIn(p, t.Args[1])
		switch {
		case !ok:
		case scale > b.scale:
			tellLength(p, t, fmt.Sprintf("the scale of %s is at most %d, not %s", name, b.scale, text.Thousands(scale)), byHand("write a scale that fits"))
		case scale > first && !(postgres | oracle).Has(p.Dialect) && first > 0:
			tellLength(p, t, fmt.Sprintf("%s of %d digits cannot have %d behind the point", name, first, scale), byHand("write the digits in all first, then those behind the point"))
		}
	}
}

// digitsIn gives the value of a literal without sign or point, and whether it is one.
func digitsIn(p *check.Pass, x syntax.Expr) (int, bool) {
	lit, ok := x.(*syntax.Literal)
	if !ok || lit.Lit != syntax.NumberLiteral {
		return 0, false
	}
	n, err := strconv.Atoi(p.Text(x))
	return n, err == nil
}

func tellLength(p *check.Pass, t *syntax.TypeName, message string, mends []check.Mend) {
	p.Report(check.Finding{
		Span: t.Span(), Certainty: check.Certain, Message: message,
		Why:   fmt.Sprintf("%s refuses the type.", p.Dialect.Title()),
		Mends: mends,
	})
}
