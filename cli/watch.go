package cli

import (
	"errors"
	"fmt"
	"os"
	"slices"
	"strings"
	"time"

	"github.com/spf13/cobra"
)

// glance is how long watching waits before it looks again.
const glance = 300 * time.Millisecond

// watch reviews again and again, whenever a text, a schema or the configuration changes.
func (o *reviewOptions) watch(cmd *cobra.Command, p *Program, paths []string) error {
	if o.query != "" || slices.Contains(paths, "-") || slices.Contains(o.schemas, "-") {
		return usageError{errors.New("--watch looks at files; standard input and --query do not change")}
	}
	for {
		before := o.seen(paths)
		err := o.once(cmd, p, paths)
		if err != nil && !errors.Is(err, errFindings) && !errors.Is(err, errFailed) {
			return err
		}
		fmt.Fprintf(p.Stderr, "justlens: reviewed at %s; waiting for a change, Ctrl-C ends\n", time.Now().Format(time.TimeOnly))
		for slices.Equal(o.seen(paths), before) {
			select {
			case <-cmd.Context().Done():
				return cmd.Context().Err()
			case <-time.After(glance):
			}
		}
		fmt.Fprintln(p.Stdout)
	}
}

// seen tells of all that is looked at when it changed.
func (o *reviewOptions) seen(paths []string) []string {
	var state []string
	note := func(path string) {
		if info, err := os.Stat(path); err == nil {
			state = append(state, fmt.Sprintf("%s %d %s", path, info.Size(), info.ModTime()))
		}
	}
	in, _ := inputs(paths, "", strings.NewReader(""))
	for _, i := range in {
		note(i.Path)
	}
	for _, s := range o.schemas {
		if files, err := expand(s); err == nil {
			for _, f := range files {
				note(f.path)
			}
		}
	}
	if o.config != nil {
		note(o.config.Path)
	}
	return state
}
