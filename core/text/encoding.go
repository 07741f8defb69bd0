package text

import (
	"encoding/binary"
	"unicode/utf16"
	"unicode/utf8"
)

// encoding is how a file stores its text. Text in UTF-16, known by its byte
// order mark, is read as UTF-8; all else is taken byte by byte, so that text in
// a single-byte encoding keeps its places too.
type encoding uint8

const (
	asStored encoding = iota
	utf16LittleEndian
	utf16BigEndian
)

// bomSize is the length in bytes of the mark before UTF-16.
const bomSize = 2

func encodingOf(src []byte) encoding {
	if len(src) >= bomSize && len(src)%2 == 0 {
		switch {
		case src[0] == 0xFF && src[1] == 0xFE:
			return utf16LittleEndian
		case src[0] == 0xFE && src[1] == 0xFF:
			return utf16BigEndian
		}
	}
	return asStored
}

func (e encoding) order() binary.AppendByteOrder {
	if e == utf16BigEndian {
		return binary.BigEndian
	}
	return binary.LittleEndian
}

// decode gives the text as UTF-8, without the mark.
func (e encoding) decode(src []byte) []byte {
	if e == asStored {
		return src
	}
	var order binary.ByteOrder = binary.LittleEndian
	if e == utf16BigEndian {
		order = binary.BigEndian
	}
	out := make([]byte, 0, len(src))
	for i := bomSize; i+1 < len(src); i += 2 {
		unit := rune(order.Uint16(src[i:]))
		if utf16.IsSurrogate(unit) && i+3 < len(src) {
			if r := utf16.DecodeRune(unit, rune(order.Uint16(src[i+2:]))); r != utf8.RuneError {
				out = utf8.AppendRune(out, r)
				i += 2
				continue
			}
		}
		if utf16.IsSurrogate(unit) {
			out = append(out, surrogateLead, 0x80|byte(unit>>6)&0x3f, 0x80|byte(unit)&0x3f)
			continue
		}
		out = utf8.AppendRune(out, unit)
	}
	return out
}

// surrogateLead begins the three bytes in which half a pair of UTF-16, standing alone, is
// kept: as UTF-8 would write it if it were a character.
const surrogateLead = 0xED

// decodeUnit is utf8.DecodeRune that takes halves of pairs, too.
func decodeUnit(p []byte) (r rune, size int) {
	if len(p) > 2 && p[0] == surrogateLead && p[1]&0xE0 == 0xA0 && p[2]&0xC0 == 0x80 {
		return 0xD000 | rune(p[1]&0x3f)<<6 | rune(p[2]&0x3f), 3
	}
	return utf8.DecodeRune(p)
}

// Encode gives UTF-8 text as the file stores it, so that a changed text can be
// written back.
func (f *File) Encode(changed []byte) []byte {
	if f.encoding == asStored {
		return changed
	}
	order := f.encoding.order()
	out := order.AppendUint16(nil, 0xFEFF)
	for i := 0; i < len(changed); {
		r, size := decodeUnit(changed[i:])
		i += size
		if r > 0xFFFF {
			high, low := utf16.EncodeRune(r)
			out = order.AppendUint16(out, uint16(high))
			r = low
		}
		out = order.AppendUint16(out, uint16(r))
	}
	return out
}

// Stored gives the 0-based offset in bytes that a position has in the file as
// it is stored.
func (f *File) Stored(p Pos) int {
	if f.encoding == asStored {
		return int(p)
	}
	offset := bomSize
	for i := 0; i < int(p) && i < len(f.src); {
		r, size := decodeUnit(f.src[i:])
		offset += 2
		if r > 0xFFFF {
			offset += 2
		}
		i += size
	}
	return offset
}
