package dialect

import (
	"testing"

	"github.com/stretchr/testify/assert"
)

func TestParseWithVersion(t *testing.T) {
	for text, want := range map[string]struct {
		dialect Dialect
		version string
		comment int
	}{
		"postgres":      {Postgres, "0", 0},
		"Postgres@15":   {Postgres, "15", 0},
		"mysql@8.0.31":  {MySQL, "8.0.31", 80031},
		"mysql@5.7":     {MySQL, "5.7", 50700},
		"mysql":         {MySQL, "0", 80499},
		"mariadb@10.11": {MariaDB, "10.11", 101100},
		"oracle@23":     {Oracle, "23", 0},
	} {
		d, v, err := ParseWithVersion(text)
		assert.NoError(t, err, text)
		assert.Equal(t, want.dialect, d, text)
		assert.Equal(t, want.version, v.String(), text)
		assert.Equal(t, want.comment, d.CommentVersion(v), text)
	}
	for _, text := range []string{"postgres@", "postgres@new", "mysql@8.0.1.2", "mysql@8.-1", "honey@3", "@15", "mysql@8.1000"} {
		_, _, err := ParseWithVersion(text)
		assert.Error(t, err, text)
	}
}
