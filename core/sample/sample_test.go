package sample_test

import (
	"testing"

	"github.com/stretchr/testify/require"

	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/sample"
	"justlens/core/schema"
	"justlens/demo"
)

func TestTablesKeepTheRules(t *testing.T) {
	t.Parallel()
	s := schema.New(nil)
	s.Load([]byte(demo.Schema()+`
CREATE TABLE frames (hive_id integer REFERENCES hives (hive_id), position integer, tag varchar(3) UNIQUE,
  side varchar(5) NOT NULL CHECK (side IN ('left', 'right')), weight decimal(4,1) CHECK (NOT weight < 2 AND weight <> 3 OR weight IS NULL),
  PRIMARY KEY (hive_id, position))`), dialect.Postgres)
	require.Empty(t, s.Problems)
	frames := s.Table("", "frames")
	nulls, empty, full := 0, 0, 0
	for seed := range uint64(200) {
		o := sample.Options{Seed: seed, Dialect: dialect.Postgres, Constants: []sample.Constant{{Table: frames, Column: 4, Text: "9.5"}}}
		made := sample.Tables(s, s.Tables(), o)
		require.Equal(t, made, sample.Tables(s, s.Tables(), o), "the same seed makes the same rows")
		hives := map[string]bool{}
		for _, r := range made {
			if len(r.Rows) == 0 {
				empty++
				require.Empty(t, r.Insert(dialect.Postgres))
			}
			for _, row := range r.Rows {
				switch r.Table.Name {
				case "hives":
					require.False(t, hives[row[0].Text], "a key comes once")
					hives[row[0].Text] = true
				case "frames":
					full++
					require.True(t, hives[row[0].Text], "a child has its parent, made before it")
					require.Contains(t, []string{"left", "right"}, row[3].Text)
					require.NotContains(t, []string{"3.0", "1.0", "0.0"}, row[4].Text)
					if !row[4].Set {
						nulls++
					}
				}
			}
		}
	}
	require.Greater(t, nulls, 10)
	require.Greater(t, empty, 100)
	require.Greater(t, full, 100)
}

func TestValuesAreWrittenAsEachDatabaseReadsThem(t *testing.T) {
	t.Parallel()
	for _, c := range []struct {
		value sample.Value
		d     dialect.Dialect
		want  string
	}{
		{sample.Value{}, dialect.Postgres, "NULL"},
		{sample.Of(class.Decimal, "3.50"), dialect.SQLite, "3.50"},
		{sample.Of(class.Text, `Bee's \ hive`), dialect.Postgres, `'Bee''s \ hive'`},
		{sample.Of(class.Text, `Bee's \ hive`), dialect.MySQL, `'Bee''s \\ hive'`},
		{sample.Of(class.Date, "2026-05-01"), dialect.MariaDB, "'2026-05-01'"},
		{sample.Of(class.Date, "2026-05-01"), dialect.Oracle, "DATE '2026-05-01'"},
		{sample.Of(class.Timestamp, "2026-05-01 00:00:00"), dialect.Oracle, "TIMESTAMP '2026-05-01 00:00:00'"},
		{sample.Of(class.Boolean, "true"), dialect.Postgres, "true"},
		{sample.Of(class.Boolean, "true"), dialect.SQLServer, "1"},
		{sample.Of(class.Binary, "ff"), dialect.Postgres, `'\xff'`},
		{sample.Of(class.Binary, "ff"), dialect.SQLite, "x'ff'"},
	} {
		require.Equal(t, c.want, c.value.Literal(c.d))
	}
}
