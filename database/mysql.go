package database

import (
	"context"
	"database/sql"
	"errors"
	"fmt"
	"net/url"
	"strconv"
	"strings"

	"github.com/go-sql-driver/mysql"

	"justlens/core/dialect"
)

// The catalogue of MariaDB and MySQL ("INFORMATION_SCHEMA Tables" of their
// documentation), of the database in use.
const (
	mysqlColumns = `
SELECT c.TABLE_NAME, c.COLUMN_NAME, c.COLUMN_TYPE, c.IS_NULLABLE, c.COLUMN_DEFAULT, c.EXTRA, COALESCE(c.GENERATION_EXPRESSION, ''),
  COALESCE(c.COLLATION_NAME, ''), COALESCE(t.TABLE_COLLATION, ''), c.COLUMN_COMMENT
FROM information_schema.COLUMNS c JOIN information_schema.TABLES t ON t.TABLE_SCHEMA = c.TABLE_SCHEMA AND t.TABLE_NAME = c.TABLE_NAME
WHERE c.TABLE_SCHEMA = DATABASE() AND t.TABLE_TYPE IN ('BASE TABLE', 'SYSTEM VERSIONED')
ORDER BY c.TABLE_NAME, c.ORDINAL_POSITION`

	mysqlRowCounts = `
SELECT TABLE_NAME, TABLE_ROWS FROM information_schema.TABLES WHERE TABLE_SCHEMA = DATABASE() AND TABLE_ROWS > 0`

	mysqlSequences = `
SELECT TABLE_NAME FROM information_schema.TABLES WHERE TABLE_SCHEMA = DATABASE() AND TABLE_TYPE = 'SEQUENCE' ORDER BY TABLE_NAME`

	mysqlRoutines = `
SELECT DISTINCT ROUTINE_NAME FROM information_schema.ROUTINES WHERE ROUTINE_SCHEMA = DATABASE() ORDER BY ROUTINE_NAME`

	mysqlKeys = `
SELECT TABLE_NAME, INDEX_NAME, NON_UNIQUE, INDEX_TYPE, COALESCE(COLUMN_NAME, ''), COALESCE(SUB_PART, 0), COALESCE(COLLATION, 'A')
FROM information_schema.STATISTICS WHERE TABLE_SCHEMA = DATABASE()
ORDER BY TABLE_NAME, INDEX_NAME <> 'PRIMARY', NON_UNIQUE, INDEX_NAME, SEQ_IN_INDEX`

	mysqlForeign = `
SELECT k.TABLE_NAME, k.CONSTRAINT_NAME, k.COLUMN_NAME, k.REFERENCED_TABLE_NAME, k.REFERENCED_COLUMN_NAME, r.DELETE_RULE, r.UPDATE_RULE
FROM information_schema.KEY_COLUMN_USAGE k
JOIN information_schema.REFERENTIAL_CONSTRAINTS r ON r.CONSTRAINT_SCHEMA = k.CONSTRAINT_SCHEMA AND r.CONSTRAINT_NAME = k.CONSTRAINT_NAME AND r.TABLE_NAME = k.TABLE_NAME
WHERE k.TABLE_SCHEMA = DATABASE() AND k.REFERENCED_TABLE_NAME IS NOT NULL
ORDER BY k.TABLE_NAME, k.CONSTRAINT_NAME, k.ORDINAL_POSITION`

	// MariaDB names the table beside each check, MySQL only in TABLE_CONSTRAINTS.
	mariadbChecks = `
SELECT TABLE_NAME, CONSTRAINT_NAME, CHECK_CLAUSE FROM information_schema.CHECK_CONSTRAINTS
WHERE CONSTRAINT_SCHEMA = DATABASE() ORDER BY TABLE_NAME, CONSTRAINT_NAME`
	mysqlChecks = `
SELECT t.TABLE_NAME, c.CONSTRAINT_NAME, c.CHECK_CLAUSE FROM information_schema.CHECK_CONSTRAINTS c
JOIN information_schema.TABLE_CONSTRAINTS t ON t.CONSTRAINT_SCHEMA = c.CONSTRAINT_SCHEMA AND t.CONSTRAINT_NAME = c.CONSTRAINT_NAME
WHERE c.CONSTRAINT_SCHEMA = DATABASE() ORDER BY t.TABLE_NAME, c.CONSTRAINT_NAME`

	mysqlViews = `
SELECT v.TABLE_NAME, (SELECT GROUP_CONCAT(CONCAT('` + "`', REPLACE(c.COLUMN_NAME, '`', '``'), '`" + `') ORDER BY c.ORDINAL_POSITION SEPARATOR ', ')
  FROM information_schema.COLUMNS c WHERE c.TABLE_SCHEMA = v.TABLE_SCHEMA AND c.TABLE_NAME = v.TABLE_NAME), v.VIEW_DEFINITION
FROM information_schema.VIEWS v WHERE v.TABLE_SCHEMA = DATABASE() ORDER BY v.TABLE_NAME`
)

func readMySQL(ctx context.Context, u *url.URL, env func(string) string) (s Schema, err error) {
	err = withMySQL(u, env, func(db *sql.DB) error {
		s, err = mysqlSchema(ctx, db)
		return err
	})
	return s, err
}

// withMySQL opens a database, and gives it to use.
func withMySQL(u *url.URL, env func(string) string, use func(*sql.DB) error) error {
	config := mysql.NewConfig()
	config.User = u.User.Username()
	given := false
	if config.Passwd, given = u.User.Password(); !given {
		config.Passwd = env("MYSQL_PWD") // which the servers' own programs read
	}
	config.Net, config.Addr, config.DBName = "tcp", u.Host, strings.Trim(u.Path, "/")
	if u.Port() == "" {
		config.Addr += ":3306"
	}
	if socket := u.Query().Get("socket"); socket != "" {
		config.Net, config.Addr = "unix", socket
	}
	switch encrypted := u.Query().Get("tls"); encrypted {
	case "", "true", "false", "skip-verify", "preferred":
		config.TLSConfig = encrypted
	default:
		return fmt.Errorf("%s: unknown tls=%s; choose true, skip-verify, preferred or false", Redacted(u.String()), encrypted)
	}
	config.Timeout, config.ReadTimeout = Timeout, Timeout
	config.Logger = nothing{}
	connector, err := mysql.NewConnector(config)
	if err != nil {
		return fmt.Errorf("%s: not an address that can be read", Redacted(u.String()))
	}
	db := sql.OpenDB(connector)
	defer db.Close()
	if err := use(db); err != nil {
		return mysqlFailure(u, err)
	}
	return nil
}

// nothing swallows what the driver would write to standard error.
type nothing struct{}

func (nothing) Print(...any) {}

func mysqlSchema(ctx context.Context, db *sql.DB) (Schema, error) {
	s := Schema{Dialect: dialect.MySQL}
	conn, err := db.Conn(ctx)
	if err != nil {
		return s, err
	}
	defer conn.Close()
	var version string
	if err := conn.QueryRowContext(ctx, "SELECT VERSION()").Scan(&version); err != nil {
		return s, err
	}
	checks := mysqlChecks
	if strings.Contains(version, "MariaDB") {
		s.Dialect, checks = dialect.MariaDB, mariadbChecks
	}
	for _, setting := range []string{"SET SESSION TRANSACTION READ ONLY", "SET SESSION group_concat_max_len = 1000000"} {
		if _, err := conn.ExecContext(ctx, setting); err != nil {
			return s, err
		}
	}
	c := catalogue{ctx: ctx, conn: conn, dialect: s.Dialect, elements: map[string][]string{}}
	for _, step := range []func() error{c.columns, c.keys, func() error { return c.checks(checks) }, c.foreign} {
		if err := step(); err != nil {
			return s, err
		}
	}
	var b strings.Builder
	for _, table := range c.order {
		fmt.Fprintf(&b, "CREATE TABLE %s (\n  %s\n);\n", s.Dialect.Quote(table), strings.Join(c.elements[table], ",\n  "))
	}
	for _, named := range []struct{ query, statement string }{ // of which no more than the names count
		{mysqlSequences, "CREATE SEQUENCE %s;\n"}, {mysqlRoutines, "CREATE FUNCTION %s() RETURNS int RETURN 1;\n"},
	} {
		if err := c.rows(named.query, 1, func(v []string) { fmt.Fprintf(&b, named.statement, s.Dialect.Quote(v[0])) }); err != nil {
			return s, err
		}
	}
	err = c.rows(mysqlViews, 3, func(v []string) {
		if v[2] == "" {
			s.Missing = append(s.Missing, fmt.Sprintf("the view %s is left out: its query may be read only with the right SHOW VIEW on it", v[0]))
			return
		}
		fmt.Fprintf(&b, "CREATE VIEW %s (%s) AS\n%s;\n", s.Dialect.Quote(v[0]), v[1], v[2])
	})
	if err != nil {
		return s, err
	}
	s.DDL = []byte(b.String())
	err = c.rows(mysqlRowCounts, 2, func(v []string) {
		n, _ := strconv.ParseInt(v[1], 10, 64)
		s.Rows = append(s.Rows, TableRows{Name: v[0], Rows: n})
	})
	return s, err
}

// catalogue gathers the elements of each table.
type catalogue struct {
	ctx      context.Context
	conn     *sql.Conn
	dialect  dialect.Dialect
	order    []string
	elements map[string][]string
	budget   budget
}

// rows calls f with each row of a query, NULLs as "".
func (c *catalogue) rows(query string, width int, f func([]string)) error {
	rows, err := c.conn.QueryContext(c.ctx, query)
	if err != nil {
		return err
	}
	defer rows.Close()
	values := make([]sql.NullString, width)
	into := make([]any, width)
	for i := range values {
		into[i] = &values[i]
	}
	for rows.Next() {
		if err := rows.Scan(into...); err != nil {
			return err
		}
		row := make([]string, width)
		for i, v := range values {
			row[i] = v.String
		}
		if err := c.budget.take(row...); err != nil {
			return err
		}
		f(row)
	}
	return rows.Err()
}

func (c *catalogue) add(table, element string) {
	if _, ok := c.elements[table]; !ok {
		c.order = append(c.order, table)
	}
	c.elements[table] = append(c.elements[table], element)
}

func (c *catalogue) columns() error {
	return c.rows(mysqlColumns, 10, func(v []string) {
		column := c.dialect.Quote(v[1]) + " " + v[2]
		if v[7] != v[8] && v[7] != "" {
			column += " COLLATE " + v[7]
		}
		extra := strings.ToUpper(v[5])
		if v[6] != "" {
			column += fmt.Sprintf(" GENERATED ALWAYS AS (%s)", v[6])
			if strings.Contains(extra, "STORED") || strings.Contains(extra, "PERSISTENT") {
				column += " STORED"
			}
		}
		if v[3] == "NO" && v[6] == "" {
			column += " NOT NULL"
		}
		if d := c.defaultOf(v[4], extra); d != "" && v[6] == "" {
			column += " DEFAULT " + d
		}
		if strings.Contains(extra, "AUTO_INCREMENT") {
			column += " AUTO_INCREMENT"
		}
		if strings.Contains(extra, "INVISIBLE") {
			column += " INVISIBLE"
		}
		if v[9] != "" {
			column += " COMMENT '" + strings.NewReplacer("'", "''", `\`, `\\`).Replace(v[9]) + "'"
		}
		c.add(v[0], column)
	})
}

// defaultOf gives a default as an expression: MariaDB keeps it as one, MySQL keeps
// the bare value of a constant.
func (c *catalogue) defaultOf(value, extra string) string {
	if c.dialect == dialect.MariaDB || value == "" || strings.Contains(extra, "DEFAULT_GENERATED") {
		if value == "NULL" {
			return ""
		}
		return value
	}
	return "'" + strings.ReplaceAll(value, "'", "''") + "'"
}

func (c *catalogue) keys() error {
	var table, name, head string
	var parts []string
	flush := func() {
		if table != "" && len(parts) > 0 && c.elements[table] != nil {
			c.add(table, fmt.Sprintf("%s (%s)", head, strings.Join(parts, ", ")))
		}
		parts = nil
	}
	err := c.rows(mysqlKeys, 7, func(v []string) {
		if v[0] != table || v[1] != name {
			flush()
			table, name = v[0], v[1]
			quoted := c.dialect.Quote(name)
			switch {
			case name == "PRIMARY":
				head = "PRIMARY KEY"
			case v[3] == "FULLTEXT" || v[3] == "SPATIAL":
				head = v[3] + " KEY " + quoted
			case v[2] == "0":
				head = "UNIQUE KEY " + quoted
			default:
				head = "KEY " + quoted
			}
		}
		part := c.dialect.Quote(v[4])
		if v[5] != "0" && v[3] == "BTREE" {
			part += "(" + v[5] + ")"
		}
		if v[6] == "D" {
			part += " DESC"
		}
		parts = append(parts, part)
	})
	flush()
	return err
}

func (c *catalogue) checks(query string) error {
	return c.rows(query, 3, func(v []string) {
		c.add(v[0], fmt.Sprintf("CONSTRAINT %s CHECK (%s)", c.dialect.Quote(v[1]), v[2]))
	})
}

func (c *catalogue) foreign() error {
	var table, name, parent, rules string
	var columns, references []string
	flush := func() {
		if len(columns) > 0 {
			c.add(table, fmt.Sprintf("CONSTRAINT %s FOREIGN KEY (%s) REFERENCES %s (%s)%s", c.dialect.Quote(name), strings.Join(columns, ", "),
				c.dialect.Quote(parent), strings.Join(references, ", "), rules))
		}
		columns, references = nil, nil
	}
	err := c.rows(mysqlForeign, 7, func(v []string) {
		if v[0] != table || v[1] != name {
			flush()
			table, name, parent = v[0], v[1], v[3]
			rules = fmt.Sprintf(" ON DELETE %s ON UPDATE %s", v[5], v[6])
		}
		columns, references = append(columns, c.dialect.Quote(v[2])), append(references, c.dialect.Quote(v[4]))
	})
	flush()
	return err
}

// mysqlFailure reads the numbers of the servers' "Error Reference".
func mysqlFailure(u *url.URL, err error) error {
	var said *mysql.MySQLError
	if !errors.As(err, &said) {
		return failure(u, err, nil)
	}
	n := said.Number
	return failure(u, err, &refusal{user: n == 1045 || n == 1698 || n == 1044, unknown: n == 1049, message: said.Message})
}
