package dialect

import "strings"

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

// Add counts a file that gives away its dialect, for its folder and those above it. One that
// does so by its own name only speaks against others, and for none.
func (f *Folders) Add(path string, d Dialect, byName bool) {
	if f.told == nil {
		f.told = map[string]*tally{}
	}
	for dir, more := folderOf(path); more; dir, more = folderOf(dir) {
		t := f.told[dir]
		if t == nil {
			t = &tally{all: d}
			f.told[dir] = t
		}
		if !byName {
			t.files++
		}
		t.mixed = t.mixed || t.all != d
	}
}

// Of gives the dialect of the files nearest to the path, where there are enough and all
// agree, and how many they are; else [ANSI] and 0.
func (f *Folders) Of(path string) (d Dialect, files int) {
	for dir, more := folderOf(path); more; dir, more = folderOf(dir) {
		if t := f.told[dir]; t != nil && t.files >= leastTold {
			if t.mixed {
				break
			}
			return t.all, t.files
		}
	}
	return ANSI, 0
}

// folderOf gives the folder of a file or folder, "" for that in which the path begins; it
// is false where there is none above.
func folderOf(path string) (folder string, more bool) {
	if path == "" {
		return "", false
	}
	return path[:max(strings.LastIndexAny(path, `/\`), 0)], true
}
