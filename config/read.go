package config

import (
	"errors"
	"fmt"
	"os"
	"path/filepath"
	"slices"
	"strconv"
	"strings"

	"github.com/bmatcuk/doublestar/v4"
	"github.com/pelletier/go-toml/v2"
	"github.com/pelletier/go-toml/v2/unstable"

	"justlens/core/check"
	"justlens/core/checks"
	"justlens/core/dialect"
	"justlens/core/text"
)

// Find gives the path of the file that holds for a folder: that of the folder, or of the nearest
// folder above it up to the root of its repository. It is "" where there is none.
func Find(folder string) string {
	folder, err := filepath.Abs(folder)
	if err != nil {
		return ""
	}
	for {
		path := filepath.Join(folder, Name)
		if info, err := os.Stat(path); err == nil && info.Mode().IsRegular() {
			return path
		}
		if _, err := os.Stat(filepath.Join(folder, ".git")); err == nil {
			return ""
		}
		above := filepath.Dir(folder)
		if above == folder {
			return ""
		}
		folder = above
	}
}

// written is the form of the file.
type written struct {
	Dialect   string            `toml:"dialect"`
	Schema    []string          `toml:"schema"`
	TablesOf  string            `toml:"tables-of"`
	Certainty string            `toml:"certainty"`
	Gate      string            `toml:"gate"`
	Known     string            `toml:"known"`
	Reasons   string            `toml:"reasons"`
	Skip      []string          `toml:"skip"`
	Limits    writtenLimits     `toml:"limits"`
	Checks    map[string]string `toml:"checks"`
	Paths     []writtenPaths    `toml:"paths"`
}

type writtenLimits struct {
	InList int `toml:"in-list"`
}

type writtenPaths struct {
	Match     []string          `toml:"match"`
	Dialect   string            `toml:"dialect"`
	Certainty string            `toml:"certainty"`
	Checks    map[string]string `toml:"checks"`
}

var (
	keys      = []string{"dialect", "schema", "tables-of", "certainty", "gate", "known", "reasons", "skip", "limits", "checks", "paths"}
	limitKeys = []string{"in-list"}
	pathsKeys = []string{"match", "dialect", "certainty", "checks"}
)

// Read reads a file. An error names the line of what is wrong, and the nearest right name.
func Read(path string) (*File, error) {
	src, err := os.ReadFile(path)
	if err != nil {
		return nil, err
	}
	f, err := parse(src)
	if err != nil {
		return nil, fmt.Errorf("%s, %w", path, err)
	}
	f.Path = path
	return f, nil
}

func parse(src []byte) (*File, error) {
	lines, err := linesOf(src)
	if err != nil {
		return nil, err
	}
	if err := unknownKey(lines); err != nil {
		return nil, err
	}
	var w written
	if err := toml.Unmarshal(src, &w); err != nil {
		var wrong *toml.DecodeError
		if errors.As(err, &wrong) {
			line, _ := wrong.Position()
			return nil, fmt.Errorf("line %d: %s", line, whatIsWrong(wrong))
		}
		return nil, fmt.Errorf("line 1: %w", err)
	}
	f := &File{Dialect: w.Dialect, Schema: w.Schema, TablesOf: w.TablesOf, Certainty: w.Certainty, Gate: w.Gate, Known: w.Known, Reasons: w.Reasons, Skip: w.Skip, Limits: check.Limits{InList: w.Limits.InList}, Checks: w.Checks, lines: lines}
	for _, p := range w.Paths {
		f.Paths = append(f.Paths, Paths(p))
	}
	return f, f.validate()
}

// whatIsWrong says in few words what a value is not.
func whatIsWrong(e *toml.DecodeError) string {
	if key := e.Key(); len(key) > 0 {
		return fmt.Sprintf("%s does not take such a value: justlens init writes an example of each", key[len(key)-1])
	}
	return "this is no TOML: a key, =, and a value in quotes are needed"
}

// linesOf gives the line of each key, by its path.
func linesOf(src []byte) (map[string]int, error) {
	lines := map[string]int{}
	var p unstable.Parser
	p.Reset(src)
	var table []string
	arrays := map[string]int{}
	for p.NextExpression() {
		e := p.Expression()
		var key []string
		line := 0
		for it := e.Key(); it.Next(); {
			key = append(key, string(it.Node().Data))
			if line == 0 {
				line = p.Shape(it.Node().Raw).Start.Line
			}
		}
		switch e.Kind {
		case unstable.Table:
			table = key
			if len(key) > 1 && arrays[key[0]] > 0 {
				table = append([]string{key[0], number(arrays[key[0]] - 1)}, key[1:]...)
			}
			lines[keyOf(table)] = line
		case unstable.ArrayTable:
			table = append(slices.Clone(key), number(arrays[keyOf(key)]))
			arrays[keyOf(key)]++
			lines[keyOf(table)] = line
		case unstable.KeyValue:
			whole := append(slices.Clone(table), key...)
			lines[keyOf(whole)] = line
			inlineKeys(lines, whole, e.Value(), line)
		}
	}
	if err := p.Error(); err != nil {
		var wrong *unstable.ParserError
		line := 1
		if errors.As(err, &wrong) {
			line = p.Shape(p.Range(wrong.Highlight)).Start.Line
		}
		return nil, fmt.Errorf("line %d: this is no TOML: a key, =, and a value in quotes are needed", line)
	}
	return lines, nil
}

// inlineKeys notes the keys of a table that is written in braces, on the line of its key.
func inlineKeys(lines map[string]int, within []string, value *unstable.Node, line int) {
	if value == nil || value.Kind != unstable.InlineTable {
		return
	}
	for it := value.Children(); it.Next(); {
		whole := slices.Clone(within)
		for k := it.Node().Key(); k.Next(); {
			whole = append(whole, string(k.Node().Data))
		}
		lines[keyOf(whole)] = line
		inlineKeys(lines, whole, it.Node().Value(), line)
	}
}

const between = "\x1f"

func keyOf(parts []string) string { return strings.Join(parts, between) }

func number(i int) string { return strconv.Itoa(i) }

// unknownKey tells of the first key that means nothing.
func unknownKey(lines map[string]int) error {
	first, problem := 0, ""
	for key, line := range lines {
		parts := strings.Split(key, between)
		known, name := keys, parts[0]
		if parts[0] == "limits" && len(parts) > 1 {
			known, name = limitKeys, parts[1]
		}
		if parts[0] == "paths" {
			if len(parts) < 3 {
				continue
			}
			known, name = pathsKeys, parts[2]
		}
		if !slices.Contains(known, name) && (first == 0 || line < first) {
			first, problem = line, fmt.Sprintf("line %d: there is no key %s%s", line, name, meant(name, known))
		}
	}
	if problem != "" {
		return errors.New(problem)
	}
	return nil
}

func meant(name string, names []string) string {
	if near := text.Nearest(name, names); near != "" {
		return fmt.Sprintf("; did you mean %s?", near)
	}
	return "; there are " + check.List(names, "and")
}

// validate tells of the first value that cannot be.
func (f *File) validate() error {
	wrong := func(err error, within ...string) error { return fmt.Errorf("line %d: %w", f.line(within...), err) }
	choices := []struct {
		key, value string
		of         []string
	}{
		{"certainty", f.Certainty, []string{"certain", "likely", "possible"}}, {"gate", f.Gate, []string{"refused", "wrong", "slow", "unclear"}},
		{"tables-of", f.TablesOf, []string{"folder", "run", "none"}}, {"reasons", f.Reasons, []string{"required", "optional"}},
	}
	for _, c := range choices {
		if err := oneOf(c.key, c.value, c.of); err != nil {
			return wrong(err, c.key)
		}
	}
	if err := validateDialect(f.Dialect); err != nil {
		return wrong(err, "dialect")
	}
	if f.Limits.InList < 0 || f.Limits.InList == 0 && f.line("limits", "in-list") > 0 {
		return wrong(errors.New("in-list is how many values a list may have, at least 1"), "limits", "in-list")
	}
	if err := validatePatterns(f.Skip); err != nil {
		return wrong(err, "skip")
	}
	if name, err := validateChecks(f.Checks); err != nil {
		return wrong(err, "checks", name)
	}
	for i, p := range f.Paths {
		within := func(key ...string) []string { return append([]string{"paths", number(i)}, key...) }
		switch {
		case len(p.Match) == 0:
			return wrong(errors.New(`match is missing: say which paths are meant, as match = ["reports/**"]`), within()...)
		}
		if err := validatePatterns(p.Match); err != nil {
			return wrong(err, within("match")...)
		}
		if err := validateDialect(p.Dialect); err != nil {
			return wrong(err, within("dialect")...)
		}
		if err := oneOf("certainty", p.Certainty, choices[0].of); err != nil {
			return wrong(err, within("certainty")...)
		}
		if name, err := validateChecks(p.Checks); err != nil {
			return wrong(err, within("checks", name)...)
		}
	}
	return nil
}

func oneOf(key, value string, of []string) error {
	if value == "" || slices.Contains(of, value) {
		return nil
	}
	near := text.Nearest(value, of)
	if near != "" {
		near = fmt.Sprintf("; did you mean %s?", near)
	}
	return fmt.Errorf("%s cannot be %q: it is %s%s", key, value, check.List(of, "or"), near)
}

func validateDialect(s string) error {
	if s == "" || s == "auto" {
		return nil
	}
	_, _, err := dialect.ParseWithVersion(s)
	return err
}

func validatePatterns(patterns []string) error {
	for _, p := range patterns {
		if !doublestar.ValidatePattern(p) {
			return fmt.Errorf("%q is no pattern that can be read; close its brackets", p)
		}
	}
	return nil
}

// validateChecks gives the first name, by the alphabet, that means nothing or stands beside what
// cannot be.
func validateChecks(levels map[string]string) (string, error) {
	var known []string
	for _, f := range checks.Families {
		known = append(known, f.Name)
	}
	for _, c := range checks.All() {
		known = append(known, c.ID)
	}
	var names []string
	for name := range levels {
		names = append(names, name)
	}
	slices.Sort(names)
	for _, name := range names {
		if !slices.Contains(known, name) {
			near := ""
			if n := text.Nearest(name, known); n != "" {
				near = fmt.Sprintf("; did you mean %q?", n)
			}
			return name, fmt.Errorf("no check or family is called %q%s", name, near)
		}
		if err := oneOf(name, levels[name], []string{"off", "refused", "wrong", "slow", "unclear"}); err != nil {
			return name, err
		}
	}
	return "", nil
}
