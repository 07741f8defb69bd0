package cli

import (
	"bytes"
	"path/filepath"
	"slices"
	"strings"
	"unicode/utf8"
)

// isMarkdown reports whether a file holds SQL in fenced blocks.
func isMarkdown(path string) bool {
	ending := strings.ToLower(filepath.Ext(path))
	return ending == ".md" || ending == ".markdown"
}

// sqlWords are the words behind a fence that name SQL.
var sqlWords = []string{"sql", "postgres", "postgresql", "pgsql", "plpgsql", "mysql", "mariadb", "sqlite", "tsql", "plsql", "oracle", "sparksql"}

// fencedSQL gives a text of Markdown with all but its blocks of SQL made blank, so that every place
// stays where it is. A semicolon in the place of the fence ends what stands in a block.
func fencedSQL(src []byte) []byte {
	if !utf8.Valid(src) {
		return src
	}
	out := bytes.Clone(src)
	blank := func(from, to int) {
		for i := from; i < to; i++ {
			if c := out[i]; c != '\n' && c != '\r' {
				out[i] = ' '
			}
		}
	}
	fence, inSQL := "", false // the open one
	for at := 0; at < len(src); {
		end := len(src)
		if i := bytes.IndexByte(src[at:], '\n'); i >= 0 {
			end = at + i + 1
		}
		line := strings.TrimSpace(string(src[at:end]))
		switch {
		case fence == "":
			if fence = openingFence(line); fence != "" {
				word, _, _ := strings.Cut(strings.TrimSpace(line[len(fence):]), " ")
				inSQL = slices.Contains(sqlWords, strings.ToLower(strings.Trim(word, "{}.")))
			}
			blank(at, end)
		case strings.HasPrefix(line, fence) && strings.Trim(line, fence[:1]) == "":
			mark := at + bytes.IndexByte(src[at:end], fence[0])
			blank(at, end)
			if inSQL {
				out[mark] = ';'
			}
			fence, inSQL = "", false
		case !inSQL:
			blank(at, end)
		}
		at = end
	}
	return out
}

// openingFence gives the signs with which a line opens a block, "" if it opens none.
func openingFence(line string) string {
	if line == "" || line[0] != '`' && line[0] != '~' {
		return ""
	}
	n := len(line) - len(strings.TrimLeft(line, line[:1]))
	if n < 3 || line[0] == '`' && strings.Contains(line[n:], "`") {
		return ""
	}
	return line[:n]
}
