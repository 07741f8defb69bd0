package cli

import (
	"io"

	"github.com/spf13/cobra"
)

// Commands gives the tree of commands, for the pages that are made from it.
func Commands() *cobra.Command {
	root := newRoot(&Program{Stdout: io.Discard, Stderr: io.Discard, Env: func(string) string { return "" }})
	root.InitDefaultHelpCmd()
	return root
}
