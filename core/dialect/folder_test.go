package dialect_test

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"justlens/core/dialect"
)

func TestFolders(t *testing.T) {
	var f dialect.Folders
	for path, d := range map[string]dialect.Dialect{
		"bees/pg/a.sql": dialect.Postgres, "bees/pg/b.sql": dialect.Postgres, "bees/pg/deep/c.sql": dialect.Postgres,
		"bees/my/a.sql": dialect.MySQL, "bees/my/b.sql": dialect.MySQL,
		"wax/a.sql": dialect.Oracle, "wax/b.sql": dialect.Oracle, "wax/c.sql": dialect.SQLite,
	} {
		f.Add(path, d, false)
	}
	for _, path := range []string{"comb/a.sqlite.sql", "comb/b.sqlite.sql", "comb/c.sqlite.sql"} {
		f.Add(path, dialect.SQLite, true)
	}
	for path, want := range map[string]dialect.Dialect{
		"bees/pg/d.sql":         dialect.Postgres,
		"bees/pg/deep/er/d.sql": dialect.Postgres, // by the folders above it
		"bees/my/c.sql":         dialect.ANSI,     // two are too few, and those above differ
		"wax/d.sql":             dialect.ANSI,     // one differs
		"comb/d.sql":            dialect.ANSI,     // the names of the others say nothing of it
		"d.sql":                 dialect.ANSI,
	} {
		d, files := f.Of(path)
		assert.Equal(t, want, d, path)
		assert.Equal(t, want != dialect.ANSI, files > 0, path)
	}
}
