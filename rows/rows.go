// Package rows reads the rows on which queries are followed and compared: a file of INSERTs, a
// folder of CSV files, a database, or rows made from the schema. Rows become those of core/run.
package rows

import (
	"context"
	"encoding/csv"
	"errors"
	"fmt"
	"io"
	"os"
	"path/filepath"
	"slices"
	"strings"
	"time"

	"justlens/core/dialect"
	"justlens/core/run"
	"justlens/core/sample"
	"justlens/core/schema"
	"justlens/core/text"
	"justlens/database"
)

// Made is the source that makes rows from the schema.
const Made = "made"

// Most is how many rows of a table are read.
const Most = 10_000

// Source says where rows come from, and for which tables.
type Source struct {
	Name    string
	Env     func(string) string
	Schema  *schema.Schema
	Dialect dialect.Dialect
	Version dialect.Version
	// Tables are those that are needed.
	Tables []*schema.Table
	// Seed makes the rows of the source made.
	Seed uint64
	// Constants are values that the made rows hold, and their neighbours.
	Constants []sample.Constant
	// Timeout bounds how long a database may take.
	Timeout time.Duration
}

// Load reads the rows. Errors are one line for people with the place, and hold no password.
func Load(ctx context.Context, s Source) (run.Database, error) {
	if s.Name == Made {
		m := sample.NewMaker(s.Schema, s.Tables, sample.Options{Rows: 12, Dialect: s.Dialect, Constants: s.Constants})
		return run.Made(m.Make(s.Seed), s.Dialect), nil
	}
	if database.IsSource(s.Name) {
		return s.database(ctx)
	}
	info, err := os.Stat(s.Name)
	switch {
	case errors.Is(err, os.ErrNotExist):
		return nil, fmt.Errorf("%s: no such file or folder", s.Name)
	case err != nil:
		return nil, fmt.Errorf("%s: not allowed to read it", s.Name)
	case info.IsDir():
		return s.folder()
	}
	return s.inserts()
}

// inserts reads a file of INSERT statements.
func (s Source) inserts() (run.Database, error) {
	src, err := os.ReadFile(s.Name)
	if err != nil {
		return nil, fmt.Errorf("%s: not allowed to read it", s.Name)
	}
	f, err := text.NewFile(s.Name, src)
	if err != nil {
		return nil, fmt.Errorf("%s: %w", s.Name, err)
	}
	data, err := run.Inserts(f.Bytes(), s.Dialect, s.Version, s.Schema)
	var misfit run.Misfit
	if errors.As(err, &misfit) {
		at := f.Place(misfit.Span.Start)
		return nil, fmt.Errorf("%s, line %d, column %d: %w", s.Name, at.Line, at.Column, err)
	}
	return data, err
}

// folder reads a folder of CSV files, each with a header, named as their tables.
func (s Source) folder() (run.Database, error) {
	data := run.Database{}
	for _, t := range s.Tables {
		path, err := fileOf(s.Name, t.Name)
		if err != nil {
			return nil, err
		}
		if data[t], err = s.file(path, t); err != nil {
			return nil, err
		}
	}
	return data, nil
}

// fileOf finds the file of a table, whatever its letter case.
func fileOf(folder, table string) (string, error) {
	entries, err := os.ReadDir(folder)
	if err != nil {
		return "", fmt.Errorf("%s: not allowed to read it", folder)
	}
	for _, e := range entries {
		if strings.EqualFold(e.Name(), table+".csv") {
			return filepath.Join(folder, e.Name()), nil
		}
	}
	return "", fmt.Errorf("%s: it has no %s.csv for the table %s", folder, table, table)
}

func (s Source) file(path string, t *schema.Table) (rows [][]run.Value, err error) {
	f, err := os.Open(path)
	if err != nil {
		return nil, fmt.Errorf("%s: not allowed to read it", path)
	}
	defer f.Close()
	r := csv.NewReader(f)
	header, err := r.Read()
	if err != nil {
		return nil, fmt.Errorf("%s: its first line is to name the columns", path)
	}
	columns := make([]int, len(header))
	for i, name := range header {
		name = strings.TrimPrefix(strings.TrimSpace(name), "\ufeff")
		if columns[i] = t.Column(name); columns[i] < 0 {
			return nil, fmt.Errorf("%s, line 1: %s has no column %q", path, t.Name, name)
		}
	}
	for i, c := range t.Columns {
		if slices.Contains(columns, i) {
			continue
		}
		if t.IsRequired(i, s.Dialect) && c.Default == "" && !c.Identity {
			return nil, fmt.Errorf("%s, line 1: the column %s is missing, which %s requires", path, c.Name, t.Name)
		}
		if c.Default != "" && !strings.EqualFold(c.Default, "NULL") {
			return nil, fmt.Errorf("%s, line 1: the column %s is missing, and its default is not worked out; give its values", path, c.Name)
		}
	}
	for {
		record, err := r.Read()
		if errors.Is(err, io.EOF) {
			return rows, nil
		}
		line, _ := r.FieldPos(0)
		var damaged *csv.ParseError
		if errors.As(err, &damaged) {
			return nil, fmt.Errorf("%s, line %d: not a line of CSV with %d values", path, damaged.Line, len(header))
		}
		if err != nil {
			return nil, fmt.Errorf("%s: it cannot be read", path)
		}
		row := make([]run.Value, len(t.Columns))
		for i, value := range record {
			if value == "" || value == "NULL" {
				if t.IsRequired(columns[i], s.Dialect) && t.Columns[columns[i]].Type.Class.Noun() != "text" {
					return nil, fmt.Errorf("%s, line %d: %s is required", path, line, header[i])
				}
				if value == "NULL" || t.Columns[columns[i]].Type.Class.Noun() != "text" || !t.IsRequired(columns[i], s.Dialect) {
					continue // an empty field is NULL, but for a text that is required
				}
			}
			if row[columns[i]], err = run.Parse(value, t.Columns[columns[i]].Type, s.Dialect); err != nil {
				return nil, fmt.Errorf("%s, line %d, %s: %w", path, line, header[i], err)
			}
		}
		if rows = append(rows, row); len(rows) > Most {
			return nil, fmt.Errorf("%s: more than %d rows, which is the most that is followed", path, Most)
		}
	}
}

// database reads the tables of a database.
func (s Source) database(ctx context.Context) (run.Database, error) {
	var asked []database.Table
	for _, t := range s.Tables {
		name := s.Dialect.Name(t.Name, t.Quoted)
		if t.Qualifier != "" {
			name = s.Dialect.Name(t.Qualifier, false) + "." + name
		}
		table := database.Table{Name: name}
		for _, c := range t.Columns {
			table.Columns = append(table.Columns, s.Dialect.Name(c.Name, c.Quoted))
		}
		asked = append(asked, table)
	}
	found, err := database.ReadRows(ctx, s.Name, s.Env, asked, Most, s.Timeout)
	if err != nil {
		return nil, err
	}
	data := run.Database{}
	for i, t := range s.Tables {
		for _, record := range found[i] {
			row := make([]run.Value, len(t.Columns))
			for k, value := range record {
				if value == nil {
					continue
				}
				if row[k], err = run.Parse(*value, t.Columns[k].Type, s.Dialect); err != nil {
					return nil, fmt.Errorf("%s, %s.%s: %w", database.Redacted(s.Name), t.Name, t.Columns[k].Name, err)
				}
			}
			data[t] = append(data[t], row)
		}
	}
	return data, nil
}
