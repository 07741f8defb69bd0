package syntax

import (
	"testing"

	"github.com/stretchr/testify/require"

	"justlens/core/dialect"
)

// TestModes reads a statement behind settings of the session: whether "x" is a name, || joins
// texts, \ escapes, and what would be refused is taken.
func TestModes(t *testing.T) {
	t.Parallel()
	const query = `SELECT "x", 'a\'b' || c, d; -- ')`
	for _, tt := range []struct {
		settings                   string
		names, joins, escapes, lax bool
	}{
		{"", false, false, true, false},
		{"SET sql_mode = 'ANSI';", true, true, true, true},
		{"SET SESSION sql_mode = 'ANSI_QUOTES,STRICT_ALL_TABLES';", true, false, true, false},
		{"/*!40101 SET @OLD_SQL_MODE=@@SQL_MODE, SQL_MODE='NO_AUTO_VALUE_ON_ZERO' */;", false, false, true, true},
		{"SET @old = @@sql_mode, @@session.sql_mode := 'PIPES_AS_CONCAT'; SET sql_mode = @old;", false, false, true, false},
		{"SET sql_mode = ANSI; SET @old = @@sql_mode; SET sql_mode = ''; SET sql_mode = @old;", true, true, true, true},
		{"SET sql_mode = '';", false, false, true, true},
		{"SET sql_mode = 0;", false, false, true, true},
		{"SET sql_mode = ANSI; SET sql_mode = DEFAULT;", false, false, true, false},
		{"SET GLOBAL sql_mode = ANSI;", false, false, true, false},
		{"SET sql_mode = CONCAT(@@sql_mode, ',ANSI');", false, false, true, false},
		{"SET NAMES utf8mb4; SET sql_mode = 'TRADITIONAL,NO_BACKSLASH_ESCAPES';", false, false, false, false},
	} {
		for _, d := range []dialect.Dialect{dialect.MySQL, dialect.MariaDB} {
			p := NewParser(NewNames())
			p.Reset([]byte(tt.settings+query), d)
			last := p.Next()
			for stmt := last; stmt != nil; stmt = p.Next() {
				if _, ok := stmt.Node.(*SelectStmt); ok {
					last = stmt
					break
				}
			}
			items := last.Node.(*SelectStmt).Query.Body.(*Select).Items
			require.Equal(t, tt.names, items[0].X.Kind() == KindName, "%s %s", d, tt.settings)
			require.Equal(t, tt.lax, last.Lax, "%s %s", d, tt.settings)
			require.Equal(t, tt.escapes, len(items) == 3, "%s %s", d, tt.settings)
			if tt.escapes {
				require.Equal(t, tt.joins, items[1].X.(*Binary).Op == OpConcat, "%s %s", d, tt.settings)
			}
		}
	}
}
