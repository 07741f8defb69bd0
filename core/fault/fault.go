// Package fault keeps a slip of the program itself from costing more than the
// piece of work it stands in.
package fault

import (
	"fmt"
	"runtime"
	"strings"
)

// Fault is an error of the program itself, caught where it can be told.
type Fault struct {
	Doing string // what was being done, as "binding names"
	Cause string // one line
	Place string // file and line in the program's source, as core/bind/bind.go:189
}

// Error tells the fault in one line.
func (f *Fault) Error() string {
	return fmt.Sprintf("a fault of justlens itself in %s, please report: %s (%s)", f.Doing, f.Cause, f.Place)
}

// Guard runs work and gives what went wrong in it, nil if nothing did. What cannot be
// caught are a stack that overflows and memory that runs out: whoever recurses
// bounds the depth.
func Guard(doing string, work func()) (caught *Fault) {
	defer func() {
		if cause := recover(); cause != nil {
			caught = &Fault{Doing: doing, Cause: strings.Join(strings.Fields(fmt.Sprint(cause)), " "), Place: place()}
		}
	}()
	work()
	return nil
}

// module begins the names of the program's own functions.
const module = "justlens/"

// place finds the innermost of the program's own functions that panicked.
func place() string {
	var callers [64]uintptr
	frames := runtime.CallersFrames(callers[:runtime.Callers(2, callers[:])])
	for {
		f, more := frames.Next()
		path, ok := strings.CutPrefix(f.Function, module)
		if ok && !strings.HasPrefix(path, "core/fault.") {
			folder := path[:strings.LastIndexByte(path, '/')+1]
			rest := path[len(folder):]
			return fmt.Sprintf("%s%s/%s:%d", folder, rest[:strings.IndexByte(rest, '.')], f.File[strings.LastIndexByte(f.File, '/')+1:], f.Line)
		}
		if !more {
			return "place unknown"
		}
	}
}
