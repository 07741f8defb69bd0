package cli

import (
	"context"
	"fmt"
	"io"
	"strings"

	"github.com/spf13/cobra"

	"justlens/core/check"
	"justlens/core/checks"
	"justlens/core/compare"
	"justlens/core/run"
	"justlens/core/schema"
	"justlens/demo"
	"justlens/report"
)

func newGuide(p *Program) *cobra.Command {
	var color colorFlag
	cmd := &cobra.Command{
		Use:   "guide [CHECK, FAMILY or ERROR]",
		Short: "What is checked, one check in full, or what explains an error",
		Example: "  justlens guide\n  justlens guide null\n" +
			"  justlens guide null.not-in-subquery\n  justlens guide 42803\n  justlens guide ORA-00979",
		Args: func(_ *cobra.Command, args []string) error {
			if len(args) > 1 && !strings.EqualFold(args[0], "msg") && !strings.EqualFold(args[0], "error") {
				return usageError{fmt.Errorf("one check or family at a time, not %d", len(args))}
			}
			return nil
		},
		RunE: func(cmd *cobra.Command, args []string) error {
			if err := color.check(); err != nil {
				return err
			}
			return guide(cmd.Context(), p.Stdout, report.StyleFor(p.Stdout, color.value, p.Env("NO_COLOR") != ""), args)
		},
		ValidArgsFunction: cobra.FixedCompletions(checkNames(), cobra.ShellCompDirectiveNoFileComp),
	}
	color.add(cmd)
	return cmd
}

func guide(ctx context.Context, w io.Writer, style report.Style, args []string) error {
	all := checks.All()
	if len(args) == 0 {
		return report.GuideList(w, style, checks.Families, all)
	}
	if answer := strings.Join(args, " "); strings.ContainsAny(answer, "0123456789") {
		explaining := checks.Answering(answer)
		if len(explaining) == 0 {
			return fmt.Errorf("no check explains the error %q; justlens guide lists all checks", answer)
		}
		return report.GuideAnswers(w, style, answer, explaining)
	}
	chosen, err := chosenChecks(args, nil)
	if err != nil {
		return err
	}
	if strings.Contains(args[0], ".") {
		return report.GuideCheck(w, style, chosen[0], func(c *check.Check, e check.Example) *compare.Evidence { return exampleRows(ctx, c, e) })
	}
	return report.GuideList(w, style, family(chosen), chosen)
}

// exampleRows looks for made rows of the demo's tables on which an example and its mended form part, on the
// first database that runs it with wrong rows.
func exampleRows(ctx context.Context, c *check.Check, e check.Example) *compare.Evidence {
	d, ok := c.RunsWrong(e)
	if !ok || e.NoSchema {
		return nil
	}
	tables := schema.New(nil)
	tables.Load([]byte(demo.Schema()), d)
	read := func(query string) *run.Query {
		all := run.Read([]byte(query), d, e.Version, tables)
		if len(all) == 0 {
			return nil
		}
		return all[len(all)-1]
	}
	found := compare.Show(ctx, read(e.Bad), read(e.Good))
	return &found
}

func family(chosen []*check.Check) []checks.Family {
	for _, f := range checks.Families {
		if f.Name == chosen[0].Family() {
			return []checks.Family{f}
		}
	}
	return nil
}
