package cli

import (
	"context"
	"os"

	"justlens/core/review"
	"justlens/core/schema"
	"justlens/core/text"
)

// mostGathered bounds the size in bytes of a text whose tables serve the others of a run:
// larger ones are dumps.
const mostGathered = 16 << 20

// gather lets the files of a run know of each other's tables where no schema is named.
func (p *Program) gather(ctx context.Context, in []review.Input, o *review.Options) error {
	if o.Schema != nil || len(in) < 2 {
		return nil
	}
	progress := p.showProgress("looking for tables", len(in))
	defer progress.end()
	g := schema.NewGatherer()
	for _, input := range in {
		if err := ctx.Err(); err != nil {
			return err
		}
		progress.done()
		info, err := os.Stat(input.Path)
		if err != nil || !info.Mode().IsRegular() || info.Size() > mostGathered {
			continue // no file, or one whose reading would take away what is to be reviewed
		}
		src, err := os.ReadFile(input.Path)
		if err != nil {
			continue // which the review tells
		}
		f, err := text.NewFile(input.Path, src)
		if err != nil || !schema.SpeaksOfTables(f.Bytes()) {
			continue
		}
		d := o.Dialect
		if o.Auto {
			d = g.Guess(input.Path, f.Bytes())
		}
		g.Add(f.Bytes(), d)
	}
	o.Schema = g.Schema()
	return nil
}
