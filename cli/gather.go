package cli

import (
	"context"
	"os"
	"path/filepath"
	"strings"

	"justlens/core/review"
	"justlens/core/schema"
	"justlens/core/text"
)

// mostGathered bounds the size in bytes of a text whose tables serve the others of a run:
// larger ones are dumps.
const mostGathered = 16 << 20

// The neighbours of a single file serve it while they are few: it may be on an editor's
// way, at every key.
const (
	mostNeighbours   = 256
	largestNeighbour = 1 << 20 // bytes; a larger one is a dump
	neighbourhood    = 4 << 20 // bytes, all together
)

// gather lets texts know of each other's tables where no schema is named: those of a run,
// or, of a single file, those of its folder.
func (f *reviewFlags) gather(ctx context.Context, p *Program, in []review.Input, o *review.Options) error {
	if o.Schema != nil || f.tablesOf == "none" {
		return nil
	}
	if len(in) == 1 {
		if f.tablesOf != "folder" {
			return nil
		}
		in = neighbours(in[0])
	}
	if len(in) < 2 {
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

// neighbours gives a file with the other .sql files of its folder, or alone where they are
// none or too many.
func neighbours(file review.Input) []review.Input {
	alone := []review.Input{file}
	if file.Path == "" || !isPlainFile(file.Path) {
		return alone
	}
	folder := filepath.Dir(file.Path)
	entries, err := os.ReadDir(folder)
	if err != nil {
		return alone
	}
	all, size := alone, int64(0)
	for _, entry := range entries {
		if !entry.Type().IsRegular() || !strings.EqualFold(filepath.Ext(entry.Name()), ".sql") || entry.Name() == filepath.Base(file.Path) {
			continue
		}
		info, err := entry.Info()
		if err != nil || info.Size() > largestNeighbour {
			continue
		}
		all = append(all, review.Input{Path: filepath.Join(folder, entry.Name())})
		if size += info.Size(); size > neighbourhood || len(all) > mostNeighbours {
			return alone
		}
	}
	return all
}

func isPlainFile(path string) bool {
	info, err := os.Stat(path)
	return err == nil && info.Mode().IsRegular()
}
