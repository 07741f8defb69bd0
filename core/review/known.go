package review

import (
	"bytes"
	"cmp"
	"encoding/json"
	"errors"
	"fmt"
	"slices"
	"strconv"
)

// KnownFile is what is kept of the findings of a day, so that later reviews tell of new ones only.
type KnownFile struct {
	Version  int            `json:"version"`
	Findings []KnownFinding `json:"findings"`
}

// KnownFinding is what a check finds in a statement. What tells them apart is the check and the
// words of the statement; path and message are for people.
type KnownFinding struct {
	Path      string `json:"path"`
	Check     string `json:"check"`
	Statement string `json:"statement"` // its fingerprint, as 16 hexadecimal digits
	Count     int    `json:"count"`
	Message   string `json:"message"` // of the first
}

const knownVersion = 1

// ReadKnown reads a file of known findings. An error tells what is wrong with it.
func ReadKnown(src []byte) (*KnownFile, error) {
	d := json.NewDecoder(bytes.NewReader(src))
	d.DisallowUnknownFields()
	var f KnownFile
	if err := d.Decode(&f); err != nil {
		var syntax *json.SyntaxError
		if errors.As(err, &syntax) {
			return nil, fmt.Errorf("line %d is no JSON", 1+bytes.Count(src[:min(int(syntax.Offset), len(src))], []byte("\n")))
		}
		return nil, errors.New("it is no list of known findings")
	}
	if f.Version != knownVersion {
		return nil, fmt.Errorf("it is of version %d, and this program reads %d", f.Version, knownVersion)
	}
	for _, k := range f.Findings {
		if _, err := strconv.ParseUint(k.Statement, 16, 64); err != nil || k.Count < 1 || k.Check == "" {
			return nil, fmt.Errorf("what is known of %s in %s is damaged", k.Check, k.Path)
		}
	}
	return &f, nil
}

// Add takes in the findings of a text that is shown under a path.
func (f *KnownFile) Add(path string, found []Finding) {
	places := map[knownKey]int{}
	for i := range found {
		k := keyOf(&found[i])
		at, seen := places[k]
		if !seen {
			at = len(f.Findings)
			places[k] = at
			f.Findings = append(f.Findings, KnownFinding{path, k.check, fmt.Sprintf("%016x", uint64(k.statement)), 0, found[i].Message})
		}
		f.Findings[at].Count += 1 + found[i].More
	}
}

// Bytes gives the file, sorted, a line a value, so that changes of it are easily read.
func (f *KnownFile) Bytes() ([]byte, error) {
	f.Version = knownVersion
	if f.Findings == nil {
		f.Findings = []KnownFinding{}
	}
	slices.SortFunc(f.Findings, func(a, b KnownFinding) int {
		return cmp.Or(cmp.Compare(a.Path, b.Path), cmp.Compare(a.Check, b.Check), cmp.Compare(a.Statement, b.Statement))
	})
	var b bytes.Buffer
	e := json.NewEncoder(&b)
	e.SetEscapeHTML(false)
	e.SetIndent("", " ")
	err := e.Encode(f)
	return b.Bytes(), err
}

type knownKey struct {
	check     string
	statement Fingerprint
}

func keyOf(f *Finding) knownKey { return knownKey{f.Check.ID, f.Fingerprint} }

// Known tells known findings from new ones, each as often as it is known.
type Known struct{ left map[knownKey]int }

// Known makes what tells the findings of the file from others.
func (f *KnownFile) Known() *Known {
	k := &Known{map[knownKey]int{}}
	for _, one := range f.Findings {
		print, _ := strconv.ParseUint(one.Statement, 16, 64)
		k.left[knownKey{one.Check, Fingerprint(print)}] += one.Count
	}
	return k
}

// Drop takes the known findings out of those of a text and counts them. The others it tells as
// [Options].Most would: of one check and statement as many as most says, 0 for all.
func (k *Known) Drop(f *File, most int) (known int) {
	type told struct {
		key       knownKey
		statement int
	}
	last := map[told]int{}
	counts := map[told]int{}
	kept := f.Findings[:0]
	for _, found := range f.Findings {
		key := keyOf(&found)
		if k.left[key] > 0 {
			k.left[key]--
			known++
			continue
		}
		t := told{key, found.Statement}
		if counts[t]++; most > 0 && counts[t] > most {
			kept[last[t]].More++
			continue
		}
		last[t] = len(kept)
		kept = append(kept, found)
	}
	f.Findings = kept
	return known
}
