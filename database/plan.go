package database

import (
	"context"
	"database/sql"
	"encoding/json"
	"errors"
	"fmt"
	"strings"
	"time"

	"github.com/jackc/pgx/v5"
)

// Access is how a plan reads one table.
type Access struct {
	Table string  // as the plan names it: the alias, or the table
	Index string  // "" for a table that is read from end to end
	Rows  float64 // that are expected, 0 where the plan does not tell
}

// Plan is a database's plan of a query, in short.
type Plan struct {
	Access []Access
	Cost   float64 // in the units of the database, 0 where it gives none
}

// Explain gives a database's plans of queries; it runs none of them. Errors are one line for people.
func Explain(ctx context.Context, source string, env func(string) string, queries []string, timeout time.Duration) (plans []Plan, err error) {
	ctx, cancel := context.WithTimeout(ctx, timeout)
	defer cancel()
	each := func(explain func(query string) (Plan, error)) error {
		for _, q := range queries {
			p, err := explain(q)
			if err != nil {
				return err
			}
			plans = append(plans, p)
		}
		return nil
	}
	if !IsAddress(source) {
		err := withSQLite(source, func(db *sql.DB) error {
			return each(func(query string) (Plan, error) { return sqlitePlan(ctx, db, query) })
		})
		if err != nil {
			err = fmt.Errorf("%s: %w", source, sqliteFailure(err))
		}
		return plans, err
	}
	u, err := parseAddress(source, env)
	if err != nil {
		return nil, err
	}
	if u.Scheme == "postgres" {
		err = withPostgres(ctx, u, func(conn *pgx.Conn) error {
			return each(func(query string) (Plan, error) { return postgresPlan(ctx, conn, query) })
		})
	} else {
		err = withMySQL(u, env, func(db *sql.DB) error {
			return each(func(query string) (Plan, error) { return mysqlPlan(ctx, db, query) })
		})
	}
	return plans, err
}

// postgresNode is a node of EXPLAIN (FORMAT JSON), PostgreSQL, "EXPLAIN".
type postgresNode struct {
	Type     string  `json:"Node Type"`
	Relation string  `json:"Relation Name"`
	Alias    string  `json:"Alias"`
	Index    string  `json:"Index Name"`
	Rows     float64 `json:"Plan Rows"`
	Cost     float64 `json:"Total Cost"`
	Plans    []postgresNode
}

func postgresPlan(ctx context.Context, conn *pgx.Conn, query string) (p Plan, err error) {
	var text string
	if err := conn.QueryRow(ctx, "EXPLAIN (FORMAT JSON) "+query).Scan(&text); err != nil {
		return p, err
	}
	var roots []struct{ Plan postgresNode }
	if err := json.Unmarshal([]byte(text), &roots); err != nil || len(roots) == 0 {
		return p, errors.New("a plan that cannot be read")
	}
	var walk func(n postgresNode)
	walk = func(n postgresNode) {
		if n.Relation != "" {
			index := n.Index
			for _, below := range n.Plans { // a bitmap is made from an index below
				if below.Index != "" {
					index = below.Index
				}
			}
			name := n.Alias
			if name == "" {
				name = n.Relation
			}
			p.Access = append(p.Access, Access{name, index, n.Rows})
		}
		for _, below := range n.Plans {
			walk(below)
		}
	}
	walk(roots[0].Plan)
	p.Cost = roots[0].Plan.Cost
	return p, nil
}

// mysqlPlan reads the table that EXPLAIN gives (MariaDB and MySQL, "EXPLAIN Output Format").
func mysqlPlan(ctx context.Context, db *sql.DB, query string) (p Plan, err error) {
	rows, err := db.QueryContext(ctx, "EXPLAIN "+query)
	if err != nil {
		return p, err
	}
	defer rows.Close()
	columns, err := rows.Columns()
	if err != nil {
		return p, err
	}
	for rows.Next() {
		values := make([]sql.NullString, len(columns))
		into := make([]any, len(columns))
		for i := range values {
			into[i] = &values[i]
		}
		if err := rows.Scan(into...); err != nil {
			return p, err
		}
		var a Access
		for i, c := range columns {
			switch strings.ToLower(c) {
			case "table":
				a.Table = values[i].String
			case "key":
				a.Index = values[i].String
			case "rows":
				fmt.Sscan(values[i].String, &a.Rows)
			}
		}
		if a.Table != "" {
			p.Access = append(p.Access, a)
		}
	}
	return p, rows.Err()
}

// sqlitePlan reads the details of EXPLAIN QUERY PLAN: "SCAN t", "SEARCH t USING INDEX i (x=?)"
// (SQLite, "EXPLAIN QUERY PLAN").
func sqlitePlan(ctx context.Context, db *sql.DB, query string) (p Plan, err error) {
	rows, err := db.QueryContext(ctx, "EXPLAIN QUERY PLAN "+query)
	if err != nil {
		return p, err
	}
	defer rows.Close()
	for rows.Next() {
		var id, parent, unused int
		var detail string
		if err := rows.Scan(&id, &parent, &unused, &detail); err != nil {
			return p, err
		}
		words := strings.Fields(detail)
		if len(words) < 2 || words[0] != "SCAN" && words[0] != "SEARCH" {
			continue
		}
		a := Access{Table: words[1]}
		for i, w := range words {
			switch {
			case w == "INDEX" && i+1 < len(words) && strings.HasPrefix(words[i+1], "("):
				a.Index = "an index that is made for it"
			case w == "INDEX" && i+1 < len(words):
				a.Index = words[i+1]
			case w == "PRIMARY":
				a.Index = "its primary key"
			}
		}
		p.Access = append(p.Access, a)
	}
	return p, rows.Err()
}
