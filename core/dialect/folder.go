package dialect

import "path/filepath"

// Folders tells what the files of a folder are written in, by those of them that give it
// away. A file that does not is most likely written in the same.
type Folders struct {
	told map[string]*tally
}

type tally struct {
	files int
	all   Dialect
	mixed bool
}

// leastTold is how many files of a folder must give it away.
const leastTold = 3

// Add counts a file that gives away its dialect, for its folder and those above it.
func (f *Folders) Add(path string, d Dialect) {
	if f.told == nil {
		f.told = map[string]*tally{}
	}
	for dir, above := "", filepath.Dir(path); dir != above; dir, above = above, filepath.Dir(above) {
		t := f.told[above]
		if t == nil {
			t = &tally{all: d}
			f.told[above] = t
		}
		t.files++
		t.mixed = t.mixed || t.all != d
	}
}

// Of gives the dialect of the files nearest to the path, where there are enough and all
// agree, and how many they are; else [ANSI] and 0.
func (f *Folders) Of(path string) (d Dialect, files int) {
	for dir, above := "", filepath.Dir(path); dir != above; dir, above = above, filepath.Dir(above) {
		if t := f.told[above]; t != nil && t.files >= leastTold {
			if t.mixed {
				break
			}
			return t.all, t.files
		}
	}
	return ANSI, 0
}
