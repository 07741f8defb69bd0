package reason

import (
	"slices"
	"strings"
)

// value is a constant: a number, a day counted as one, or a text.
type value struct {
	number float64
	text   string
}

// domain tells of what kind the values of a set are.
type domain uint8

const (
	numbers domain = iota
	days           // numbered
	texts          // only told apart, not ordered: collations differ
)

// bound is an end of a range; the zero bound is no end.
type bound struct {
	at     float64
	closed bool
	set    bool
}

type span struct{ low, high bound }

// set is a set of values other than NULL: ranges in order and apart from each
// other, or, of texts, a list or all but a list.
type set struct {
	domain domain
	spans  []span
	list   []string
	allBut bool
}

func nothing(d domain) set { return set{domain: d} }

func everything(d domain) set {
	if d == texts {
		return set{domain: d, allBut: true}
	}
	return set{domain: d, spans: []span{{}}}
}

func single(d domain, v value) set {
	if d == texts {
		return set{domain: d, list: []string{v.text}}
	}
	at := bound{v.number, true, true}
	return set{domain: d, spans: []span{{at, at}}}
}

func (s set) isEmpty() bool {
	if s.domain == texts {
		return !s.allBut && len(s.list) == 0
	}
	return len(s.spans) == 0
}

func (s set) isEverything() bool {
	if s.domain == texts {
		return s.allBut && len(s.list) == 0
	}
	return len(s.spans) == 1 && !s.spans[0].low.set && !s.spans[0].high.set
}

// complement gives the values that are not in the set.
func (s set) complement() set {
	if s.domain == texts {
		return set{domain: texts, list: s.list, allBut: !s.allBut}
	}
	out := nothing(s.domain)
	low := bound{}
	open := true // everything from low on is outside so far
	for _, r := range s.spans {
		if r.low.set {
			out.spans = append(out.spans, span{low, bound{r.low.at, !r.low.closed, true}})
		}
		low, open = bound{r.high.at, !r.high.closed, true}, r.high.set
	}
	if open {
		out.spans = append(out.spans, span{low, bound{}})
	}
	out.spans = slices.DeleteFunc(out.spans, func(r span) bool { return r.isEmpty() })
	return out
}

func (r span) isEmpty() bool {
	if !r.low.set || !r.high.set {
		return false
	}
	return r.low.at > r.high.at || r.low.at == r.high.at && !(r.low.closed && r.high.closed)
}

// intersect gives the values that are in both sets, which are of one domain.
func (s set) intersect(t set) set {
	if s.domain == texts {
		return s.intersectTexts(t)
	}
	out := nothing(s.domain)
	for _, a := range s.spans {
		for _, b := range t.spans {
			if r := (span{higher(a.low, b.low), lower(a.high, b.high)}); !r.isEmpty() {
				out.spans = append(out.spans, r)
			}
		}
	}
	return out
}

func (s set) intersectTexts(t set) set {
	switch {
	case s.allBut && t.allBut:
		return set{domain: texts, allBut: true, list: union(s.list, t.list)}
	case s.allBut:
		return t.intersectTexts(s)
	}
	out := nothing(texts)
	for _, v := range s.list {
		if slices.Contains(t.list, v) != t.allBut {
			out.list = append(out.list, v)
		}
	}
	return out
}

func (s set) unite(t set) set { return s.complement().intersect(t.complement()).complement() }

// within reports whether every value of s is one of t.
func (s set) within(t set) bool { return s.intersect(t.complement()).isEmpty() }

func union(a, b []string) []string {
	out := slices.Clone(a)
	for _, v := range b {
		if !slices.Contains(out, v) {
			out = append(out, v)
		}
	}
	return out
}

func higher(a, b bound) bound {
	switch {
	case !a.set:
		return b
	case !b.set:
		return a
	case a.at == b.at:
		return bound{a.at, a.closed && b.closed, true}
	case a.at > b.at:
		return a
	}
	return b
}

func lower(a, b bound) bound {
	switch {
	case !a.set:
		return b
	case !b.set:
		return a
	case a.at == b.at:
		return bound{a.at, a.closed && b.closed, true}
	case a.at < b.at:
		return a
	}
	return b
}

// plainText gives a text in a form in which two that differ are different under
// every collation: letters lose their case, blanks at the end go. ok is false for
// what some collations take for something else.
func plainText(s string) (plain string, ok bool) {
	for i := range len(s) {
		if s[i] < ' ' || s[i] >= 0x7f || s[i] == '\\' || s[i] == '\'' {
			return "", false
		}
	}
	plain = strings.TrimRight(strings.ToLower(s), " ")
	for _, c := range plain { // what collations may skip
		if !('a' <= c && c <= 'z' || '0' <= c && c <= '9' || c == '_') {
			return "", false
		}
	}
	return plain, true
}
