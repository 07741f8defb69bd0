// Package mutant is what a program built with mutations asks which of them is in force.
package mutant

import (
	"fmt"
	"os"
	"strconv"
	"sync"

	"justlens/core/text"
)

// inForce is the number of the mutation in force, 0 for none. With MUTANT=reach each
// mutation that is come upon is written to the file MUTANT_REACH names.
var (
	inForce, _ = strconv.Atoi(os.Getenv("MUTANT"))
	reaching   = os.Getenv("MUTANT") == "reach"
	reached    sync.Map
)

// Force puts a mutation in force.
func Force(n int) { inForce = n }

// On reports whether a mutation is in force.
func On(n int) bool {
	if reaching {
		if _, known := reached.LoadOrStore(n, true); !known {
			f, err := os.OpenFile(os.Getenv("MUTANT_REACH"), os.O_APPEND|os.O_CREATE|os.O_WRONLY, 0o644)
			if err == nil {
				fmt.Fprintln(f, n)
				f.Close()
			}
		}
	}
	return n == inForce
}

// Or gives another value where the mutation is in force.
func Or[T any](n int, value, other T) T {
	if On(n) {
		return other
	}
	return value
}

// Wider gives a span that is a byte longer on either side.
func Wider(n int, s text.Span) text.Span {
	if On(n) {
		return text.Span{Start: max(s.Start-1, 0), End: s.End + 1}
	}
	return s
}
