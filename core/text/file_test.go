package text_test

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"justlens/core/text"
)

func TestPlace(t *testing.T) {
	t.Parallel()
	cases := []struct {
		name, src    string
		pos          text.Pos
		line, column int
	}{
		{"empty file", "", 0, 1, 1},
		{"first byte", "ab", 0, 1, 1},
		{"behind the last line end", "ab\n", 3, 2, 1},
		{"line feed", "a\nbc", 3, 2, 2},
		{"carriage return and line feed", "a\r\nbc", 4, 2, 2},
		{"lone carriage return", "a\rbc", 3, 2, 2},
		{"columns count characters", "é蜂x", 5, 1, 3},
		{"byte order mark has no column", "\xef\xbb\xbfab", 4, 1, 2},
		{"past the end", "ab", 99, 1, 3},
		{"before the start", "ab", -1, 1, 1},
	}
	for _, c := range cases {
		t.Run(c.name, func(t *testing.T) {
			f, err := text.NewFile("f.sql", []byte(c.src))
			require.NoError(t, err)
			at := f.Place(c.pos)
			require.Equal(t, []int{c.line, c.column}, []int{at.Line, at.Column})
		})
	}
}

func TestLine(t *testing.T) {
	t.Parallel()
	f, err := text.NewFile("f.sql", []byte("a\r\n\nbc"))
	require.NoError(t, err)
	require.Equal(t, 3, f.LineCount())
	require.Equal(t, "a", f.Slice(f.Line(1)))
	require.Equal(t, "", f.Slice(f.Line(2)))
	require.Equal(t, "bc", f.Slice(f.Line(3)))
	require.True(t, f.Line(4).IsEmpty())
}

func TestNewFileRefusesBinary(t *testing.T) {
	t.Parallel()
	_, err := text.NewFile("f.sql", []byte("\x7fELF\x02\x01\x01\x00\x00\x00\x00"))
	require.ErrorIs(t, err, text.ErrBinary)
	_, err = text.NewFile("f.sql", append([]byte("SELECT 'one stray NUL is no reason' AS remark"), 0))
	require.NoError(t, err)
}

func TestApply(t *testing.T) {
	t.Parallel()
	at := func(start, end text.Pos, s string) text.Edit {
		return text.Edit{Span: text.Span{Start: start, End: end}, Text: s}
	}
	cases := []struct {
		name  string
		edits []text.Edit
		want  string
		err   error
	}{
		{"none", nil, "abcd", nil},
		{"out of order", []text.Edit{at(3, 4, "D"), at(0, 1, "A")}, "AbcD", nil},
		{"insertion before replacement", []text.Edit{at(1, 2, "B"), at(1, 1, "-")}, "a-Bcd", nil},
		{"insertions keep their order", []text.Edit{at(2, 2, "x"), at(2, 2, "y")}, "abxycd", nil},
		{"overlap", []text.Edit{at(0, 2, ""), at(1, 3, "")}, "", text.ErrEdits},
		{"outside", []text.Edit{at(3, 9, "")}, "", text.ErrEdits},
	}
	for _, c := range cases {
		t.Run(c.name, func(t *testing.T) {
			out, err := text.Apply([]byte("abcd"), c.edits)
			require.ErrorIs(t, err, c.err)
			require.Equal(t, c.want, string(out))
		})
	}
}

func TestUTF16(t *testing.T) {
	t.Parallel()
	for name, stored := range map[string][]byte{
		"little endian": []byte("\xff\xfea\x00\xe9\x00\n\x00=\xd8\x1d\xdcb\x00"),
		"half a pair":   []byte("\xff\xfea\x00\xe9\x00\n\x00=\xd8\x1d\xdcb\x00\x1d\xdc\x3d\xd8c\x00=\xd8"),
		"big endian":    []byte("\xfe\xff\x00a\x00\xe9\x00\n\xd8=\xdc\x1d\x00b"),
	} {
		t.Run(name, func(t *testing.T) {
			f, err := text.NewFile("f.sql", stored)
			require.NoError(t, err)
			require.True(t, strings.HasPrefix(string(f.Bytes()), "aé\n🐝"[:4]+"\U0001F41Db"))
			require.Equal(t, stored, f.Encode(f.Bytes()), "what is written back is what was read")
			require.Equal(t, text.Place{Offset: 12, Line: 2, Column: 2}, f.Place(8), "surrogates count as one character of four bytes")
		})
	}
}

func TestSingleByteEncodingKeepsItsPlaces(t *testing.T) {
	t.Parallel()
	f, err := text.NewFile("f.sql", []byte("caf\xe9 = 1"))
	require.NoError(t, err)
	require.Equal(t, text.Place{Offset: 5, Line: 1, Column: 6}, f.Place(5))
}

func TestPlaceInLongLines(t *testing.T) {
	t.Parallel()
	line := strings.Repeat("蜂蜜 hive, ", 2000)
	f, err := text.NewFile("long.sql", []byte("SELECT 1;\n"+line+"\n"+line+"\nend"))
	require.NoError(t, err)
	for _, n := range []int{2, 3, 2} {
		start, column := f.Line(n).Start, 1
		for i, r := range line {
			if i%7 == 0 || r > 0x80 {
				require.Equal(t, text.Place{Offset: int(start) + i, Line: n, Column: column}, f.Place(start+text.Pos(i)))
			}
			column++
		}
	}
	require.Equal(t, 3, f.Place(f.Line(4).End).Column-1)
}
