package config

import (
	"path/filepath"
	"strings"

	"github.com/bmatcuk/doublestar/v4"

	"justlens/core/check"
	"justlens/core/dialect"
)

// Name is how the file is called.
const Name = "justlens.toml"

// File is a configuration as it was read. A key that is not there is "", or nil.
type File struct {
	// Path is that of the file; what it says of other files is meant from its folder.
	Path string

	Dialect   string
	Schema    []string
	TablesOf  string
	Certainty string
	Gate      string
	Known     string
	Reasons   string
	Skip      []string
	Limits    check.Limits
	Checks    map[string]string
	Paths     []Paths

	lines map[string]int // of keys, 1-based
}

// Paths says what holds for the files that match one of some patterns; of several the last one
// that says something holds.
type Paths struct {
	Match     []string
	Dialect   string
	Certainty string
	Checks    map[string]string
}

// Value is a setting with where it comes from: a line of the file, 1-based, or 0.
type Value struct {
	Text string
	Line int
}

// Settings are what holds for one text.
type Settings struct {
	Dialect   Value
	Certainty Value
	// Checks is by the names of checks and families: off, or a consequence.
	Checks map[string]Value
}

// For gives what holds for a path.
func (f *File) For(path string) Settings {
	s := Settings{Checks: map[string]Value{}}
	f.take(&s, f.Dialect, f.Certainty, f.Checks)
	inside := f.inside(path)
	for i := range f.Paths {
		if p := &f.Paths[i]; matchesAny(p.Match, inside) {
			f.take(&s, p.Dialect, p.Certainty, p.Checks, "paths", number(i))
		}
	}
	return s
}

func (f *File) take(s *Settings, dialect, certainty string, checks map[string]string, within ...string) {
	if dialect != "" {
		s.Dialect = Value{dialect, f.line(append(within, "dialect")...)}
	}
	if certainty != "" {
		s.Certainty = Value{certainty, f.line(append(within, "certainty")...)}
	}
	for name, level := range checks {
		s.Checks[strings.ToLower(name)] = Value{level, f.line(append(within, "checks", name)...)}
	}
}

// Skips reports whether a text is not to be reviewed, and the line that says so.
func (f *File) Skips(path string) bool { return matchesAny(f.Skip, f.inside(path)) }

// Line gives the line of a key of the file's first level, 0 if it is not there.
func (f *File) Line(key string) int { return f.line(key) }

func (f *File) line(parts ...string) int { return f.lines[keyOf(parts)] }

// inside gives a path from the folder of the file, with slashes.
func (f *File) inside(path string) string {
	absolute, err := filepath.Abs(path)
	if err != nil {
		return path
	}
	folder, err := filepath.Abs(filepath.Dir(f.Path))
	if err != nil {
		return path
	}
	inside, err := filepath.Rel(folder, absolute)
	if err != nil {
		return path
	}
	return filepath.ToSlash(inside)
}

// matchesAny reports whether a path matches a pattern: a glob, or a folder for all that is in it.
func matchesAny(patterns []string, path string) bool {
	for _, p := range patterns {
		p = strings.TrimSuffix(p, "/")
		if ok, _ := doublestar.Match(p, path); ok {
			return true
		}
		if ok, _ := doublestar.Match(p+"/**", path); ok {
			return true
		}
	}
	return false
}

// Level is what is to come of the findings of a check.
type Level struct {
	Off         bool
	Consequence check.Consequence
}

// Level reads what is to come of a check's findings; ok is false where nothing is said of it. What
// is said of the check counts before what is said of its family.
func (s *Settings) Level(c *check.Check) (Level, bool) {
	v, ok := s.Checks[c.ID]
	if !ok {
		v, ok = s.Checks[c.Family()]
	}
	if !ok {
		return Level{}, false
	}
	level, err := parseLevel(v.Text)
	return level, err == nil
}

func parseLevel(s string) (Level, error) {
	if strings.EqualFold(s, "off") {
		return Level{Off: true}, nil
	}
	c, err := check.ParseConsequence(s)
	return Level{Consequence: c}, err
}

// ParseDialect reads the dialect, [dialect.ANSI] and auto where none is named.
func (s *Settings) ParseDialect() (d dialect.Dialect, v dialect.Version, named bool) {
	if s.Dialect.Text == "" || strings.EqualFold(s.Dialect.Text, "auto") {
		return dialect.ANSI, 0, false
	}
	d, v, err := dialect.ParseWithVersion(s.Dialect.Text)
	return d, v, err == nil
}
