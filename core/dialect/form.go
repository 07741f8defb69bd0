package dialect

import (
	_ "embed"
	"fmt"
	"strings"
	"sync"
	"unicode"

	"justlens/core/dialect/word"
)

// FormKind tells the parts of a form apart.
type FormKind uint8

const (
	// FormSequence: the parts one after another.
	FormSequence FormKind = iota
	// FormChoice: the first part that fits.
	FormChoice
	// FormOptional: its one part, or nothing.
	FormOptional
	// FormList: its one part, and again after each comma.
	FormList
	// FormRepeat: its one part once or more.
	FormRepeat
	// FormUnless: nothing, where its one part does not stand.
	FormUnless
	// FormWord: the keyword Text, in any letter case.
	FormWord
	// FormMark: the punctuation Text.
	FormMark
	// FormRule: another form by its name Text.
	FormRule
	// FormClass: what the parser knows by the name Text: "name", "expression".
	FormClass
)

// Form is how a statement may be written, for statements that the parser does
// not make a tree of. Choices are tried in order and options taken where they
// fit, without a second try.
type Form struct {
	Kind  FormKind
	Text  string
	Parts []*Form
	// Word is the number of a FormWord's keyword, [word.NoWord] where it has none.
	Word  word.Word
	rules map[string]*Form
	// first is what the form begins with, nil where that may be anything or nothing.
	first *beginning
}

// beginning is a set of keywords by their numbers, and of the first bytes of marks.
type beginning struct {
	words [(word.Total + 63) / 64]uint64
	marks string
}

// MayBegin reports whether a keyword may begin the form; [word.NoWord] is any other word.
func (f *Form) MayBegin(w word.Word) bool {
	return f.first == nil || w != word.NoWord && f.first.words[w/64]>>(w%64)&1 != 0
}

// MayBeginMark reports whether the punctuation that begins with a byte may begin the form.
func (f *Form) MayBeginMark(c byte) bool {
	return f.first == nil || strings.IndexByte(f.first.marks, c) >= 0
}

// begin works out what a form begins with from that of its parts.
func (f *Form) begin() {
	b := &beginning{}
	if f.addTo(b) {
		f.first = b
	}
}

// addTo adds what the form begins with; false where that may be anything or nothing.
func (f *Form) addTo(b *beginning) bool {
	switch f.Kind {
	case FormWord:
		b.words[f.Word/64] |= 1 << (f.Word % 64)
		return f.Word != word.NoWord
	case FormMark:
		b.marks += f.Text[:1]
		return true
	case FormRule:
		return f.Rule().addTo(b)
	case FormList, FormRepeat:
		return f.Parts[0].addTo(b)
	case FormChoice:
		for _, part := range f.Parts {
			if !part.addTo(b) {
				return false
			}
		}
		return true
	case FormSequence:
		for _, part := range f.Parts {
			switch {
			case part.Kind == FormUnless:
			case part.Kind == FormOptional:
				if !part.Parts[0].addTo(b) {
					return false
				}
			default:
				return part.addTo(b)
			}
		}
	}
	return false
}

// Rule gives what a FormRule stands for.
func (f *Form) Rule() *Form { return f.rules[f.Text] }

// Form gives a form by its name: that of the statements that begin with a
// keyword by the keyword in upper case. It is false where the dialect's grammar
// for them is not known.
func (d Dialect) Form(name string) (*Form, bool) {
	switch d {
	case MariaDB:
		f, ok := mariaForms()[name]
		return f, ok
	case Postgres:
		f, ok := postgresForms()[name]
		return f, ok
	case SQLite:
		f, ok := sqliteForms()[name]
		return f, ok
	}
	return nil, false
}

// HasStatement reports whether a statement may begin with a keyword, given in
// upper case; where the dialect's forms are not known, any may.
func (d Dialect) HasStatement(keyword string) bool {
	_, ok := d.Form(keyword)
	return ok || !In(MariaDB, Postgres, SQLite).Has(d) || d == MariaDB && strings.Contains(" BEGIN IF WHILE LOOP REPEAT FOR CASE SELECT INSERT UPDATE DELETE REPLACE WITH ", " "+keyword+" ")
}

// The grammar of MariaDB 10.11 ("SQL Statements" of its documentation), tried
// on the server's own test suite.
//
//go:embed forms/mariadb.txt
var mariaText string

// The grammar of PostgreSQL 18 ("SQL Commands" of its documentation), with what older
// versions took, tried on the SQL that its packages ship.
//
//go:embed forms/postgres.txt
var postgresText string

// The grammar of SQLite 3.50 ("SQL As Understood By SQLite" of its documentation).
//
//go:embed forms/sqlite.txt
var sqliteText string

var (
	mariaForms    = formsOf("mariadb.txt", &mariaText)
	postgresForms = formsOf("postgres.txt", &postgresText)
	sqliteForms   = formsOf("sqlite.txt", &sqliteText)
)

// formsOf reads rules when they are first asked for.
func formsOf(file string, text *string) func() map[string]*Form {
	return sync.OnceValue(func() map[string]*Form {
		rules, err := readForms(*text)
		if err != nil {
			panic("forms/" + file + ": " + err.Error())
		}
		return rules
	})
}

// readForms reads rules: `name := form`, or `KEYWORD …` for the statements that
// begin so. Indented lines continue the one above; # begins a comment.
func readForms(text string) (map[string]*Form, error) {
	rules := map[string]*Form{}
	var name, body string
	finish := func() error {
		if name == "" {
			return nil
		}
		if rules[name] != nil {
			return fmt.Errorf("%s is there twice", name)
		}
		r := formReader{text: body, rules: rules}
		f, err := r.choice()
		if err == nil && r.peek() != "" {
			err = fmt.Errorf("unexpected %s", r.peek())
		}
		if err != nil {
			return fmt.Errorf("%s: %w", name, err)
		}
		f.begin()
		rules[name] = f
		return nil
	}
	for line := range strings.Lines(text) {
		line = strings.TrimRight(line, " \n")
		switch {
		case line == "" || line[0] == '#':
		case line[0] == ' ':
			body += line
		default:
			if err := finish(); err != nil {
				return nil, err
			}
			head, rest, defined := strings.Cut(line, " := ")
			if !defined {
				head, _, _ = strings.Cut(line, " ")
				rest = line
			}
			name, body = head, rest
		}
	}
	if err := finish(); err != nil {
		return nil, err
	}
	return rules, nil
}

// formReader reads one form.
type formReader struct {
	text  string
	rules map[string]*Form
}

// peek gives the next symbol: a word, a mark, or one of [ ] { } | ! + ….
func (r *formReader) peek() string {
	r.text = strings.TrimLeft(r.text, " ")
	if r.text == "" {
		return ""
	}
	end := strings.IndexFunc(r.text, func(c rune) bool { return !unicode.IsLetter(c) && !unicode.IsDigit(c) && c != '_' })
	switch {
	case end < 0:
		return r.text
	case end > 0:
		return r.text[:end]
	case strings.HasPrefix(r.text, "..."):
		return "..."
	case strings.HasPrefix(r.text, "'"):
		return r.text[:2+strings.IndexByte(r.text[1:], '\'')]
	}
	return r.text[:1]
}

func (r *formReader) take() string {
	s := r.peek()
	r.text = r.text[len(s):]
	return s
}

func (r *formReader) choice() (*Form, error) {
	f := &Form{Kind: FormChoice}
	for {
		part, err := r.sequence()
		if err != nil {
			return nil, err
		}
		f.Parts = append(f.Parts, part)
		if r.peek() != "|" {
			break
		}
		r.take()
	}
	if len(f.Parts) == 1 {
		return f.Parts[0], nil
	}
	f.begin()
	return f, nil
}

func (r *formReader) sequence() (*Form, error) {
	f := &Form{Kind: FormSequence}
	for {
		switch r.peek() {
		case "", "|", "]", "}":
			f.begin()
			return f, nil
		}
		part, err := r.element()
		if err != nil {
			return nil, err
		}
		f.Parts = append(f.Parts, part)
	}
}

// element reads a word, a mark or a bracketed group with its repetition.
func (r *formReader) element() (*Form, error) {
	var f *Form
	switch s := r.take(); {
	case s == "[" || s == "{":
		inner, err := r.choice()
		if err != nil {
			return nil, err
		}
		if want := map[string]string{"[": "]", "{": "}"}[s]; r.take() != want {
			return nil, fmt.Errorf("%s is not closed before %q", s, r.text)
		}
		if f = inner; s == "[" {
			return r.repeated(&Form{Kind: FormOptional, Parts: []*Form{inner}}), nil
		}
	case s == "!":
		inner, err := r.element()
		if err != nil {
			return nil, err
		}
		return &Form{Kind: FormUnless, Parts: []*Form{inner}}, nil
	case s[0] == '\'':
		f = &Form{Kind: FormMark, Text: s[1 : len(s)-1]}
	case unicode.IsUpper(rune(s[0])):
		f = &Form{Kind: FormWord, Text: s, Word: word.Find(strings.ToLower(s))}
	case unicode.IsLower(rune(s[0])):
		f = &Form{Kind: FormClass, Text: s}
		if r.rules[s] != nil {
			f = &Form{Kind: FormRule, Text: s, rules: r.rules}
		}
	default:
		f = &Form{Kind: FormMark, Text: s}
	}
	return r.repeated(f), nil
}

// repeated reads the … or + that may follow an element. What is optional
// repeats inside, so that each round takes something.
func (r *formReader) repeated(f *Form) *Form {
	kind := FormSequence
	switch r.peek() {
	case "...":
		kind = FormList
	case "+":
		kind = FormRepeat
	default:
		return f
	}
	r.take()
	if f.Kind == FormOptional {
		f.Parts[0] = &Form{Kind: kind, Parts: []*Form{f.Parts[0]}}
		return f
	}
	return &Form{Kind: kind, Parts: []*Form{f}}
}
