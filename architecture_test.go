package justlens_test

import (
	"os/exec"
	"slices"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"
)

// road lists the packages in the order of the road of data: each may import
// only those before it.
var road = []string{
	"core/text", "core/slab", "core/fault", "core/dialect/word", "core/dialect/class", "core/dialect", "core/syntax", "core/schema", "core/bind", "core/reason", "core/facts", "core/sample", "core/run", "core/check",
	"core/compare", "core/checks/", "core/checks", "core/follow", "core/review", "core/mend", "database", "demo", "rows", "known", "config", "report", "cli", "cmd/justlens",
}

// place gives a package's place on the road, -1 for what is no part of it.
func place(path string) int {
	path = strings.TrimPrefix(path, "justlens/")
	return slices.IndexFunc(road, func(step string) bool {
		return path == step || strings.HasSuffix(step, "/") && strings.HasPrefix(path, step)
	})
}

// imports gives the packages of the module with what they import.
func imports(t *testing.T) map[string][]string {
	out, err := exec.Command("go", "list", "-f", `{{.ImportPath}} {{join .Imports " "}}`, "./...").Output()
	require.NoError(t, err)
	graph := map[string][]string{}
	for line := range strings.Lines(string(out)) {
		fields := strings.Fields(line)
		graph[fields[0]] = fields[1:]
	}
	return graph
}

func TestNoPackageImportsOneFurtherDownTheRoad(t *testing.T) {
	for path, imported := range imports(t) {
		from := place(path)
		if from < 0 {
			continue
		}
		for _, i := range imported {
			if to := place(i); strings.HasPrefix(i, "justlens/") && to >= 0 {
				require.Less(t, to, from, "%s imports %s", path, i)
			}
		}
	}
}

func TestCoreImportsNoInterfaceAndNoDriver(t *testing.T) {
	allowed := []string{
		"bytes", "cmp", "embed", "sync", "context", "encoding/binary", "encoding/hex", "errors", "fmt", "hash/fnv", "hash/maphash", "io", "maps", "math", "math/bits", "math/rand/v2", "reflect", "runtime", "slices", "sort",
		"strconv", "strings", "time", "unicode", "unicode/utf8", "unicode/utf16", "unsafe",
	}
	seen := 0
	for path, imported := range imports(t) {
		if !strings.HasPrefix(path, "justlens/core/") || strings.Contains(path, "/internal/") {
			continue
		}
		seen++
		for _, i := range imported {
			if path == "justlens/core/run" && (i == "github.com/shopspring/decimal" || i == "regexp") {
				continue // exact numbers, and the operators of SQL that match patterns
			}
			if !strings.HasPrefix(i, "justlens/core/") {
				require.Contains(t, allowed, i, "%s imports %s", path, i)
			}
		}
	}
	require.Greater(t, seen, 10)
}
