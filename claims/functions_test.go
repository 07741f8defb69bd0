package claims

import (
	"fmt"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"
)

// TestArityOnServers prepares calls with one argument too few and one too many of
// each built-in function: the server must refuse them. Of the functions that it
// lists itself none may be missing in ours.
func TestArityOnServers(t *testing.T) {
	everyServer(t, func(t *testing.T, s *server) {
		refused := 0
		names := s.dialect.Functions()
		slices.Sort(names)
		for _, name := range names {
			a, _ := s.dialect.Arity(name)
			if a.Special {
				continue
			}
			for _, n := range []int{a.Min - 1, a.Max + 1} {
				if n < 0 || a.Takes(n) {
					continue
				}
				call := fmt.Sprintf("%s(%s)", name, strings.TrimSuffix(strings.Repeat("NULL,", n), ","))
				stmt, err := s.db.Prepare("SELECT " + call)
				if err == nil {
					stmt.Close()
				}
				require.Error(t, err, "%s takes %s", s.dialect, call)
				refused++
			}
		}
		t.Logf("%d calls refused", refused)
		require.Greater(t, refused, 100)
		for _, name := range s.ownFunctions(t) {
			_, ok := s.dialect.Arity(name)
			require.True(t, ok, "%s has a function %s", s.dialect, name)
		}
	})
}

// ownFunctions gives the functions that the server says it has.
func (s *server) ownFunctions(t *testing.T) []string {
	query := map[string]string{
		"postgres": "SELECT DISTINCT proname FROM pg_proc WHERE pronamespace = 'pg_catalog'::regnamespace AND prokind <> 'p' AND proname ~ '^[a-z]' AND oid < 16384 " +
			"AND NOT proargtypes::oid[] && ARRAY['internal'::regtype::oid, 'cstring'::regtype::oid] AND prorettype::regtype::text !~ '(internal|trigger|handler)$'",
		"mariadb": "SELECT LOWER(function) FROM information_schema.sql_functions",
		"sqlite":  "SELECT DISTINCT name FROM pragma_function_list WHERE name NOT LIKE '-%'",
	}[s.dialect.String()]
	rows, err := s.db.Query(query)
	require.NoError(t, err)
	defer rows.Close()
	var names []string
	for rows.Next() {
		var name string
		require.NoError(t, rows.Scan(&name))
		names = append(names, name)
	}
	require.NoError(t, rows.Err())
	require.Greater(t, len(names), 100)
	return names
}
