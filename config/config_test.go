package config_test

import (
	"os"
	"path/filepath"
	"testing"

	"github.com/stretchr/testify/require"

	"justlens/config"
	"justlens/core/check"
	"justlens/core/checks"
	"justlens/core/dialect"
)

func read(t *testing.T, src string) (*config.File, error) {
	t.Helper()
	path := filepath.Join(t.TempDir(), config.Name)
	require.NoError(t, os.WriteFile(path, []byte(src), 0o600))
	return config.Read(path)
}

func named(t *testing.T, id string) *check.Check {
	t.Helper()
	for _, c := range checks.All() {
		if c.ID == id {
			return c
		}
	}
	t.Fatal(id)
	return nil
}

const whole = `dialect = "postgres@15"
skip = ["old", "**/made/*.sql"]

[checks]
join = "unclear"
"join.natural" = "off"

[[paths]]
match = ["reports", "*.rpt.sql"]
dialect = "mariadb"
checks = { "join.natural" = "slow" }

[[paths]]
match = ["reports/2026/**"]
certainty = "certain"
[paths.checks]
null = "off"
`

func TestWhatHoldsForAPath(t *testing.T) {
	t.Parallel()
	f, err := read(t, whole)
	require.NoError(t, err)
	folder := filepath.Dir(f.Path)
	for _, c := range []struct {
		path      string
		dialect   dialect.Dialect
		certainty string
		lines     []int // of dialect and certainty
		natural   string
		skips     bool
	}{
		{"a.sql", dialect.Postgres, "", []int{1, 0}, "off", false},
		{"reports/a.sql", dialect.MariaDB, "", []int{10, 0}, "slow", false},
		{"x.rpt.sql", dialect.MariaDB, "", []int{10, 0}, "slow", false},
		{"reports/2026/a.sql", dialect.MariaDB, "certain", []int{10, 15}, "slow", false},
		{"old/deep/a.sql", dialect.Postgres, "", []int{1, 0}, "off", true},
		{"b/made/a.sql", dialect.Postgres, "", []int{1, 0}, "off", true},
		{"older/a.sql", dialect.Postgres, "", []int{1, 0}, "off", false},
	} {
		path := filepath.Join(folder, c.path)
		s := f.For(path)
		d, _, ok := s.ParseDialect()
		require.True(t, ok)
		require.Equal(t, c.dialect, d, c.path)
		require.Equal(t, c.certainty, s.Certainty.Text, c.path)
		require.Equal(t, c.lines, []int{s.Dialect.Line, s.Certainty.Line}, c.path)
		require.Equal(t, c.natural, s.Checks["join.natural"].Text, c.path)
		require.Equal(t, c.skips, f.Skips(path), c.path)
		level, said := s.Level(named(t, "join.natural"))
		require.True(t, said)
		require.Equal(t, c.natural == "off", level.Off, "what is said of the check counts before its family")
		level, said = s.Level(named(t, "join.comma"))
		require.True(t, said && level.Consequence == check.Unclear)
		_, said = s.Level(named(t, "null.equals"))
		require.Equal(t, c.certainty == "certain", said, c.path)
	}
}

func TestWhatIsWrong(t *testing.T) {
	t.Parallel()
	for src, want := range map[string]string{
		"gate = \"wrong\"\ncertianty = \"likely\"":   "line 2: there is no key certianty; did you mean certainty?",
		"[[paths]]\nmatch = [\"a\"]\nskip = [\"b\"]": "line 3: there is no key skip",
		"gate = \"loud\"":                                             `line 1: gate cannot be "loud": it is refused, wrong, slow or unclear`,
		"\ncertainty = \"certian\"":                                   `line 2: certainty cannot be "certian": it is certain, likely or possible; did you mean certain?`,
		"dialect = \"postgrse\"":                                      "line 1: ",
		"[checks]\n\"null.equal\" = \"off\"":                          `line 2: no check or family is called "null.equal"; did you mean "null.equals"?`,
		"checks = { null = \"of\" }":                                  `line 1: null cannot be "of": it is off, refused, wrong, slow or unclear`,
		"[[paths]]\ndialect = \"mysql\"":                              "line 1: match is missing",
		"[[paths]]\nmatch = [\"a\"]\n[[paths]]\nmatch = [\"[\"]":      `line 4: "[" is no pattern that can be read`,
		"[[paths]]\nmatch = [\"a\"]\n\n[paths.checks]\nnul = \"off\"": `line 5: no check or family is called "nul"; did you mean "null"?`,
		"schema = \"a.sql\"":                                          "line 1: ",
		"gate = wrong":                                                "line 1: this is no TOML",
		"[limits]\nin-lsit = 3":                                       "line 2: there is no key in-lsit; did you mean in-list?",
		"[limits]\nin-list = 0":                                       "line 2: in-list is how many values a list may have, at least 1",
		"[limits]\nin-list = \"many\"":                                "line 2: ",
		"a\nb":                                                        "line 1: this is no TOML",
		"skip = [\"a\"\n":                                             "line ",
		"gate = \"wrong\"\ngate = \"slow\"":                           "line ",
	} {
		_, err := read(t, src)
		require.ErrorContains(t, err, config.Name+", "+want, src)
	}
}

func TestFind(t *testing.T) {
	t.Parallel()
	root := t.TempDir()
	inside := filepath.Join(root, "repo", "queries", "deep")
	require.NoError(t, os.MkdirAll(inside, 0o700))
	require.NoError(t, os.WriteFile(filepath.Join(root, config.Name), nil, 0o600))
	require.Equal(t, filepath.Join(root, config.Name), config.Find(inside))
	require.NoError(t, os.Mkdir(filepath.Join(root, "repo", ".git"), 0o700))
	require.Empty(t, config.Find(inside), "what lies above the repository does not count")
	require.NoError(t, os.WriteFile(filepath.Join(root, "repo", config.Name), nil, 0o600))
	require.Equal(t, filepath.Join(root, "repo", config.Name), config.Find(inside))
}

// FuzzRead reads whatever comes.
func FuzzRead(f *testing.F) {
	f.Add(whole)
	f.Add("[[paths]]\n[paths.checks]\n")
	f.Add("paths = [1]\n[checks.a.b]\n\"\" = {a.b = \"\"}")
	f.Fuzz(func(t *testing.T, src string) {
		if file, err := read(t, src); err == nil {
			file.For("a.sql")
		}
	})
}
