package cli

import (
	"context"
	"fmt"
	"os"
	"path/filepath"
	"strings"

	"justlens/core/dialect"
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

// gather lets texts know of each other: of their tables where no schema is named, and of
// their dialect where it is to be guessed. They are those of a run, or, of a single file,
// those of its folder.
func (f *reviewFlags) gather(ctx context.Context, p *Program, in []review.Input, o *review.Options) error {
	tables := o.Schema == nil && f.tablesOf != "none"
	if !tables && !o.Auto {
		return nil
	}
	around := in
	if len(in) == 1 && f.tablesOf == "folder" {
		around = neighbours(in[0])
	}
	if len(around) < 2 {
		return nil
	}
	progress := p.showProgress("looking around", len(around))
	defer progress.end()
	g := schema.NewGatherer()
	var folders dialect.Folders
	refused := make([]dialect.Set, len(around)) // by what stands in the files
	for i := range around {
		if err := ctx.Err(); err != nil {
			return err
		}
		progress.done()
		path := around[i].Path
		src := gathered(path)
		if src == nil {
			continue // which the review tells, where it is to be told
		}
		d := o.Dialect
		if o.Auto {
			guess := around[i].Guess
			if guess == nil { // else the configuration names it
				w := g.Guess(path, src)
				guess = &review.Guess{Dialect: w.Dialect, Clue: w.Clue, Unsure: !w.Sure}
				around[i].Guess, refused[i] = guess, w.Not
				if w.Sure && w.Dialect != dialect.ANSI {
					folders.Add(path, w.Dialect, w.OwnName)
				}
			} else if guess.Dialect != dialect.ANSI {
				folders.Add(path, guess.Dialect, false)
			}
			d = guess.Dialect
		}
		if tables && schema.SpeaksOfTables(src) {
			g.Add(src, d)
		}
	}
	for i := range in {
		in[i].Guess = around[i].Guess // a single file is the first of its neighbours
		if guess := in[i].Guess; guess != nil && guess.Unsure && !guess.Named {
			if d, files := folders.Of(in[i].Path); files > 0 && !refused[i].Has(d) {
				guess.Dialect, guess.Clue = d, fmt.Sprintf("%d files of its folder", files)
			}
		}
	}
	if tables {
		o.Schema = g.Schema()
	}
	return nil
}

// gathered gives the text of a file that may serve others, else nil.
func gathered(path string) []byte {
	info, err := os.Stat(path)
	if err != nil || !info.Mode().IsRegular() || info.Size() > mostGathered {
		return nil // no file, or one whose reading would take away what is to be reviewed
	}
	src, err := os.ReadFile(path)
	if err != nil {
		return nil
	}
	f, err := text.NewFile(path, src)
	if err != nil {
		return nil
	}
	return f.Bytes()
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
