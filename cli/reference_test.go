package cli_test

import (
	"bytes"
	"context"
	"flag"
	"os"
	"strings"
	"testing"
	"time"
	"unicode/utf8"

	"github.com/spf13/cobra"
	"github.com/spf13/cobra/doc"
	"github.com/stretchr/testify/require"

	"justlens/cli"
)

var updateReference = flag.Bool("update-reference", false, "write docs/reference.md anew")

// TestReferenceIsCurrent holds docs/reference.md to what the commands say of themselves.
func TestReferenceIsCurrent(t *testing.T) {
	t.Parallel()
	var b strings.Builder
	b.WriteString("# Commands\n\nWhat each command says with `--help`; `go test ./cli -run Reference -update-reference` writes this page.\n")
	for _, command := range []string{"", "review", "mend", "follow", "compare", "guide", "schema", "known save", "known prune", "init", "demo", "completion"} {
		var out bytes.Buffer
		args := append(strings.Fields(command), "--help")
		require.Zero(t, cli.Run(context.Background(), args, strings.NewReader(""), &out, &out, func(string) string { return "" }))
		for line := range strings.Lines(out.String()) {
			require.LessOrEqual(t, utf8.RuneCountInString(strings.TrimRight(line, "\n")), 80, "a line of a terminal: %s", line)
		}
		help := strings.ReplaceAll(out.String(), jobs(out.String()), "(default: the processors)")
		b.WriteString("\n## " + strings.TrimSpace("justlens "+command) + "\n\n```\n" + strings.TrimSpace(help) + "\n```\n")
	}
	requireCurrent(t, "../docs/reference.md", b.String())
}

// TestReferenceManPages holds docs/man to the commands.
func TestReferenceManPages(t *testing.T) {
	t.Parallel()
	root := cli.Commands()
	root.DisableAutoGenTag = true
	header := doc.GenManHeader{Section: "1", Source: "Just Lens", Manual: "Just Lens", Date: new(time.Time)}
	pages := map[string]bool{}
	var write func(*cobra.Command)
	write = func(command *cobra.Command) {
		if command.Hidden || command.Name() == "help" || command.Parent() != nil && command.Parent().Name() == "completion" {
			return
		}
		if f := command.Flags().Lookup("jobs"); f != nil {
			f.DefValue = "the processors"
		}
		h, name := header, strings.ReplaceAll(command.CommandPath(), " ", "-")
		h.Title = strings.ToUpper(name)
		var page bytes.Buffer
		require.NoError(t, doc.GenMan(command, &h, &page))
		requireCurrent(t, "../docs/man/"+name+".1", undated(page.String()))
		pages[name+".1"] = true
		for _, c := range command.Commands() {
			write(c)
		}
	}
	write(root)
	found, err := os.ReadDir("../docs/man")
	require.NoError(t, err)
	for _, f := range found {
		require.True(t, pages[f.Name()], "no command has the page %s", f.Name())
	}
}

// undated takes the date out of a page's head: a page is as old as its release.
func undated(page string) string { return strings.Replace(page, `"Jan 0001"`, `""`, 1) }

func requireCurrent(t *testing.T, path, text string) {
	t.Helper()
	if *updateReference {
		require.NoError(t, os.WriteFile(path, []byte(text), 0o644))
	}
	written, err := os.ReadFile(path)
	require.NoError(t, err)
	require.Equal(t, string(written), text, "go test ./cli -run Reference -update-reference writes it anew")
}

// jobs gives the default of --jobs, which differs from machine to machine.
func jobs(help string) string {
	_, rest, ok := strings.Cut(help, "files to review at a time ")
	if !ok {
		return "(default: the processors)"
	}
	value, _, _ := strings.Cut(rest, ")")
	return value + ")"
}
