package dialect

import (
	"slices"
	"strings"

	"justlens/core/dialect/word"
)

// Clues weighs what was seen in a text for each dialect.
type Clues struct {
	weight [Count]int
	seen   [Count]string
}

// Add counts something that only the dialects of the set write or, with a weight below zero,
// that they alone refuse.
func (c *Clues) Add(s Set, weight int, what string) {
	for d := range Count {
		if s.Has(d) {
			c.weight[d] += weight
			if c.seen[d] == "" && weight > 0 {
				c.seen[d] = what
			}
		}
	}
}

// Weight gives what spoke for a dialect, in all.
func (c *Clues) Weight(d Dialect) int { return c.weight[d] }

// Best gives the dialect with the most weight and the first thing that spoke
// for it; without any clue ANSI and "". Of equal dialects the first counts,
// so that what MySQL and MariaDB share reads as MySQL.
func (c *Clues) Best() (Dialect, string) {
	best := ANSI
	for d := range Count {
		if c.weight[d] > c.weight[best] {
			best = d
		}
	}
	return best, c.seen[best]
}

// WordClue gives the dialects a word speaks for, and how loudly.
func WordClue(w word.Word) (Set, int) {
	switch w {
	case word.Ilike:
		return In(Postgres), 2
	case word.Notnull:
		return In(Postgres, SQLite), 2
	case word.Returning:
		return In(Postgres, MariaDB, SQLite, Oracle), 2
	case word.StraightJoin, word.AutoIncrement, word.Regexp, word.Distinctrow:
		return In(MySQL, MariaDB), 3
	case word.Unsigned:
		return In(MySQL, MariaDB, SQLite), 3
	case word.Serial, word.Setof:
		return In(Postgres), 3
	case word.Autoincrement, word.Glob, word.Pragma:
		return In(SQLite), 4
	case word.Top, word.Nolock, word.Clustered, word.Nonclustered, word.Nvarchar, word.TryConvert, word.Dbcc, word.Raiserror, word.Waitfor,
		word.Nocheck, word.Openquery, word.Openrowset, word.Openxml, word.Rowguidcol, word.IdentityInsert, word.Containstable,
		word.Freetexttable, word.Holdlock, word.Reconfigure:
		return In(SQLServer), 3
	case word.Exec:
		return In(SQLServer), 1
	case word.Rownum, word.Varchar2, word.Sysdate, word.Systimestamp, word.Nocycle, word.ConnectByRoot:
		return In(Oracle), 4
	case word.Anti, word.Semi, word.Overwrite, word.Distribute:
		return In(Spark), 3
	}
	return 0, 0
}

// NameClue does the same for a name, in lower case, as that of a table of the catalog.
func NameClue(name string) (Set, int) {
	switch {
	case strings.HasPrefix(name, "pg_"):
		return In(Postgres), 2
	case strings.HasPrefix(name, "sqlite_"), strings.HasPrefix(name, "pragma_"):
		return In(SQLite), 4
	case strings.HasPrefix(name, "dbms_"):
		return In(Oracle), 4
	}
	switch name {
	case "dbo", "nocount", "xact_abort", "ansi_nulls", "datetime2", "smalldatetime", "datetimeoffset", "uniqueidentifier", "sysname", "sp_executesql", "sp_rename":
		return In(SQLServer), 3
	case "pls_integer", "binary_integer", "exception_init", "autonomous_transaction":
		return In(Oracle), 4
	case "tblproperties", "partitioned":
		return In(Spark), 4
	}
	return 0, 0
}

// PathClue gives the dialects that a part of a file's path speaks for, and that part: a
// folder, or what stands between the dots, dashes and underscores of its name. The name of a
// database that has no dialect here speaks for [ANSI].
func PathClue(path string) (Set, string) {
	parts := strings.FieldsFunc(path, func(r rune) bool { return strings.ContainsRune("/\\.-_ ", r) })
	for _, part := range slices.Backward(parts) {
		if d, ok := pathNames[strings.ToLower(part)]; ok {
			return In(d), part
		}
	}
	return 0, ""
}

var pathNames = map[string]Dialect{
	"postgres": Postgres, "postgresql": Postgres, "pgsql": Postgres, "plpgsql": Postgres, "pg": Postgres, "psql": Postgres,
	"mysql": MySQL, "mysql5": MySQL, "mysql8": MySQL, "mariadb": MariaDB, "maria": MariaDB,
	"sqlite": SQLite, "sqlite3": SQLite, "mssql": SQLServer, "sqlserver": SQLServer, "tsql": SQLServer, "sqlsrv": SQLServer,
	"oracle": Oracle, "plsql": Oracle, "spark": Spark, "sparksql": Spark,
	"clickhouse": ANSI, "cockroach": ANSI, "cockroachdb": ANSI, "crdb": ANSI, "db2": ANSI, "derby": ANSI, "duckdb": ANSI, "firebird": ANSI, "h2": ANSI,
	"hsqldb": ANSI, "informix": ANSI, "interbase": ANSI, "redshift": ANSI, "snowflake": ANSI, "bigquery": ANSI, "spanner": ANSI, "sybase": ANSI,
	"teradata": ANSI, "trino": ANSI, "vertica": ANSI,
}

// FunctionClue does the same for the name of a called function, in lower case.
func FunctionClue(name string) (Set, int) {
	switch name {
	case "ifnull":
		return In(MySQL, MariaDB, SQLite, Spark), 2
	case "date_format":
		return In(MySQL, MariaDB, Spark), 2
	case "curdate":
		return In(MySQL, MariaDB), 2
	case "last_insert_id", "str_to_date":
		return In(MySQL, MariaDB), 3
	case "unix_timestamp", "from_unixtime", "find_in_set", "substring_index":
		return In(MySQL, MariaDB, Spark), 2
	case "group_concat":
		return In(MySQL, MariaDB, SQLite), 2
	case "strftime", "julianday", "unixepoch", "last_insert_rowid":
		return In(SQLite), 4
	case "getdate", "isnull", "dateadd", "datepart", "charindex", "len", "newid", "sysdatetime", "sysutcdatetime", "getutcdate", "object_id", "object_name",
		"col_length", "scope_identity", "ident_current", "quotename", "patindex", "error_message", "xact_state", "suser_sname":
		return In(SQLServer), 3
	case "nvl", "nvl2", "add_months", "to_date", "sys_guid":
		return In(Oracle), 3
	case "nextval", "currval", "setval":
		return In(Postgres), 2
	case "to_char", "string_agg", "date_trunc", "array_agg", "generate_series", "jsonb_agg":
		return In(Postgres), 2
	case "collect_list", "collect_set", "explode", "posexplode", "named_struct", "get_json_object":
		return In(Spark), 4
	}
	return 0, 0
}
