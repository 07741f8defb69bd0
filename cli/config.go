package cli

import (
	"errors"
	"fmt"
	"os"
	"path/filepath"
	"slices"
	"strings"

	"github.com/spf13/cobra"

	"justlens/config"
	"justlens/core/check"
	"justlens/core/review"
	"justlens/database"
)

// noConfig, for --config, says that no configuration is to be looked for.
const noConfig = "none"

// configure finds the configuration and lets it speak where no flag does. What concerns the whole run
// is that of the first path.
func (f *reviewFlags) configure(cmd *cobra.Command, paths []string) error {
	f.byFolder = map[string]*config.File{}
	f.given = func(name string) bool { flag := cmd.Flags().Lookup(name); return flag != nil && flag.Changed }
	switch {
	case f.configPath == noConfig:
		return nil
	case f.configPath != "":
		file, err := readConfig(f.configPath)
		if err != nil {
			return err
		}
		f.config, f.onlyConfig = file, true
	default:
		first := "."
		if len(paths) > 0 && paths[0] != "-" {
			first = folderOf(paths[0])
		}
		file, err := f.configOf(first)
		if err != nil {
			return err
		}
		f.config = file
	}
	c := f.config
	if c == nil {
		return nil
	}
	if len(c.Schema) > 0 && !f.given("schema") {
		f.schemas = nil
		for _, s := range c.Schema {
			f.schemas = append(f.schemas, besideConfig(c, s))
		}
	}
	if c.TablesOf != "" && !f.given("tables-of") {
		f.tablesOf = c.TablesOf
	}
	if !f.given("certainty") {
		f.certainty = f.leastCertainty(c)
	}
	if c.Dialect != "" && !f.given("dialect") {
		f.dialect = c.Dialect
	}
	return nil
}

// leastCertainty gives the least that holds for any path.
func (f *reviewFlags) leastCertainty(c *config.File) string {
	least, text := check.Certain+1, f.certainty
	add := func(s string) {
		if one, err := check.ParseCertainty(s); err == nil && one < least {
			least, text = one, s
		}
	}
	if c.Certainty == "" {
		add(f.certainty)
	} else {
		add(c.Certainty)
	}
	for _, p := range c.Paths {
		add(p.Certainty)
	}
	return text
}

func readConfig(path string) (*config.File, error) {
	file, err := config.Read(path)
	if errors.Is(err, os.ErrNotExist) || errors.Is(err, os.ErrPermission) {
		return nil, errors.New(plainError(path, err))
	}
	return file, err
}

// besideConfig gives a source as it is meant from the folder of a configuration.
func besideConfig(c *config.File, source string) string {
	if source == "-" || database.IsAddress(source) || filepath.IsAbs(source) {
		return source
	}
	return filepath.Join(filepath.Dir(c.Path), source)
}

// folderOf gives the folder in which a configuration is first looked for: of a glob that before
// its first sign.
func folderOf(path string) string {
	if info, err := os.Stat(path); err == nil && info.IsDir() {
		return path
	}
	if i := strings.IndexAny(path, "*?[{"); i >= 0 {
		path = path[:i] + "x"
	}
	return filepath.Dir(path)
}

// configOf gives the configuration that holds in a folder, nil if there is none.
func (f *reviewFlags) configOf(folder string) (*config.File, error) {
	if f.onlyConfig || f.configPath == noConfig {
		return f.config, nil
	}
	if known, ok := f.byFolder[folder]; ok {
		return known, nil
	}
	path := fromHere(config.Find(folder))
	var file *config.File
	if path != "" {
		for _, other := range f.byFolder {
			if other != nil && other.Path == path {
				file = other
			}
		}
		if file == nil {
			var err error
			if file, err = readConfig(path); err != nil {
				return nil, err
			}
		}
	}
	f.byFolder[folder] = file
	return file, nil
}

// fromHere gives a path from the working folder.
func fromHere(path string) string {
	here, err := os.Getwd()
	if err != nil || path == "" {
		return path
	}
	if short, err := filepath.Rel(here, path); err == nil && len(short) < len(path) {
		return short
	}
	return path
}

// settings gives what holds for a text; nothing is said of what is no file.
func (f *reviewFlags) settings(path string) (config.Settings, error) {
	folder := "."
	if path != stdinName && path != queryName {
		folder = filepath.Dir(path)
	}
	c, err := f.configOf(folder)
	if c == nil || err != nil {
		return config.Settings{}, err
	}
	return c.For(path), nil
}

// admitted leaves out the inputs that a configuration skips, and gives the others the dialect that
// it names.
func (f *reviewFlags) admitted(in []review.Input, o *review.Options) (out []review.Input, skipped int, err error) {
	for _, i := range in {
		folder := filepath.Dir(i.Path)
		c, err := f.configOf(folder)
		if err != nil {
			return nil, 0, err
		}
		if c == nil {
			out = append(out, i)
			continue
		}
		if i.Path != stdinName && i.Path != queryName && c.Skips(i.Path) {
			skipped++
			continue
		}
		if !f.given("dialect") {
			f.speak(&i, c, o)
		}
		out = append(out, i)
	}
	return out, skipped, nil
}

// speak gives an input the dialect that a configuration names for it.
func (f *reviewFlags) speak(i *review.Input, c *config.File, o *review.Options) {
	s := c.For(i.Path)
	d, v, named := s.ParseDialect()
	if named {
		i.Guess = &review.Guess{Dialect: d, Version: v, Named: true}
		o.Auto = true
	}
}

// settle lets the configuration judge what was found in a text.
func (f *reviewFlags) settle(file *review.File) {
	s, err := f.settings(file.Text.Path)
	if err != nil || len(s.Checks) == 0 && s.Certainty.Text == "" {
		return
	}
	least := check.Possible
	if !f.given("certainty") {
		text := s.Certainty.Text
		if text == "" {
			text = "likely"
		}
		least, _ = check.ParseCertainty(text)
	}
	file.Findings = slices.DeleteFunc(file.Findings, func(found review.Finding) bool {
		level, said := s.Level(found.Check)
		return found.Certainty < least || said && level.Off && !f.asked(found.Check)
	})
	for i := range file.Findings {
		found := &file.Findings[i]
		if level, said := s.Level(found.Check); said && !level.Off {
			found.Consequence = level.Consequence
		}
	}
}

// asked reports whether --only names a check or its family.
func (f *reviewFlags) asked(c *check.Check) bool {
	return slices.ContainsFunc(f.only, func(name string) bool { return isNamed(c, name) })
}

// showConfig prints what holds for texts, and where each value comes from.
func (o *reviewOptions) showConfig(p *Program, in []review.Input) error {
	for n, i := range in {
		if n > 0 {
			fmt.Fprintln(p.Stdout)
		}
		folder := filepath.Dir(i.Path)
		c, err := o.configOf(folder)
		if err != nil {
			return err
		}
		s, err := o.settings(i.Path)
		if err != nil {
			return err
		}
		fmt.Fprintln(p.Stdout, i.Path)
		row := func(name, value, from string) { fmt.Fprintf(p.Stdout, "  %-22s %-28s %s\n", name, value, from) }
		show := func(name, flag, value, usual string, line int) {
			switch {
			case o.given(flag):
				row(name, value, "--"+flag)
			case line > 0:
				row(name, value, fmt.Sprintf("%s, line %d", c.Path, line))
			default:
				row(name, usual, "built in")
			}
		}
		text := func(v config.Value, flag string) string {
			if o.given(flag) || v.Text == "" {
				return map[string]string{"dialect": o.dialect, "certainty": o.certainty}[flag]
			}
			return v.Text
		}
		lineOf := func(key string) int {
			if c == nil {
				return 0
			}
			return c.Line(key)
		}
		show("dialect", "dialect", text(s.Dialect, "dialect"), "auto", s.Dialect.Line)
		var sources []string
		for _, source := range o.schemas {
			sources = append(sources, database.Redacted(source))
		}
		show("schema", "schema", strings.Join(sources, ", "), "none", lineOf("schema"))
		show("tables-of", "tables-of", o.tablesOf, "folder", lineOf("tables-of"))
		show("certainty", "certainty", text(s.Certainty, "certainty"), "likely", s.Certainty.Line)
		show("gate", "gate", o.gate, "wrong", lineOf("gate"))
		known := o.known
		if known == "" {
			known = "none"
		}
		show("known", "known", known, "none", lineOf("known"))
		reasons := ""
		if c != nil {
			reasons = c.Reasons
		}
		show("reasons", "", reasons, "required", lineOf("reasons"))
		if c != nil && c.Skips(i.Path) {
			row("skipped", "yes", fmt.Sprintf("%s, line %d", c.Path, c.Line("skip")))
		}
		for _, name := range slices.Sorted(keysOf(s.Checks)) {
			show(name, "", s.Checks[name].Text, "", s.Checks[name].Line)
		}
	}
	return nil
}

func keysOf(m map[string]config.Value) func(func(string) bool) {
	return func(yield func(string) bool) {
		for k := range m {
			if !yield(k) {
				return
			}
		}
	}
}

// dropOff leaves out the checks that a configuration switches off for all paths.
func (f *reviewFlags) dropOff(o *review.Options) {
	c := f.config
	if c == nil || len(c.Paths) > 0 || len(f.byFolder) > 1 {
		return
	}
	s := c.For("")
	kept := slices.DeleteFunc(slices.Clone(o.Checks), func(one *check.Check) bool {
		level, said := s.Level(one)
		return said && level.Off && !f.asked(one)
	})
	if len(kept) > 0 {
		o.Checks = kept
	}
}
