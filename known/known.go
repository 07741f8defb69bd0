// Package known reads and writes the file of known findings, which keeps what a review found on a
// day, so that later ones tell of new findings only.
package known

import (
	"bytes"
	"cmp"
	"encoding/json"
	"errors"
	"fmt"
	"slices"
	"strconv"

	"justlens/core/review"
)

// File is what is kept of the findings of a day, so that later reviews tell of new ones only.
type File struct {
	Version  int       `json:"version"`
	Findings []Finding `json:"findings"`
}

// Finding is what a check finds in a statement. What tells them apart is the check and the
// words of the statement; path and message are for people.
type Finding struct {
	Path      string `json:"path"`
	Check     string `json:"check"`
	Statement string `json:"statement"` // its fingerprint, as 16 hexadecimal digits
	Count     int    `json:"count"`
	Message   string `json:"message"` // of the first
}

const version = 1

// Read reads a file of known findings. An error tells what is wrong with it.
func Read(src []byte) (*File, error) {
	d := json.NewDecoder(bytes.NewReader(src))
	d.DisallowUnknownFields()
	var f File
	if err := d.Decode(&f); err != nil {
		var syntax *json.SyntaxError
		if errors.As(err, &syntax) {
			return nil, fmt.Errorf("line %d is no JSON", 1+bytes.Count(src[:min(int(syntax.Offset), len(src))], []byte("\n")))
		}
		return nil, errors.New("it is no list of known findings")
	}
	if f.Version != version {
		return nil, fmt.Errorf("it is of version %d, and this program reads %d", f.Version, version)
	}
	for _, k := range f.Findings {
		if _, err := strconv.ParseUint(k.Statement, 16, 64); err != nil || k.Count < 1 || k.Check == "" {
			return nil, fmt.Errorf("what is known of %s in %s is damaged", k.Check, k.Path)
		}
	}
	return &f, nil
}

// Add takes in the findings of a text that is shown under a path.
func (f *File) Add(path string, found []review.Finding) {
	type key struct {
		check     string
		statement review.Fingerprint
	}
	places := map[key]int{}
	for i := range found {
		k := key{found[i].Check.ID, found[i].Fingerprint}
		at, seen := places[k]
		if !seen {
			at = len(f.Findings)
			places[k] = at
			f.Findings = append(f.Findings, Finding{path, k.check, fmt.Sprintf("%016x", uint64(k.statement)), 0, found[i].Message})
		}
		f.Findings[at].Count += 1 + found[i].More
	}
}

// Bytes gives the file, sorted, a line a value, so that changes of it are easily read.
func (f *File) Bytes() ([]byte, error) {
	f.Version = version
	if f.Findings == nil {
		f.Findings = []Finding{}
	}
	slices.SortFunc(f.Findings, func(a, b Finding) int {
		return cmp.Or(cmp.Compare(a.Path, b.Path), cmp.Compare(a.Check, b.Check), cmp.Compare(a.Statement, b.Statement))
	})
	var b bytes.Buffer
	e := json.NewEncoder(&b)
	e.SetEscapeHTML(false)
	e.SetIndent("", " ")
	err := e.Encode(f)
	return b.Bytes(), err
}

// Known makes what tells the findings of the file from others.
func (f *File) Known() *review.Known {
	k := review.NewKnown()
	for _, one := range f.Findings {
		print, _ := strconv.ParseUint(one.Statement, 16, 64)
		k.Add(one.Check, review.Fingerprint(print), one.Count)
	}
	return k
}
