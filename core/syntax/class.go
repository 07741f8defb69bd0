package syntax

// Classes of bytes, in a table so that the scanner asks once a byte.
const (
	blankClass uint8 = iota + 1
	wordClass        // letter, underscore, or part of a non-ASCII character
	digitClass
	quoteClass
	operatorClass
	markClass // punctuation of one byte
)

const (
	startsWord = 1 << 7 // may begin a bare name
	inWord     = 1 << 6 // may stand within one
	inOperator = 1 << 5
	classMask  = 1<<5 - 1
)

var classes = [256]uint8{
	' ': blankClass, '\t': blankClass, '\n': blankClass, '\r': blankClass, '\f': blankClass, '\v': blankClass,
	'_': wordClass | startsWord | inWord,
	'a': letter, 'b': letter, 'c': letter, 'd': letter, 'e': letter, 'f': letter, 'g': letter, 'h': letter, 'i': letter,
	'j': letter, 'k': letter, 'l': letter, 'm': letter, 'n': letter, 'o': letter, 'p': letter, 'q': letter, 'r': letter,
	's': letter, 't': letter, 'u': letter, 'v': letter, 'w': letter, 'x': letter, 'y': letter, 'z': letter,
	'A': letter, 'B': letter, 'C': letter, 'D': letter, 'E': letter, 'F': letter, 'G': letter, 'H': letter, 'I': letter,
	'J': letter, 'K': letter, 'L': letter, 'M': letter, 'N': letter, 'O': letter, 'P': letter, 'Q': letter, 'R': letter,
	'S': letter, 'T': letter, 'U': letter, 'V': letter, 'W': letter, 'X': letter, 'Y': letter, 'Z': letter,
	'0': digit, '1': digit, '2': digit, '3': digit, '4': digit, '5': digit, '6': digit, '7': digit, '8': digit, '9': digit,
	'\'': quoteClass, '"': quoteClass, '`': quoteClass,
	'+': operator, '-': operator, '*': operator, '/': operator, '<': operator, '>': operator, '=': operator,
	'~': operator, '!': operator, '@': operator, '#': operator, '%': operator, '^': operator, '&': operator,
	'|': operator, '?': operator, ':': operator, '$': operator | inWord,
	'(': markClass, ')': markClass, ',': markClass, '.': markClass, ';': markClass, '[': markClass, ']': markClass,
	'{': markClass, '}': markClass, '\\': markClass,
	0x80: high, 0x81: high, 0x82: high, 0x83: high, 0x84: high, 0x85: high, 0x86: high, 0x87: high,
	0x88: high, 0x89: high, 0x8a: high, 0x8b: high, 0x8c: high, 0x8d: high, 0x8e: high, 0x8f: high,
	0x90: high, 0x91: high, 0x92: high, 0x93: high, 0x94: high, 0x95: high, 0x96: high, 0x97: high,
	0x98: high, 0x99: high, 0x9a: high, 0x9b: high, 0x9c: high, 0x9d: high, 0x9e: high, 0x9f: high,
	0xa0: high, 0xa1: high, 0xa2: high, 0xa3: high, 0xa4: high, 0xa5: high, 0xa6: high, 0xa7: high,
	0xa8: high, 0xa9: high, 0xaa: high, 0xab: high, 0xac: high, 0xad: high, 0xae: high, 0xaf: high,
	0xb0: high, 0xb1: high, 0xb2: high, 0xb3: high, 0xb4: high, 0xb5: high, 0xb6: high, 0xb7: high,
	0xb8: high, 0xb9: high, 0xba: high, 0xbb: high, 0xbc: high, 0xbd: high, 0xbe: high, 0xbf: high,
	0xc0: high, 0xc1: high, 0xc2: high, 0xc3: high, 0xc4: high, 0xc5: high, 0xc6: high, 0xc7: high,
	0xc8: high, 0xc9: high, 0xca: high, 0xcb: high, 0xcc: high, 0xcd: high, 0xce: high, 0xcf: high,
	0xd0: high, 0xd1: high, 0xd2: high, 0xd3: high, 0xd4: high, 0xd5: high, 0xd6: high, 0xd7: high,
	0xd8: high, 0xd9: high, 0xda: high, 0xdb: high, 0xdc: high, 0xdd: high, 0xde: high, 0xdf: high,
	0xe0: high, 0xe1: high, 0xe2: high, 0xe3: high, 0xe4: high, 0xe5: high, 0xe6: high, 0xe7: high,
	0xe8: high, 0xe9: high, 0xea: high, 0xeb: high, 0xec: high, 0xed: high, 0xee: high, 0xef: high,
	0xf0: high, 0xf1: high, 0xf2: high, 0xf3: high, 0xf4: high, 0xf5: high, 0xf6: high, 0xf7: high,
	0xf8: high, 0xf9: high, 0xfa: high, 0xfb: high, 0xfc: high, 0xfd: high, 0xfe: high, 0xff: high,
}

const (
	letter   = wordClass | startsWord | inWord
	digit    = digitClass | inWord
	high     = wordClass | startsWord | inWord
	operator = operatorClass | inOperator
)
