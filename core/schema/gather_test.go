package schema_test

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"justlens/core/dialect"
	"justlens/core/schema"
)

// TestGather takes in texts, separated by ==, and tells what is known of the table hives.
func TestGather(t *testing.T) {
	t.Parallel()
	const hives = "CREATE TABLE hives (hive_id integer PRIMARY KEY, name varchar(40) NOT NULL, queen_id integer);"
	for name, c := range map[string]struct{ texts, want string }{
		"one text":                      {hives, "hive_id! name! queen_id"},
		"two that agree":                {hives + "==" + hives, "hive_id! name! queen_id"},
		"letter case of names":          {hives + "==" + strings.ToUpper(hives), "hive_id! name! queen_id"},
		"another NOT NULL":              {hives + "==" + strings.Replace(hives, " NOT NULL", "", 1), ""},
		"another key":                   {hives + "==" + strings.Replace(hives, " PRIMARY KEY", " NOT NULL", 1), ""},
		"another type":                  {hives + "==" + strings.Replace(hives, "queen_id integer", "queen_id date", 1), ""},
		"another column":                {hives + "==" + strings.Replace(hives, ", queen_id integer", "", 1), ""},
		"a view of the name":            {hives + "==CREATE VIEW hives AS SELECT 1 AS hive_id;", ""},
		"a column that is added":        {hives + "==ALTER TABLE hives ADD COLUMN colour text;", "hive_id! name! queen_id"},
		"a key that is added":           {hives + "==ALTER TABLE hives ADD CONSTRAINT u UNIQUE (name);", "hive_id! name! queen_id"},
		"NOT NULL that is dropped":      {hives + "==ALTER TABLE hives ALTER COLUMN name DROP NOT NULL;", ""},
		"a table that is dropped":       {hives + "==DROP TABLE hives;", ""},
		"dropped and made anew":         {"DROP TABLE IF EXISTS hives; " + hives, "hive_id! name! queen_id"},
		"changed in its own text":       {hives + "ALTER TABLE hives ALTER COLUMN name DROP NOT NULL;", "hive_id! name queen_id"},
		"of two schemas":                {hives + "==" + strings.Replace(hives, "hives", "old.hives", 1), "hive_id! name! queen_id"},
		"temporary":                     {strings.Replace(hives, "TABLE", "TEMPORARY TABLE", 1), ""},
		"in a routine":                  {"CREATE FUNCTION f() RETURNS void LANGUAGE plpgsql AS $$ BEGIN " + hives + " END $$;", ""},
		"between queries":               {"SELECT 1; INSERT INTO x VALUES (1); " + hives + " WITH t AS (SELECT 1) SELECT * FROM t;", "hive_id! name! queen_id"},
		"behind what cannot be read":    {"SELECT FROM WHERE; " + hives, "hive_id! name! queen_id"},
		"a text that speaks of nothing": {"SELECT 1;", ""},
	} {
		t.Run(name, func(t *testing.T) {
			t.Parallel()
			g := schema.NewGatherer()
			for text := range strings.SplitSeq(c.texts, "==") {
				g.Add([]byte(text), dialect.Postgres)
			}
			s := g.Schema()
			require.False(t, s.IsWhole(), "what no text makes may be there")
			var columns []string
			if found := s.Table("", "hives"); found != nil {
				require.True(t, found.Gathered && !found.Complete, "it may have more columns")
				for i, c := range found.Columns {
					mark := ""
					if found.IsRequired(i, dialect.Postgres) {
						mark = "!"
					}
					columns = append(columns, c.Name+mark)
				}
			}
			require.Equal(t, c.want, strings.ToLower(strings.Join(columns, " ")))
		})
	}
}

// TestOwnTableBeforeGathered asks for what a text makes without a schema, where another text
// tells of a table in the schema that is usual.
func TestOwnTableBeforeGathered(t *testing.T) {
	t.Parallel()
	g := schema.NewGatherer()
	g.Add([]byte("CREATE TABLE public.hives (hive_id integer); CREATE TABLE old.hives (hive_id integer);"), dialect.Postgres)
	s := schema.New(g.Schema())
	s.Load([]byte("CREATE TABLE hives (hive_id integer, name text); ALTER TABLE public.hives ADD COLUMN colour text;"), dialect.Postgres)
	require.Empty(t, s.Problems)
	require.Len(t, s.Table("", "hives").Columns, 3)
	require.Same(t, s.Table("", "hives"), s.Table("public", "hives"))
	require.True(t, s.Table("old", "hives").Gathered, "which is another")
}

func TestSpeaksOfTables(t *testing.T) {
	t.Parallel()
	for text, want := range map[string]bool{
		"CREATE TABLE hives (a int)": true, "create  table hives": true, "Alter Table hives": true, "DROP TABLE IF EXISTS hives": true,
		"CREATE OR REPLACE TEMPORARY TABLE x": true, "SELECT a FROM the_table": false, "a table of hives": false, "": false, "tabl": false,
		"SELECT a; CREATE TABLE b (c int)": true, "CREATE VIEW v AS SELECT 1": false,
	} {
		require.Equal(t, want, schema.SpeaksOfTables([]byte(text)), text)
	}
}
