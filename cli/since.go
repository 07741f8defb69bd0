package cli

import (
	"bytes"
	"context"
	"errors"
	"fmt"
	"os/exec"
	"path/filepath"
	"strconv"
	"strings"

	"justlens/core/review"
	"justlens/core/text"
)

// changed tells which lines of files have changed since a revision, as the program git tells.
type changed struct {
	root  string
	lines map[string][]lines // by the path from root; nil for a file that is new
}

// lines are 1-based, both ends taken in; of lines that were only taken away those on either side.
type lines struct{ first, last int }

// changedSince asks git what has changed since a revision in the work tree around a folder: what is
// committed, what is not, and files that git does not know yet.
func changedSince(ctx context.Context, revision, folder string) (*changed, error) {
	git := func(args ...string) (string, error) {
		cmd := exec.CommandContext(ctx, "git", append([]string{"-C", folder, "-c", "core.quotePath=false"}, args...)...)
		var problem bytes.Buffer
		cmd.Stderr = &problem
		out, err := cmd.Output()
		if errors.Is(err, exec.ErrNotFound) {
			return "", errors.New("--since asks the program git, which is not installed")
		}
		if err != nil {
			return "", errors.New(strings.TrimSpace(problem.String()))
		}
		return string(out), nil
	}
	root, err := git("rev-parse", "--show-toplevel")
	if err != nil {
		if strings.HasPrefix(err.Error(), "--since") {
			return nil, err
		}
		return nil, fmt.Errorf("--since %s: %s is in no work tree of git", revision, folder)
	}
	if _, err := git("rev-parse", "--verify", "--quiet", "--end-of-options", revision+"^{commit}"); err != nil {
		return nil, fmt.Errorf("--since %s: git knows no such revision", revision)
	}
	c := &changed{root: strings.TrimSuffix(root, "\n"), lines: map[string][]lines{}}
	diff, err := git("diff", "--no-color", "--no-ext-diff", "--unified=0", "--find-renames", "--src-prefix=a/", "--dst-prefix=b/", revision, "--", ":/")
	if err != nil {
		return nil, fmt.Errorf("--since %s: git could not compare: %w", revision, err)
	}
	c.read(diff)
	untracked, err := git("ls-files", "--others", "--exclude-standard", "--full-name", "-z", ":/")
	if err != nil {
		return nil, fmt.Errorf("--since %s: git could not list new files: %w", revision, err)
	}
	for path := range strings.SplitSeq(untracked, "\x00") {
		if path != "" {
			c.lines[path] = nil
		}
	}
	return c, nil
}

// read takes in a unified diff without context.
func (c *changed) read(diff string) {
	path := ""
	for line := range strings.SplitSeq(diff, "\n") {
		if name, ok := strings.CutPrefix(line, "+++ "); ok {
			path = ""
			if inside, ok := strings.CutPrefix(strings.TrimSuffix(unquoted(name), "\t"), "b/"); ok {
				path = inside
			}
			continue
		}
		at, ok := strings.CutPrefix(line, "@@ ")
		if !ok || path == "" {
			continue
		}
		_, at, _ = strings.Cut(at, "+")
		at, _, _ = strings.Cut(at, " ")
		start, length, several := strings.Cut(at, ",")
		first, err := strconv.Atoi(start)
		n := 1
		if several && err == nil {
			n, err = strconv.Atoi(length)
		}
		if err != nil {
			continue
		}
		one := lines{first, first + n - 1}
		if n == 0 { // lines were taken away behind first
			one = lines{first, first + 1}
		}
		c.lines[path] = append(c.lines[path], one)
	}
}

// unquoted gives a path that git writes in quotes.
func unquoted(path string) string {
	if s, err := strconv.Unquote(path); err == nil {
		return s
	}
	return path
}

// of gives the changed lines of a file; ok is false where none has changed.
func (c *changed) of(path string) (list []lines, ok bool) {
	real := namedFile(path).real
	inside, err := filepath.Rel(namedFile(c.root).real, real)
	if err != nil {
		return nil, false
	}
	list, ok = c.lines[filepath.ToSlash(inside)]
	return list, ok
}

// touches tells of a text which bytes belong to changed lines; nil for all.
func touches(f *text.File, list []lines) []text.Span {
	var spans []text.Span
	for _, l := range list {
		if l.first <= f.LineCount() {
			last := min(l.last, f.LineCount())
			spans = append(spans, text.Span{Start: f.Line(max(1, l.first)).Start, End: max(f.Line(max(1, last)).End, f.Line(max(1, l.first)).Start+1)})
		}
	}
	return spans
}

// keepChanged drops the findings in statements that have not changed.
func keepChanged(f *review.File, list []lines) {
	if list == nil {
		return
	}
	spans := touches(f.Text, list)
	kept := f.Findings[:0]
	for _, found := range f.Findings {
		for _, s := range spans {
			if found.Of.Start < s.End && s.Start < found.Of.End {
				kept = append(kept, found)
				break
			}
		}
	}
	f.Findings = kept
}

// onlyChanged gives those of some inputs that have changed since a revision. What is no file counts
// as changed.
func onlyChanged(ctx context.Context, revision string, in []review.Input) ([]review.Input, *changed, error) {
	folder := "."
	for _, i := range in {
		if isPlainFile(i.Path) {
			folder = filepath.Dir(i.Path)
			break
		}
	}
	c, err := changedSince(ctx, revision, folder)
	if err != nil {
		return nil, nil, err
	}
	var out []review.Input
	for _, i := range in {
		if _, ok := c.of(i.Path); ok || !isPlainFile(i.Path) {
			out = append(out, i)
		}
	}
	return out, c, nil
}

// committed leaves out the files that have changes which are not committed to git, and says so. Where
// git is not there, or no work tree, none is left out.
func committed(ctx context.Context, in []review.Input) (out []review.Input, spared []error) {
	roots := map[string]string{} // by folder, "" for one in no work tree
	dirty := map[string]map[string]bool{}
	for _, i := range in {
		if !isPlainFile(i.Path) {
			out = append(out, i)
			continue
		}
		real := namedFile(i.Path).real
		folder := filepath.Dir(real)
		root, known := roots[folder]
		if !known {
			top, err := exec.CommandContext(ctx, "git", "-C", folder, "rev-parse", "--show-toplevel").Output()
			if err == nil {
				root = strings.TrimSuffix(string(top), "\n")
			}
			roots[folder] = root
		}
		if root == "" {
			out = append(out, i)
			continue
		}
		if dirty[root] == nil {
			dirty[root] = uncommitted(ctx, root)
		}
		inside, err := filepath.Rel(namedFile(root).real, real)
		if err == nil && dirty[root][filepath.ToSlash(inside)] {
			spared = append(spared, fmt.Errorf("%s: it has changes that are not committed to git; commit them, or say --force", i.Path))
			continue
		}
		out = append(out, i)
	}
	return out, spared
}

// uncommitted lists the files of a work tree that differ from what is committed, and those that git
// does not know.
func uncommitted(ctx context.Context, root string) map[string]bool {
	list := map[string]bool{}
	told, err := exec.CommandContext(ctx, "git", "-C", root, "status", "--porcelain=v1", "-z", "--untracked-files=all", "--no-renames").Output()
	if err != nil {
		return list
	}
	for one := range strings.SplitSeq(string(told), "\x00") {
		if len(one) > 3 {
			list[one[3:]] = true
		}
	}
	return list
}
