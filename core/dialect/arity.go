package dialect

import (
	"embed"
	"fmt"
	"maps"
	"slices"
	"strconv"
	"strings"
	"sync"
)

// Arity is how many arguments a built-in function takes.
type Arity struct {
	Min int
	Max int // -1 for any number
	// Special tells of a form of its own that is not a list of arguments.
	Special bool
}

// Takes reports whether a call may have so many arguments.
func (a Arity) Takes(n int) bool { return a.Special || n >= a.Min && (a.Max < 0 || n <= a.Max) }

// String says the numbers for people: "1 or 2", "at least 2".
func (a Arity) String() string {
	switch {
	case a.Max < 0:
		return fmt.Sprintf("at least %d", a.Min)
	case a.Min == a.Max && a.Min == 0:
		return "no"
	case a.Min == a.Max:
		return strconv.Itoa(a.Min)
	case a.Max == a.Min+1:
		return fmt.Sprintf("%d or %d", a.Min, a.Max)
	}
	return fmt.Sprintf("%d to %d", a.Min, a.Max)
}

//go:embed functions/*.txt
var functionFiles embed.FS

// builtins hold the functions of each dialect by name, read when first asked for.
var builtins = func() (all [Count]func() map[string]Arity) {
	for d := range Count {
		all[d] = sync.OnceValue(func() map[string]Arity { return readBuiltins(d) })
	}
	return all
}()

func readBuiltins(d Dialect) map[string]Arity {
	table := map[string]Arity{}
	files := []string{d.String()}
	switch d {
	case ANSI:
		return table
	case MySQL:
		files = []string{MariaDB.String(), MySQL.String()}
	}
	for _, name := range files {
		data, err := functionFiles.ReadFile("functions/" + name + ".txt")
		if err != nil {
			panic(err)
		}
		for line := range strings.Lines(string(data)) {
			fields := strings.Fields(line)
			switch {
			case len(fields) == 0 || fields[0] == "#":
			case fields[0] == "!":
				delete(table, fields[1])
			default:
				table[fields[0]] = arityOf(fields)
			}
		}
	}
	return table
}

func arityOf(fields []string) Arity {
	if fields[1] == "-" {
		return Arity{Special: true}
	}
	a := Arity{Max: -1}
	var err error
	if a.Min, err = strconv.Atoi(fields[1]); err == nil && fields[2] != "*" {
		a.Max, err = strconv.Atoi(fields[2])
	}
	if err != nil {
		panic("functions: " + strings.Join(fields, " ") + ": " + err.Error())
	}
	return a
}

// Arity gives how many arguments a built-in function takes, by its name in lower
// case; ok is false for one that the dialect's table does not have.
func (d Dialect) Arity(name string) (a Arity, ok bool) {
	a, ok = builtins[d]()[name]
	return a, ok
}

// Listing are the dialects whose tables have all built-in functions.
const Listing Set = 1<<Postgres | 1<<MariaDB | 1<<MySQL | 1<<SQLite

// functionNames are the names of the tables in order, listed when first asked for.
var functionNames = func() (all [Count]func() []string) {
	for d := range Count {
		all[d] = sync.OnceValue(func() []string { return slices.Sorted(maps.Keys(builtins[d]())) })
	}
	return all
}()

// Functions lists the built-in functions that the dialect's table has, in order. The
// list is not to be changed.
func (d Dialect) Functions() []string { return functionNames[d]() }
