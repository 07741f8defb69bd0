package report

import (
	"io"
	"os"
	"strings"

	"github.com/mattn/go-runewidth"
	"golang.org/x/term"

	"justlens/core/check"
)

// Style says how text for people looks.
type Style struct {
	Color    bool
	Width    int  // columns
	Terminal bool // not a file or a pipe
}

// Widths within which lines are wrapped.
const (
	pipeWidth = 80
	minWidth  = 48
	maxWidth  = 100
)

// StyleFor finds out about a writer. color is auto, always or never; auto
// colours a terminal unless NO_COLOR is set.
func StyleFor(w io.Writer, color string, noColor bool) Style {
	s := Style{Width: pipeWidth, Color: color == "always"}
	f, ok := w.(*os.File)
	if !ok || !term.IsTerminal(int(f.Fd())) {
		return s
	}
	if width, _, err := term.GetSize(int(f.Fd())); err == nil {
		s.Width = min(max(width, minWidth), maxWidth)
	}
	s.Terminal = true
	s.Color = s.Color || color == "auto" && !noColor
	return s
}

// Colours of the terminal's own sixteen, so that they fit its background, by the numbers
// of ECMA-48 ("SGR"); the bright ones are those that terminals added to it.
const (
	red     = "31"
	green   = "32"
	yellow  = "33"
	blue    = "34"
	magenta = "35"
	gray    = "90"
	boldly  = "1"
)

func escape(rendition, text string) string { return "\x1b[" + rendition + "m" + text + "\x1b[0m" }

var consequenceColor = map[check.Consequence]string{check.Refused: red, check.Wrong: magenta, check.Slow: yellow, check.Unclear: blue}

func (s Style) paint(text, color string) string {
	if !s.Color || text == "" {
		return text
	}
	return escape(color, text)
}

func (s Style) bold(text, color string) string {
	if !s.Color || text == "" {
		return text
	}
	return escape(boldly+";"+color, text)
}

func (s Style) strong(text string) string {
	if !s.Color {
		return text
	}
	return escape(boldly, text)
}

// wrap breaks prose into lines of at most width columns.
func wrap(prose string, width int) []string {
	var lines []string
	line, used := "", 0
	for word := range strings.FieldsSeq(prose) {
		w := runewidth.StringWidth(word)
		if used > 0 && used+1+w > width {
			lines = append(lines, line)
			line, used = "", 0
		}
		if used > 0 {
			line, used = line+" ", used+1
		}
		line, used = line+word, used+w
	}
	if used > 0 {
		lines = append(lines, line)
	}
	return lines
}

// folded breaks a line of SQL at blanks, the later parts indented further than
// the first.
func folded(line string, width int) []string {
	if runewidth.StringWidth(line) <= width {
		return []string{line}
	}
	code := strings.TrimLeft(line, " ")
	indent := line[:min(len(line)-len(code), width/2)]
	parts := wrap(code, width-len(indent)-len(foldIndent))
	for i := range parts {
		if i > 0 {
			parts[i] = foldIndent + parts[i]
		}
		parts[i] = indent + parts[i]
	}
	return parts
}

const foldIndent = "    "
