package schema

import (
	"fmt"
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"

	"justlens/core/dialect"
)

// TestTablesAreFoundByWhatTheyHave asks after each statement which tables have a column, which refer
// to hives, and which names resemble one: what was changed and dropped is not found.
func TestTablesAreFoundByWhatTheyHave(t *testing.T) {
	given := New(nil)
	given.Load([]byte("CREATE TABLE hives (hive_id int PRIMARY KEY, name text); CREATE TABLE frames (frame_id int, hive_id int REFERENCES hives); CREATE TABLE bees.queens (queen_id int, marked text)"), dialect.Postgres)
	s := New(given)
	names := func(tables []*Table) string {
		var list []string
		for _, t := range tables {
			list = append(list, t.Name)
		}
		return strings.Join(list, " ")
	}
	for _, step := range []struct{ do, marked, children, near string }{
		{"SELECT 1", "queens", "frames", "hives"},
		{"CREATE TABLE hiven (marked text, hive_id int REFERENCES hives)", "hiven queens", "frames hiven", "hiven hives"},
		{"ALTER TABLE hiven DROP COLUMN marked", "queens", "frames hiven", "hiven hives"},
		{"ALTER TABLE frames ADD COLUMN marked int", "frames queens", "frames hiven", "hiven hives"},
		{"DROP TABLE frames", "queens", "hiven", "hiven hives"},
		{"ALTER TABLE hiven RENAME TO swarms", "queens", "swarms", "hives"},
		{"ALTER TABLE hives RENAME TO colonies", "queens", "", ""},
		{"CREATE TABLE hives (hive_id int PRIMARY KEY)", "queens", "", "hives"},
		{"ALTER TABLE swarms ADD FOREIGN KEY (hive_id) REFERENCES hives", "queens", "swarms", "hives"},
		{"DROP TABLE bees.queens", "", "swarms", "hives"},
	} {
		s.Load([]byte(step.do), dialect.Postgres)
		assert.Equal(t, step.marked, names(s.Owners("MARKED", 5)), step.do)
		if parent := s.Table("", "hives"); parent != nil {
			assert.Equal(t, step.children, names(s.Children(parent)), step.do)
			assert.Equal(t, step.children != "", s.IsReferredTo(parent), step.do)
		}
		assert.Equal(t, step.near, strings.Join(s.Near("hivse"), " "), step.do)
	}
	assert.False(t, s.HasQualifier("bees"), "its only table is dropped")
	assert.Empty(t, New(given).Owners("hive_id", 1), "more than are asked for")
}

// TestCopiesAreBounded makes tables and views that would double their columns at each step: beyond
// what is taken they are open, so that no column counts as missing.
func TestCopiesAreBounded(t *testing.T) {
	for name, step := range map[string]string{
		"views":  "CREATE VIEW v%d AS SELECT a.*, b.* FROM v%d AS a, v%d AS b;",
		"tables": "CREATE TABLE v%d AS SELECT a.*, b.* FROM v%d AS a, v%d AS b;",
	} {
		text := "CREATE TABLE v0 (hive_id int, name text);"
		for i := range 40 {
			text += fmt.Sprintf(step, i+1, i, i)
		}
		s := New(nil)
		s.Load([]byte(text), dialect.Postgres)
		assert.Len(t, s.Table("", "v5").Columns, 64, name)
		assert.True(t, s.Table("", "v5").Complete, name)
		assert.Empty(t, s.Table("", "v40").Columns, name)
		assert.False(t, s.Table("", "v40").Complete, name)
	}
}

// TestOneNameInManySchemas finds the tables of a name as few or many schemas have it.
func TestOneNameInManySchemas(t *testing.T) {
	for _, count := range []int{3, few, few + 1, 500} {
		s := New(nil)
		text := "CREATE TABLE hives (a int); CREATE TABLE public.jars (a int);"
		for i := range count {
			text += fmt.Sprintf("CREATE TABLE yard_%d.hives (a int); CREATE TABLE yard_%d.jars (a int); CREATE TABLE yard_%d.swarms (a int);", i, i, i)
		}
		s.Load([]byte(text+"DROP TABLE yard_1.hives; DROP TABLE yard_2.swarms; CREATE TEMP TABLE swarms (a int)"), dialect.Postgres)
		for _, c := range []struct{ qualifier, name, found string }{
			{"", "hives", ".hives"}, {"yard_0", "HIVES", "yard_0.hives"}, {"Yard_2", "hives", "yard_2.hives"},
			{"yard_1", "hives", ""}, {"elsewhere", "hives", ""},
			{"", "jars", "public.jars"}, {"public", "jars", "public.jars"}, {"yard_2", "jars", "yard_2.jars"}, {"elsewhere", "jars", ""},
			{"", "swarms", ".swarms"}, {"yard_2", "swarms", ""}, {"yard_1", "swarms", "yard_1.swarms"},
		} {
			found := ""
			if table := s.Table(c.qualifier, c.name); table != nil {
				found = table.Qualifier + "." + table.Name
			}
			assert.Equal(t, c.found, found, "%d schemas, %s.%s", count, c.qualifier, c.name)
		}
		for i := range count {
			s.Load(fmt.Appendf(nil, "DROP TABLE IF EXISTS yard_%d.jars", i), dialect.Postgres)
		}
		assert.NotNil(t, s.Table("", "jars"), "%d schemas", count)
		assert.Nil(t, s.Table("yard_2", "jars"), "%d schemas", count)
	}
}
