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
	units := make([]uint16, 0, len(src)/2)
	for i := bomSize; i+1 < len(src); i += 2 {
		units = append(units, order.Uint16(src[i:]))
	}
	return []byte(string(utf16.Decode(units)))
}

// Encode gives UTF-8 text as the file stores it, so that a changed text can be
// written back.
func (f *File) Encode(changed []byte) []byte {
	if f.encoding == asStored {
		return changed
	}
	order := f.encoding.order()
	out := order.AppendUint16(nil, 0xFEFF)
	for _, unit := range utf16.Encode([]rune(string(changed))) {
		out = order.AppendUint16(out, unit)
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
		r, size := utf8.DecodeRune(f.src[i:])
		offset += 2
		if r > 0xFFFF {
			offset += 2
		}
		i += size
	}
	return offset
}
