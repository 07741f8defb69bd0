package schema_test

import (
	"testing"

	"github.com/stretchr/testify/require"

	"justlens/core/dialect"
	"justlens/core/schema"
)

func TestBoundsOfChecks(t *testing.T) {
	t.Parallel()
	for _, c := range []struct {
		condition string
		in, out   []string
		isPlain   bool
	}{
		{"a IN (1, 2, 3)", []string{"1", "2.0"}, []string{"4", "0"}, true},
		{"a IN ('calm', 'Cross')", []string{"calm", "CALM ", "cross"}, []string{"angry", ""}, true},
		{"a BETWEEN 1 AND 5", []string{"1", "5", "4.9"}, []string{"0.9", "6", "-1"}, true},
		{"a > 0 AND a <= 10", []string{"0.1", "10"}, []string{"0", "10.5"}, true},
		{"(a >= -5) AND (a < (7)::numeric)", []string{"-5", "6"}, []string{"-6", "7"}, true},
		{"a > 0 AND length(b) = a", []string{"1"}, []string{"0"}, true},
		{"a > '5'", nil, nil, false},
		{"a > 0 OR b > 0", nil, nil, false},
		{"a NOT IN (1)", nil, nil, false},
		{"a > b", nil, nil, false},
		{"5 > 3", nil, nil, false},
	} {
		s := schema.New(nil)
		s.Load([]byte("CREATE TABLE t (a integer, b integer, CHECK ("+c.condition+"))"), dialect.Postgres)
		bounds := s.Tables()[0].Checks[0].Bounds
		require.Equal(t, c.isPlain, bounds != nil, c.condition)
		for _, v := range c.in {
			require.False(t, bounds.Excludes(v), "%s: %s", c.condition, v)
		}
		for _, v := range c.out {
			require.True(t, bounds.Excludes(v), "%s: %s", c.condition, v)
		}
	}
}
