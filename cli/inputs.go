package cli

import (
	"errors"
	"fmt"
	"io"
	"io/fs"
	"os"
	"path/filepath"
	"runtime/debug"
	"strings"

	"github.com/bmatcuk/doublestar/v4"

	"justlens/core/review"
)

// Names of texts that are no files.
const (
	stdinName = "standard input"
	queryName = "query"
)

// inputs turns paths into what to review. Problems with some of them come as
// errors, the others are given all the same.
func inputs(paths []string, query string, stdin io.Reader) ([]review.Input, []error) {
	var in []review.Input
	var problems []error
	if query != "" {
		in = append(in, review.Input{Path: queryName, Read: func() ([]byte, error) { return []byte(query), nil }})
	}
	seen := map[string]bool{}
	for _, path := range paths {
		if path == "-" {
			in = append(in, review.Input{Path: stdinName, Read: func() ([]byte, error) { return io.ReadAll(stdin) }})
			continue
		}
		files, err := expand(path)
		if err != nil {
			problems = append(problems, err)
		}
		for _, f := range files {
			if seen[filepath.Clean(f)] {
				continue
			}
			seen[filepath.Clean(f)] = true
			in = append(in, review.Input{Path: f, Read: func() ([]byte, error) { return readFile(f) }})
		}
	}
	return in, problems
}

// readFile reads a file. A large text would let the collector wait until as
// much again is garbage, so from then on it is told to come earlier.
func readFile(path string) ([]byte, error) {
	src, err := os.ReadFile(path)
	const headroom = 16 << 20
	if len(src) > 2*headroom {
		debug.SetGCPercent(100 * headroom / len(src))
	}
	return src, err
}

// expand gives the files that a path names: itself, the *.sql below a folder,
// or what a glob matches.
func expand(path string) ([]string, error) {
	info, err := os.Stat(path)
	switch {
	case err == nil && info.IsDir():
		return sqlBelow(path)
	case err == nil:
		return []string{path}, nil
	case !errors.Is(err, fs.ErrNotExist) || !strings.ContainsAny(path, "*?[{"):
		return nil, errors.New(plainError(path, err))
	}
	matches, err := doublestar.FilepathGlob(path, doublestar.WithFilesOnly())
	if err != nil {
		return nil, fmt.Errorf("%s: not a pattern that can be read; quote it, and close its brackets", path)
	}
	if len(matches) == 0 {
		return nil, fmt.Errorf("%s: no file matches", path)
	}
	return matches, nil
}

// sqlBelow gives the *.sql files of a folder and the folders in it, those
// whose name begins with a dot left out, in the order of their names.
func sqlBelow(folder string) ([]string, error) {
	var files []string
	var problem error
	err := filepath.WalkDir(folder, func(path string, d fs.DirEntry, err error) error {
		switch {
		case err != nil:
			problem = errors.New(plainError(path, err))
			return nil
		case d.IsDir() && path != folder && strings.HasPrefix(d.Name(), "."):
			return filepath.SkipDir
		case !d.IsDir() && strings.EqualFold(filepath.Ext(path), ".sql"):
			files = append(files, path)
		}
		return nil
	})
	if err == nil {
		err = problem
	}
	if err == nil && len(files) == 0 {
		err = fmt.Errorf("%s: no *.sql file in it", folder)
	}
	return files, err
}
