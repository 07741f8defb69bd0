package speed_test

import (
	"fmt"
	"runtime"
	"testing"
	"unsafe"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"justlens/core/bind"
	"justlens/core/check"
	"justlens/core/checks"
	"justlens/core/facts"
	"justlens/core/syntax"
	"justlens/core/text"
)

// budgets are what a review may cost at the most; all of it is counted, none timed.
var budgets = map[string]float64{
	"bytes allocated a byte of season":      0.04,
	"bytes allocated a byte of mixed":       0.22,
	"allocations a statement of season":     0.4,
	"allocations a statement of mixed":      3.6,
	"calls of checks a statement of season": 70,
	"calls of checks a statement of mixed":  101, // a hundred checks came
	"calls of one check a statement":        6,   // comparisons, arithmetic and calls, for their types

	"bytes of a token":           16,
	"bytes of a name":            40,
	"bytes of an operator":       64,
	"bytes of a literal":         16,
	"bytes of what a name means": 48,
}

func TestBudgets(t *testing.T) {
	spent := map[string]float64{
		"bytes of a token":           float64(unsafe.Sizeof(syntax.Token{})),
		"bytes of a name":            float64(unsafe.Sizeof(syntax.Name{})),
		"bytes of an operator":       float64(unsafe.Sizeof(syntax.Binary{})),
		"bytes of a literal":         float64(unsafe.Sizeof(syntax.Literal{})),
		"bytes of what a name means": float64(unsafe.Sizeof(bind.Use{})),
	}
	for name, fill := range texts {
		src := fill(1 << 18)
		bytes, allocations, statements := allocated(t, src)
		spent["bytes allocated a byte of "+name] = bytes / float64(len(src))
		spent["allocations a statement of "+name] = allocations / float64(statements)
		all, most := called(t, src)
		spent["calls of checks a statement of "+name] = float64(all) / float64(statements)
		spent["calls of one check a statement"] = max(spent["calls of one check a statement"], float64(most)/float64(statements))
	}
	require.Len(t, spent, len(budgets))
	for what, most := range budgets {
		t.Logf("%-40s %8.3f of %g", what, spent[what], most)
		assert.LessOrEqual(t, spent[what], most, what)
	}
}

// allocated gives what the second review of a text allocates, when all is there that is
// kept from text to text.
func allocated(t *testing.T, src []byte) (bytes, allocations float64, statements int) {
	r := reviewer(checks.All())
	review := func() {
		f, err := text.NewFile("text.sql", src)
		require.NoError(t, err)
		statements = r.Review(f).Statements
	}
	review()
	var before, after runtime.MemStats
	runtime.ReadMemStats(&before)
	review()
	runtime.ReadMemStats(&after)
	return float64(after.TotalAlloc - before.TotalAlloc), float64(after.Mallocs - before.Mallocs), statements
}

// called counts the calls of all checks, and of the one called most.
func called(t *testing.T, src []byte) (all, most int) {
	counts := map[string]int{}
	counting := func(c *check.Check) *check.Check {
		copied := *c
		copied.On = nil
		for _, h := range c.On {
			node, clause, whole := h.Node, h.Clause, h.Whole
			switch {
			case node != nil:
				h.Node = func(p *check.Pass, n syntax.Node) { counts[c.ID]++; node(p, n) }
			case clause != nil:
				h.Clause = func(p *check.Pass, n *facts.Clause) { counts[c.ID]++; clause(p, n) }
			case whole != nil:
				h.Whole = func(p *check.Pass) { counts[c.ID]++; whole(p) }
			}
			copied.On = append(copied.On, h)
		}
		return &copied
	}
	var chosen []*check.Check
	for _, c := range checks.All() {
		chosen = append(chosen, counting(c))
	}
	f, err := text.NewFile("text.sql", src)
	require.NoError(t, err)
	reviewer(chosen).Review(f)
	busiest := ""
	for id, n := range counts {
		if all += n; n > most {
			busiest, most = id, n
		}
	}
	t.Log(fmt.Sprint("called most: ", busiest))
	return all, most
}
