package dialect

import (
	_ "embed"
	"maps"
	"slices"
	"strconv"
	"strings"
	"sync"
)

// UnknownLiteral is the type of a text in quotes and of NULL before their place decides it.
const UnknownLiteral = "unknown"

// TypeID is the number of a type in a type system.
type TypeID uint8

// The types that most expressions have, in every type system; the others follow. OpenType is
// one that is not known.
const (
	OpenType TypeID = iota
	UnknownType
	BoolType
	Int2Type
	Int4Type
	Int8Type
	NumericType
	Float4Type
	Float8Type
	TextType
	VarcharType
	DateType
	TimestampType
	TimestampTZType
	commonTypes
)

var commonNames = [commonTypes]string{"", UnknownLiteral, "bool", "int2", "int4", "int8", "numeric", "float4", "float8", "text", "varchar", "date", "timestamp", "timestamptz"}

// IsInteger reports whether a type is one of whole numbers.
func (id TypeID) IsInteger() bool { return Int2Type <= id && id <= Int8Type }

// IsNumber reports whether a type is one of the common numbers.
func (id TypeID) IsNumber() bool { return Int2Type <= id && id <= Float8Type }

func (id TypeID) isExactNumber() bool { return Int2Type <= id && id <= NumericType }

func (id TypeID) isText() bool { return id == TextType || id == VarcharType }

// IsDay reports whether values of a type hold a day.
func (id TypeID) IsDay() bool { return id >= DateType && id < commonTypes }

// QuickCompare reports whether two common types go together in a comparison, without a look
// into the type system; false where that has to be asked.
func QuickCompare(a, b TypeID) bool {
	if a == UnknownType {
		a = b
	} else if b == UnknownType {
		b = a
	}
	return a.IsNumber() && b.IsNumber() || a.isText() && b.isText() || a.IsDay() && b.IsDay() || a == BoolType && b == BoolType
}

// QuickReckon gives the type of a sum, difference, product or quotient of common numbers;
// false where that has to be asked.
func QuickReckon(a, b TypeID) (TypeID, bool) {
	if a == UnknownType {
		a = b
	} else if b == UnknownType {
		b = a
	}
	return max(a, b), a.isExactNumber() && b.isExactNumber()
}

// TypeSystem is what a database does with values of its types: which one it takes for
// another, and which operators and functions it has for them.
type TypeSystem struct {
	types     map[string]typeTrait
	names     []string           // by number
	ids       map[string]TypeID  // by name
	implicit  map[[2]string]bool // casts that are made without being asked for
	assigned  map[[2]string]bool // casts that are made where a value is stored, beyond those
	written   map[[2]string]bool // casts that are made where they are written, beyond those
	operators map[string][]Signature
	functions map[string][]Signature
}

type typeTrait struct {
	category  byte
	preferred bool
	title     string
}

// Signature is one operator or function of several with its name.
type Signature struct {
	Args   []string // the left one is "" of an operator that stands before its operand
	Result string
	// Least is how many arguments must be given.
	Least int
	// Repeats tells that the last argument may be given any number of times.
	Repeats bool
	// Set tells of a function that returns a set.
	Set bool
}

// Outcome is how the search for an operator or function ended.
type Outcome uint8

const (
	// Open: what is not known may decide it.
	Open Outcome = iota
	// Found: there is one that takes the types.
	Found
	// None: there is none that takes them.
	None
	// Several: there are several, and nothing prefers one.
	Several
)

//go:embed types/postgres.txt
var postgresTypeText string

var postgresTypeSystem = sync.OnceValue(func() *TypeSystem { return readTypeSystem(postgresTypeText) })

// HasTypes reports whether the type system of a dialect is known.
func (d Dialect) HasTypes() bool { return d == Postgres }

// Types gives the type system of a dialect, nil where it is not known.
func (d Dialect) Types() *TypeSystem {
	if d != Postgres {
		return nil
	}
	return postgresTypeSystem()
}

func readTypeSystem(text string) *TypeSystem {
	t := &TypeSystem{names: slices.Clone(commonNames[:]), ids: map[string]TypeID{}, types: map[string]typeTrait{}, implicit: map[[2]string]bool{}, assigned: map[[2]string]bool{}, written: map[[2]string]bool{}, operators: map[string][]Signature{}, functions: map[string][]Signature{}}
	for id, name := range commonNames {
		t.ids[name] = TypeID(id)
	}
	for line := range strings.Lines(text) {
		f := strings.Fields(line)
		switch f[0] {
		case "type":
			if _, ok := t.ids[f[1]]; !ok {
				t.ids[f[1]] = TypeID(len(t.names))
				t.names = append(t.names, f[1])
			}
			t.types[f[1]] = typeTrait{category: f[2][0], preferred: strings.HasSuffix(f[2], "!"), title: strings.Join(f[3:], " ")}
		case "cast":
			of := map[string]map[[2]string]bool{"i": t.implicit, "a": t.assigned, "e": t.written}[f[3]]
			of[[2]string{f[1], f[2]}] = true
		case "op":
			left := f[2]
			if left == "-" {
				left = ""
			}
			t.operators[f[1]] = append(t.operators[f[1]], Signature{Args: []string{left, f[3]}, Result: f[4], Least: 2})
		case "fn":
			s := Signature{Args: f[3:]}
			s.Result, s.Set = strings.CutSuffix(f[2], "*")
			s.Least = len(s.Args)
			if s.Least > 0 {
				if n, err := strconv.Atoi(s.Args[0]); err == nil {
					s.Args, s.Least = s.Args[1:], n
				}
			}
			if n := len(s.Args); n > 0 && strings.HasPrefix(s.Args[n-1], "...") {
				s.Args[n-1], s.Repeats = strings.TrimPrefix(s.Args[n-1], "..."), true
			}
			t.functions[f[1]] = append(t.functions[f[1]], s)
		}
	}
	return t
}

// Title gives a type's name as people write it.
func (t *TypeSystem) Title(name string) string {
	if trait, ok := t.types[name]; ok {
		return trait.title
	}
	return name
}

// Knows reports whether a type is one whose operators are all known: no array, no range and
// nothing of the user's.
func (t *TypeSystem) Knows(name string) bool {
	trait, ok := t.types[name]
	return ok && trait.category != 'A' && trait.category != 'R' && trait.category != 'P'
}

// IsText reports whether a type is one of the texts.
func (t *TypeSystem) IsText(name string) bool { return t.types[name].category == 'S' }

// Assigns tells whether a value of a type is stored in a column of another, converted if need
// be: any value is, in a column of text. (PostgreSQL's manual, "Value Storage" and CREATE CAST)
func (t *TypeSystem) Assigns(from, to string) Outcome {
	switch {
	case !t.searches(from) || !t.Knows(to):
		return Open
	case from == to, from == UnknownLiteral, t.IsText(to), t.implicit[[2]string{from, to}], t.assigned[[2]string{from, to}]:
		return Found
	}
	return None
}

// Casts tells whether there is a cast from a type to another: from text there is one to any.
// (PostgreSQL's manual, CREATE CAST, notes)
func (t *TypeSystem) Casts(from, to string) Outcome {
	o := t.Assigns(from, to)
	if o == None && (t.IsText(from) || t.written[[2]string{from, to}]) {
		return Found
	}
	return o
}

// Operator finds the operator that stands between two types, or before one where left is "".
// A type that is not known is "". (PostgreSQL's manual, "Operator Type Resolution")
func (t *TypeSystem) Operator(name, left, right string) (result string, o Outcome) {
	prefix := left == ""
	if right == "" || !t.searches(right) || !prefix && !t.searches(left) {
		return "", Open
	}
	return t.operator(name, left, right)
}

// Infix is Operator for one with operands on both sides, of which either may not be known.
func (t *TypeSystem) Infix(name, left, right string) (result string, o Outcome) {
	if left == "" {
		return "", Open
	}
	return t.Operator(name, left, right)
}

// searches reports whether a type takes part in the search.
func (t *TypeSystem) searches(name string) bool { return name == UnknownLiteral || t.Knows(name) }

func (t *TypeSystem) operator(name, left, right string) (string, Outcome) {
	args := []string{left, right}
	var candidates []Signature
	for _, s := range t.operators[name] {
		if (s.Args[0] == "") == (left == "") {
			candidates = append(candidates, s)
		}
	}
	if len(candidates) == 0 {
		return "", Open // one of an extension
	}
	exact := slices.Clone(args)
	if left != "" {
		if left == UnknownLiteral {
			exact[0] = right
		} else if right == UnknownLiteral {
			exact[1] = left
		}
	}
	for _, s := range candidates {
		if slices.Equal(s.Args, exact) {
			return s.Result, Found
		}
	}
	if left == "" {
		candidates, args = withoutLeft(candidates), args[1:]
	}
	return t.choose(candidates, args)
}

func withoutLeft(candidates []Signature) []Signature {
	out := make([]Signature, len(candidates))
	for i, s := range candidates {
		out[i] = Signature{Args: s.Args[1:], Result: s.Result, Least: 1}
	}
	return out
}

// Call finds the function that takes arguments of some types. It is Open where the function
// is none that is kept, as are those of users and extensions.
// (PostgreSQL's manual, "Function Type Resolution")
func (t *TypeSystem) Call(name string, args []string) (result string, set bool, o Outcome) {
	for _, arg := range args {
		if arg == "" || !t.searches(arg) {
			return "", false, Open
		}
	}
	all := t.functions[name]
	if len(all) == 0 || t.isType(name) && len(args) == 1 { // a cast written as a call
		return "", false, Open
	}
	var candidates []Signature
	for _, s := range all {
		switch n := len(s.Args); {
		case s.Repeats && len(args) >= n:
			given := slices.Clone(s.Args[:n-1])
			element := strings.TrimPrefix(s.Args[n-1], "_")
			for len(given) < len(args) {
				given = append(given, element)
			}
			candidates = append(candidates, Signature{Args: given, Result: s.Result, Set: s.Set})
		case len(args) <= n && len(args) >= s.Least:
			candidates = append(candidates, Signature{Args: s.Args[:len(args)], Result: s.Result, Set: s.Set})
		}
	}
	if len(candidates) == 0 {
		return "", false, Open // another check counts the arguments
	}
	for _, s := range candidates {
		if slices.Equal(s.Args, args) {
			return s.Result, s.Set, Found
		}
	}
	result, o = t.choose(candidates, args)
	return result, false, o
}

func (t *TypeSystem) isType(name string) bool { _, ok := t.types[name]; return ok }

// choose picks the candidate that the database would take.
func (t *TypeSystem) choose(candidates []Signature, args []string) (string, Outcome) {
	candidates = slices.DeleteFunc(slices.Clone(candidates), func(s Signature) bool { return !t.takes(s, args) })
	switch len(candidates) {
	case 0:
		return "", None
	case 1:
		return t.result(candidates[0], args)
	}
	candidates = most(candidates, func(s Signature) (n int) {
		for i, arg := range args {
			if arg != UnknownLiteral && s.Args[i] == arg {
				n++
			}
		}
		return n
	})
	candidates = most(candidates, func(s Signature) (n int) {
		for i, arg := range args {
			if arg != UnknownLiteral && (s.Args[i] == arg || t.types[s.Args[i]].preferred && t.types[s.Args[i]].category == t.types[arg].category) {
				n++
			}
		}
		return n
	})
	if len(candidates) > 1 && slices.Contains(args, UnknownLiteral) {
		candidates = t.byCategory(candidates, args)
	}
	if len(candidates) > 1 {
		candidates = t.byKnown(candidates, args)
	}
	if len(candidates) != 1 {
		return "", Several
	}
	return t.result(candidates[0], args)
}

// byCategory keeps the candidates that take the likeliest kind of value where a literal
// stands: text before all.
func (t *TypeSystem) byCategory(candidates []Signature, args []string) []Signature {
	category, preferred := make([]byte, len(args)), make([]bool, len(args))
	for i, arg := range args {
		if arg != UnknownLiteral {
			continue
		}
		conflict := false
		for _, s := range candidates {
			switch trait := t.types[s.Args[i]]; {
			case category[i] == 0:
				category[i], preferred[i] = trait.category, trait.preferred
			case trait.category == category[i]:
				preferred[i] = preferred[i] || trait.preferred
			case trait.category == 'S':
				category[i], preferred[i] = 'S', trait.preferred
			default:
				conflict = true
			}
		}
		if conflict && category[i] != 'S' {
			return candidates
		}
	}
	kept := slices.DeleteFunc(slices.Clone(candidates), func(s Signature) bool {
		for i, arg := range args {
			trait := t.types[s.Args[i]]
			if arg == UnknownLiteral && (trait.category != category[i] || preferred[i] && !trait.preferred) {
				return true
			}
		}
		return false
	})
	if len(kept) == 0 {
		return candidates
	}
	return kept
}

// byKnown takes the literals for values of the one type that the other arguments have.
func (t *TypeSystem) byKnown(candidates []Signature, args []string) []Signature {
	known := ""
	for _, arg := range args {
		switch {
		case arg == UnknownLiteral:
		case known != "" && known != arg:
			return candidates
		default:
			known = arg
		}
	}
	if known == "" || !slices.Contains(args, UnknownLiteral) {
		return candidates
	}
	same := slices.Repeat([]string{known}, len(args))
	kept := slices.DeleteFunc(slices.Clone(candidates), func(s Signature) bool { return !t.takes(s, same) })
	if len(kept) != 1 {
		return candidates
	}
	return kept
}

// most keeps the candidates of the highest score.
func most(candidates []Signature, score func(Signature) int) []Signature {
	best := 0
	for _, s := range candidates {
		best = max(best, score(s))
	}
	return slices.DeleteFunc(slices.Clone(candidates), func(s Signature) bool { return score(s) < best })
}

// takes reports whether a signature takes arguments of some types.
func (t *TypeSystem) takes(s Signature, args []string) bool {
	element := ""
	var compatible []string
	for i, arg := range args {
		want := s.Args[i]
		switch {
		case arg == UnknownLiteral, arg == want, want == "any":
		case want == "anyelement", want == "anynonarray":
			if element != "" && element != arg {
				return false
			}
			element = arg
		case want == "anycompatible", want == "anycompatiblenonarray":
			compatible = append(compatible, arg)
		case !t.implicit[[2]string{arg, want}]:
			return false
		}
	}
	if len(compatible) > 1 {
		_, o := t.Common(compatible)
		return o != None
	}
	return true
}

// result gives what a signature returns, "" where its type is made of its arguments' in a
// way that is not followed.
func (t *TypeSystem) result(s Signature, args []string) (string, Outcome) {
	if t.types[s.Result].category != 'P' {
		return s.Result, Found
	}
	for i, arg := range args {
		if s.Result == s.Args[i] && s.Result == "anyelement" && arg != UnknownLiteral {
			return arg, Found
		}
	}
	return "", Found
}

// Common gives the type of a value that may be one of several, as of COALESCE, CASE and
// UNION: "" where one is not known, None where they do not go together.
// (PostgreSQL's manual, "UNION, CASE, and Related Constructs")
func (t *TypeSystem) Common(types []string) (string, Outcome) {
	common := UnknownLiteral
	for _, next := range types {
		switch {
		case next == "" || next != UnknownLiteral && !t.Knows(next):
			return "", Open
		case next == UnknownLiteral || next == common:
		case common == UnknownLiteral:
			common = next
		case t.types[common].category != t.types[next].category:
			return "", None
		case !t.types[common].preferred && t.implicit[[2]string{common, next}] && !t.implicit[[2]string{next, common}]:
			common = next
		}
	}
	if common == UnknownLiteral {
		common = "text"
	}
	for _, next := range types {
		if next != UnknownLiteral && next != common && !t.implicit[[2]string{next, common}] {
			return "", None
		}
	}
	return common, Found
}

// Canonical gives the name by which the type system knows a type that is written in SQL, ""
// for one that it does not know.
func (t *TypeSystem) Canonical(written string) string {
	s := strings.ToLower(written)
	if strings.ContainsAny(s, "[]\"%") || strings.HasSuffix(s, " array") || strings.HasPrefix(s, "setof ") {
		return ""
	}
	arguments := ""
	if open := strings.IndexByte(s, '('); open >= 0 {
		end := strings.IndexByte(s[open:], ')')
		if end < 0 {
			return ""
		}
		arguments, s = s[open+1:open+end], s[:open]+" "+s[open+end+1:]
	}
	s = strings.TrimPrefix(strings.Join(strings.Fields(s), " "), "pg_catalog.")
	switch s {
	case "integer", "int", "serial", "serial4":
		return "int4"
	case "bigint", "bigserial", "serial8":
		return "int8"
	case "smallint", "smallserial", "serial2":
		return "int2"
	case "decimal", "dec":
		return "numeric"
	case "real":
		return "float4"
	case "double precision":
		return "float8"
	case "float":
		if n, err := strconv.Atoi(strings.TrimSpace(arguments)); err == nil && n <= 24 {
			return "float4"
		}
		return "float8"
	case "character varying", "char varying":
		return "varchar"
	case "character", "char", "nchar", "national character", "national char":
		return "bpchar"
	case "boolean":
		return "bool"
	case "bit varying":
		return "varbit"
	case "time without time zone":
		return "time"
	case "time with time zone":
		return "timetz"
	case "timestamp without time zone":
		return "timestamp"
	case "timestamp with time zone":
		return "timestamptz"
	}
	if strings.HasPrefix(s, "interval") {
		return "interval"
	}
	if t.Knows(s) && s != "char" && s != UnknownLiteral {
		return s
	}
	return ""
}

// Functions lists the names of the functions that are kept, sorted.
func (t *TypeSystem) Functions() []string { return slices.Sorted(maps.Keys(t.functions)) }

// Name gives a type's name by its number, "" for [OpenType].
func (t *TypeSystem) Name(id TypeID) string { return t.names[id] }

// ID gives a type's number by its name, [OpenType] where there is none.
func (t *TypeSystem) ID(name string) TypeID { return t.ids[name] }
