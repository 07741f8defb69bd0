package report

import (
	"fmt"
	"io"
	"os"
	"strings"
	"unicode/utf8"

	"github.com/mattn/go-runewidth"
	"golang.org/x/term"
)

// visible makes a line safe for a terminal, and even: tabs become blanks, and what
// would drive a terminal or cannot be seen is told by its number, as <1B>.
func visible(line string) string {
	if isPlain(line) {
		return line
	}
	var b strings.Builder
	column := 0
	write := func(s string) {
		b.WriteString(s)
		column += runewidth.StringWidth(s)
	}
	for i := 0; i < len(line); {
		r, size := utf8.DecodeRuneInString(line[i:])
		switch {
		case r == '\t':
			write(strings.Repeat(" ", 4-column%4))
		case r == utf8.RuneError && size == 1:
			write(fmt.Sprintf("<%02X>", line[i]))
		case isHidden(r):
			write(numbered16(r))
		default:
			write(line[i : i+size])
		}
		i += size
	}
	return b.String()
}

// Visible gives a text of one line, such as a path or an error, as it may be shown to
// people.
func Visible(s string) string { return visible(strings.ReplaceAll(s, "\n", " ")) }

func numbered16(r rune) string {
	if r < 0x100 {
		return fmt.Sprintf("<%02X>", r)
	}
	return fmt.Sprintf("<U+%04X>", r)
}

func isPlain(s string) bool {
	for _, r := range s {
		if r == '\t' || r == utf8.RuneError || isHidden(r) {
			return false
		}
	}
	return true
}

// isHidden reports whether a character drives a terminal, turns the direction of the
// text, or takes no room: C0, C1, DEL, direction marks, joiners, soft hyphen, BOM.
func isHidden(r rune) bool {
	switch {
	case r < ' ' || 0x7f <= r && r < 0xa0, r == 0xad, r == 0x61c, r == 0xfeff:
		return true
	}
	return 0x200b <= r && r <= 0x200f || 0x2028 <= r && r <= 0x202e || 0x2060 <= r && r <= 0x206f || 0xfff9 <= r && r <= 0xfffb
}

// ForPeople gives a writer for text without colours: what goes to a terminal is made
// visible, line by line; what goes to a pipe or a file stays byte for byte.
func ForPeople(w io.Writer) io.Writer {
	if f, ok := w.(*os.File); ok && term.IsTerminal(int(f.Fd())) {
		return visibleWriter{w}
	}
	return w
}

// visibleWriter expects whole characters in each call.
type visibleWriter struct{ w io.Writer }

func (v visibleWriter) Write(p []byte) (int, error) {
	var b strings.Builder
	for line := range strings.SplitAfterSeq(string(p), "\n") {
		text, ended := strings.CutSuffix(line, "\n")
		b.WriteString(visible(strings.TrimSuffix(text, "\r")))
		if ended {
			b.WriteByte('\n')
		}
	}
	if _, err := io.WriteString(v.w, b.String()); err != nil {
		return 0, err
	}
	return len(p), nil
}
