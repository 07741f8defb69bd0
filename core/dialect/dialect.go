package dialect

import (
	"fmt"
	"maps"
	"slices"
	"strings"

	"justlens/core/dialect/word"
	"justlens/core/text"
)

// Dialect is a database's way to write SQL. The zero value is the standard.
type Dialect uint8

const (
	ANSI Dialect = iota
	Postgres
	MySQL
	MariaDB
	SQLite
	SQLServer
	Oracle
	Spark

	// Count is the number of dialects.
	Count
)

var names = [Count]string{"ansi", "postgres", "mysql", "mariadb", "sqlite", "sqlserver", "oracle", "spark"}

var titles = [Count]string{"standard SQL", "PostgreSQL", "MySQL", "MariaDB", "SQLite", "SQL Server", "Oracle", "Spark"}

// String gives the name that options and reports use, in lower case.
func (d Dialect) String() string { return names[d] }

// Title gives the name for people.
func (d Dialect) Title() string { return titles[d] }

// All lists the dialects in their fixed order.
func All() []Dialect {
	return []Dialect{ANSI, Postgres, MySQL, MariaDB, SQLite, SQLServer, Oracle, Spark}
}

// Parse finds a dialect by its name; letter case does not matter.
func Parse(name string) (Dialect, error) {
	for i, n := range names {
		if strings.EqualFold(n, name) {
			return Dialect(i), nil
		}
	}
	if d, ok := aliases[strings.ToLower(name)]; ok {
		return d, nil
	}
	meant := ""
	if near := text.Nearest(name, append(slices.Sorted(maps.Keys(aliases)), names[:]...)); near != "" {
		meant = fmt.Sprintf("; did you mean %s?", near)
	}
	return ANSI, fmt.Errorf("unknown dialect %q: choose auto, %s%s", name, strings.Join(names[:], ", "), meant)
}

// aliases are other names by which people call the dialects.
var aliases = map[string]Dialect{
	"postgresql": Postgres, "pg": Postgres, "mssql": SQLServer, "tsql": SQLServer, "sqlite3": SQLite, "plsql": Oracle, "sparksql": Spark,
}

// Set is a set of dialects.
type Set uint16

// In makes a set.
func In(ds ...Dialect) Set {
	var s Set
	for _, d := range ds {
		s |= 1 << d
	}
	return s
}

// Everywhere holds all dialects.
const Everywhere Set = 1<<Count - 1

// Has reports whether d is in the set.
func (s Set) Has(d Dialect) bool { return s>>d&1 != 0 }

// Reserves reports whether the dialect refuses the word as a bare column name.
func (d Dialect) Reserves(w word.Word) bool { return reserved[w].Has(d) }

// ReservedIn gives the dialects that reserve the word.
func ReservedIn(w word.Word) Set { return reserved[w] }

// Quote puts a name between the dialect's quotes.
func (d Dialect) Quote(name string) string {
	switch {
	case d == SQLServer:
		return "[" + strings.ReplaceAll(name, "]", "]]") + "]"
	case d.Has(DoubleQuotedText):
		return "`" + strings.ReplaceAll(name, "`", "``") + "`"
	}
	return `"` + strings.ReplaceAll(name, `"`, `""`) + `"`
}

// Name writes a name bare where the dialect reads it so, else in quotes. exact
// tells that its letter case matters, as that of a name created in quotes does.
func (d Dialect) Name(name string, exact bool) string {
	plain, folded := name != "", true
	for i, c := range name {
		letter := 'a' <= c && c <= 'z' || c == '_'
		upper := 'A' <= c && c <= 'Z'
		plain = plain && (letter || upper || i > 0 && '0' <= c && c <= '9')
		folded = folded && (!upper || d == Oracle) && (!letter || c == '_' || d != Oracle)
	}
	if !plain || d.Reserves(word.Find(name)) || exact && !folded && (d == Postgres || d == Oracle || d == ANSI) {
		return d.Quote(name)
	}
	return name
}
