package check

import (
	"strings"

	"justlens/core/text"
)

// Acceptance is a comment by which the author of a text accepts findings:
//
//	-- lens: accept null.equals because the loader never writes NULL here
type Acceptance struct {
	// Span is that of the comment.
	Span text.Span
	// Names are those of the checks, as written.
	Names []AcceptedName
	// Reason is "" where none is given.
	Reason string
	// Unread tells that the comment begins as an acceptance does and does not go on as one.
	Unread bool
}

// AcceptedName is a check that an acceptance names.
type AcceptedName struct {
	Name string
	Span text.Span
	// Unknown tells that no check has the name.
	Unknown bool
	// Idle tells that the check found nothing there.
	Idle bool
}

// acceptanceMark is what a comment begins with that is addressed to a review.
const acceptanceMark = "lens:"

// MayAccept reports whether a text may hold acceptances.
func MayAccept(src []byte) bool {
	return strings.Contains(text.View(src, text.Span{End: text.Pos(len(src))}), acceptanceMark)
}

// ParseAcceptance reads a comment of a text; ok is false where it is not addressed to a
// review.
func ParseAcceptance(src []byte, comment text.Span) (a Acceptance, ok bool) {
	s := string(src[comment.Start:comment.End])
	at := 0
	for _, opening := range []string{"--", "/*", "//", "#"} {
		if strings.HasPrefix(s, opening) {
			at = len(opening)
			break
		}
	}
	s = strings.TrimRight(strings.TrimSuffix(s, "*/"), " \t\r\n")
	at = skipBlank(s, at)
	if !strings.HasPrefix(s[min(at, len(s)):], acceptanceMark) {
		return a, false
	}
	a.Span = comment
	at = skipBlank(s, at+len(acceptanceMark))
	word := wordAt(s, at)
	if word != "accept" {
		a.Unread = true
		return a, true
	}
	for at = skipBlank(s, at+len(word)); at < len(s); at = skipBlank(s, at) {
		if s[at] == ',' {
			at++
			continue
		}
		word = wordAt(s, at)
		if word == "because" {
			a.Reason = strings.Join(strings.Fields(s[at+len(word):]), " ")
			break
		}
		start := comment.Start + text.Pos(at)
		a.Names = append(a.Names, AcceptedName{Name: word, Span: text.Span{Start: start, End: start + text.Pos(len(word))}})
		at += len(word)
	}
	a.Unread = len(a.Names) == 0
	return a, true
}

func skipBlank(s string, at int) int {
	for at < len(s) && strings.IndexByte(" \t\r\n", s[at]) >= 0 {
		at++
	}
	return at
}

// wordAt gives what stands at a place up to a blank or comma.
func wordAt(s string, at int) string {
	rest := s[at:]
	if end := strings.IndexAny(rest, " \t\r\n,"); end >= 0 {
		return rest[:end]
	}
	return rest
}
