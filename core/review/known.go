package review

// Known tells findings that are known from new ones, each as often as it is known. What tells them
// apart is the check and the words of the statement.
type Known struct{ left map[knownKey]int }

type knownKey struct {
	check     string
	statement Fingerprint
}

func keyOf(f *Finding) knownKey { return knownKey{f.Check.ID, f.Fingerprint} }

// NewKnown knows none.
func NewKnown() *Known { return &Known{map[knownKey]int{}} }

// Add makes n findings of a check in a statement known.
func (k *Known) Add(check string, statement Fingerprint, n int) {
	k.left[knownKey{check, statement}] += n
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
