package cli

import (
	"bytes"
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
	"justlens/core/text"
	"justlens/database"
)

// Names of texts that are no files.
const (
	stdinName = "standard input"
	queryName = "query"
)

// inputs turns paths into what to review. Problems with some of them come as
// errors, the others are given all the same. A file that several names lead to is read
// once.
func inputs(paths []string, query string, stdin io.Reader) ([]review.Input, []error) {
	var in []review.Input
	var problems []error
	if query != "" {
		in = append(in, review.Input{Path: queryName, Read: func() ([]byte, error) { return []byte(query), nil }})
	}
	seen := map[string]bool{}
	for _, path := range paths {
		if path == "-" {
			if !seen[path] {
				seen[path] = true
				in = append(in, review.Input{Path: stdinName, Read: func() ([]byte, error) { return readText(stdin) }})
			}
			continue
		}
		files, err := expand(path)
		if err != nil {
			problems = append(problems, err)
		}
		for _, f := range files {
			if seen[f.real] {
				continue
			}
			seen[f.real] = true
			in = append(in, review.Input{Path: f.path, Read: func() ([]byte, error) { return readFile(f.path) }})
		}
	}
	return in, problems
}

// sqlFile is a file by the path that is shown, and by the one that links lead to in the end.
type sqlFile struct{ path, real string }

func namedFile(path string) sqlFile {
	real, err := filepath.EvalSymlinks(path)
	if err == nil {
		real, err = filepath.Abs(real)
	}
	if err != nil {
		real = path
	}
	return sqlFile{path, real}
}

// readFile reads a file. A large text, and the tree of a large statement, would let the
// collector wait until as much again is garbage, so from then on it is told to come earlier.
func readFile(path string) ([]byte, error) {
	f, err := os.Open(path)
	if err != nil {
		return nil, err
	}
	defer f.Close()
	if info, err := f.Stat(); err != nil || !info.Mode().IsRegular() {
		return readText(f) // it may never end
	}
	src, err := os.ReadFile(path)
	if isMarkdown(path) {
		src = fencedSQL(src)
	}
	const headroom = 16 << 20
	if len(src) > headroom/4 {
		debug.SetGCPercent(min(30, 100*headroom/len(src)))
	}
	return src, err
}

// readText reads what comes, as far as it is text of a size that can be read.
func readText(r io.Reader) ([]byte, error) {
	head := make([]byte, 4096)
	n, err := io.ReadFull(r, head)
	if err != nil {
		if errors.Is(err, io.EOF) || errors.Is(err, io.ErrUnexpectedEOF) {
			err = nil
		}
		return head[:n], err
	}
	if _, err := text.NewFile("", head); err != nil {
		return nil, err
	}
	return io.ReadAll(io.MultiReader(bytes.NewReader(head), io.LimitReader(r, text.MaxSize)))
}

// expand gives the files that a path names: itself, the *.sql below a folder,
// or what a glob matches.
func expand(path string) ([]sqlFile, error) {
	info, err := os.Stat(path)
	switch {
	case path == "":
		return nil, errors.New("an empty path names no file")
	case err == nil && info.IsDir():
		files, err := sqlBelow(path)
		if err != nil {
			return files, err
		}
		kept := withoutIgnored(path, files)
		if len(kept) == 0 {
			return nil, fmt.Errorf("%s: git ignores its *.sql files; name them to review them", path)
		}
		return kept, nil
	case err == nil:
		return []sqlFile{namedFile(path)}, nil
	case database.IsAddress(path):
		return nil, fmt.Errorf("%s: an address holds no text to review; as --schema it tells of the tables", database.Redacted(path))
	case !errors.Is(err, fs.ErrNotExist) || !strings.ContainsAny(path, "*?[{"):
		return nil, errors.New(plainError(path, err))
	}
	matches, err := doublestar.FilepathGlob(path, doublestar.WithFilesOnly(), doublestar.WithNoFollow())
	if err != nil {
		return nil, fmt.Errorf("%s: not a pattern that can be read; quote it, and close its brackets", path)
	}
	if len(matches) == 0 {
		return nil, fmt.Errorf("%s: no file matches", path)
	}
	files := make([]sqlFile, len(matches))
	for i, m := range matches {
		files[i] = namedFile(m)
	}
	return files, nil
}

// sqlBelow gives the *.sql files of a folder and the folders in it, those
// whose name begins with a dot left out, in the order of their names. The folder itself
// may be a link; links in it to other folders are not followed, so that none leads round
// in a circle.
func sqlBelow(folder string) ([]sqlFile, error) {
	real := namedFile(folder).real
	var files []sqlFile
	var problem error
	err := filepath.WalkDir(real, func(path string, d fs.DirEntry, err error) error {
		shown := filepath.Join(folder, strings.TrimPrefix(path, real))
		switch {
		case err != nil:
			problem = errors.New(plainError(shown, err))
			return nil
		case d.IsDir() && path != real && strings.HasPrefix(d.Name(), "."):
			return filepath.SkipDir
		case d.IsDir() || !strings.EqualFold(filepath.Ext(path), ".sql"):
		case d.Type()&fs.ModeSymlink != 0:
			if info, err := os.Stat(path); err != nil || !info.IsDir() {
				files = append(files, sqlFile{shown, namedFile(path).real})
			}
		default:
			files = append(files, sqlFile{shown, path})
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
