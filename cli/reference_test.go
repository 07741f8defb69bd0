package cli_test

import (
	"bytes"
	"context"
	"flag"
	"os"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"justlens/cli"
)

var updateReference = flag.Bool("update-reference", false, "write docs/reference.md anew")

// TestReferenceIsCurrent holds docs/reference.md to what the commands say of themselves.
func TestReferenceIsCurrent(t *testing.T) {
	t.Parallel()
	var b strings.Builder
	b.WriteString("# Commands\n\nWhat each command says with `--help`; `go test ./cli -run Reference -update-reference` writes this page.\n")
	for _, command := range []string{"", "review", "mend", "guide", "schema", "known save", "known prune", "init", "demo", "completion"} {
		var out bytes.Buffer
		args := append(strings.Fields(command), "--help")
		require.Zero(t, cli.Run(context.Background(), args, strings.NewReader(""), &out, &out, func(string) string { return "" }))
		help := strings.ReplaceAll(out.String(), jobs(out.String()), "(default: the processors)")
		b.WriteString("\n## " + strings.TrimSpace("justlens "+command) + "\n\n```\n" + strings.TrimSpace(help) + "\n```\n")
	}
	const path = "../docs/reference.md"
	if *updateReference {
		require.NoError(t, os.WriteFile(path, []byte(b.String()), 0o644))
	}
	written, err := os.ReadFile(path)
	require.NoError(t, err)
	require.Equal(t, string(written), b.String(), "go test ./cli -run Reference -update-reference writes it anew")
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
