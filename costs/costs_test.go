// Package costs holds what a review costs to its size: texts of every kind that could
// grow out of hand are doubled, and the work is counted, not timed.
package costs_test

import (
	"bufio"
	"bytes"
	"context"
	"fmt"
	"io"
	"os"
	"os/exec"
	"path/filepath"
	"runtime"
	"strconv"
	"strings"
	"sync"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"justlens/cli"
)

// Sizes in bytes: each is double the one before.
const (
	smallest = 10_000
	largest  = 160_000
	// mostGrowth is how much more work a text of double the size may cost.
	mostGrowth = 2.3
	// blockGrowth is how much more often one block of the program may run, twice in a row,
	// where it runs a few times a byte: a loop within a loop is found before it is the most.
	blockGrowth = 3
)

// counted are the packages whose blocks are counted: ours, and what searches and sorts for us.
const counted = "justlens/...,slices,strings,maps,sort"

// dialects are those under which the kinds are tried.
var dialects = []string{"auto", "postgres", "mysql"}

// kind is a kind of text, with the command that reads it.
type kind struct{ name, dialect, command, head, part, tail, behind string }

// text gives a text of about a size, and where in it that stands which is repeated behind the tail.
func (k kind) text(size int) (string, int) {
	var parts, behind strings.Builder
	parts.WriteString(k.head)
	for n := 0; parts.Len()*(len(k.part)+len(k.behind)) < size*len(k.part); n++ {
		numbered := strings.NewReplacer("#+", strconv.Itoa(n+1), "#", strconv.Itoa(n))
		parts.WriteString(numbered.Replace(k.part))
		behind.WriteString(numbered.Replace(k.behind))
	}
	before := parts.String() + k.tail
	return before + behind.String(), len(before)
}

// write writes a text of about a size to a folder, and gives the arguments of the command that reads it.
func (k kind) write(t *testing.T, dir string, size int) []string {
	whole, at := k.text(size)
	path, tables := filepath.Join(dir, "text.sql"), filepath.Join(dir, "tables.ddl")
	args := []string{k.command, path, "--dialect", k.dialect}
	switch k.command {
	case "schema": // whose --dialect is that of what it writes
		args = args[:2]
	case "given":
		require.NoError(t, os.WriteFile(tables, []byte(whole[:at]), 0o644))
		whole = whole[at:]
		args = []string{"review", path, "--dialect", k.dialect, "--schema", tables, "--jobs", "1", "--report", "json"}
	case "review":
		args = append(args, "--jobs", "1", "--report", "json")
	}
	require.NoError(t, os.WriteFile(path, []byte(whole), 0o644))
	return args
}

func kinds(t *testing.T) []kind {
	data, err := os.ReadFile("testdata/kinds.txt")
	require.NoError(t, err)
	var all []kind
	for line := range strings.Lines(string(data)) {
		if strings.HasPrefix(line, "#") {
			continue
		}
		fields := strings.Split(strings.ReplaceAll(strings.TrimRight(line, "\n"), `\|`, "\x00"), "|")
		for i := range fields {
			fields[i] = strings.NewReplacer("\x00", "|", `\n`, "\n").Replace(strings.TrimSpace(fields[i])) + " "
		}
		for len(fields) < 5 {
			fields = append(fields, "")
		}
		k := kind{name: strings.TrimSpace(fields[0]), dialect: dialects[len(all)%len(dialects)], command: "review", head: fields[1], part: fields[2], tail: fields[3], behind: fields[4]}
		if before, command, ok := strings.Cut(k.name, ">"); ok {
			k.name, k.command = before, strings.TrimSpace(command)
		}
		if _, named, ok := strings.Cut(k.name, "@"); ok {
			k.dialect = strings.TrimSpace(named)
		}
		require.Contains(t, []string{"review", "follow", "mend", "schema", "given"}, k.command, k.name)
		all = append(all, k)
	}
	require.Greater(t, len(all), 50)
	return all
}

// TestWorkFollowsSize counts how often each block of the program is executed, in a
// program built to count, and how many bytes are allocated.
func TestWorkFollowsSize(t *testing.T) {
	tools := t.TempDir()
	program, reader := filepath.Join(tools, "justlens"), filepath.Join(tools, "covdata")
	for _, args := range [][]string{
		{"-cover", "-covermode=count", "-coverpkg=" + counted, "-o", program, "justlens/cmd/justlens"},
		{"-o", reader, "cmd/covdata"}, // built once: go tool looks each time whether it is up to date
	} {
		out, err := exec.Command("go", append([]string{"build"}, args...)...).CombinedOutput()
		require.NoError(t, err, string(out))
	}
	for _, k := range kinds(t) {
		t.Run(k.name, func(t *testing.T) {
			t.Parallel()
			dir := t.TempDir()
			var first, growth = 0.0, 1.0
			var half, quarter map[string]float64 // of the sizes before
			for size := smallest; size <= largest; size *= 2 {
				alone.RLock()
				args := k.write(t, dir, size)
				alone.RUnlock()
				runs := executed(t, program, reader, args)
				switch size {
				case smallest:
					first = allocated(args)
				case largest:
					for block, n := range runs {
						if n > largest && n > blockGrowth*half[block] && half[block] > blockGrowth*quarter[block] {
							t.Errorf("%s: %s runs %.0f, %.0f and %.0f times", k.dialect, block, quarter[block], half[block], n)
						}
					}
					// Blocks are allocated by the power of two, so the bytes are held to the mean.
					assert.LessOrEqual(t, allocated(args), growth*mostGrowth*first, "%s: bytes allocated from %d to %d bytes", k.dialect, smallest, size)
					fallthrough
				default:
					assert.LessOrEqual(t, sum(runs), mostGrowth*sum(half), "%s: steps from %d to %d bytes", k.dialect, size/2, size)
					growth *= mostGrowth
				}
				half, quarter = runs, half
			}
		})
	}
}

// executed gives how many statements of each block of the program a command executes.
func executed(t *testing.T, program, reader string, args []string) map[string]float64 {
	counts := t.TempDir()
	cmd := exec.Command(program, args...)
	cmd.Env = append(os.Environ(), "GOCOVERDIR="+counts)
	_ = cmd.Run() // its exit status tells of findings
	alone.RLock()
	defer alone.RUnlock()
	list, err := exec.Command(reader, "textfmt", "-i", counts, "-o", "/dev/stdout").Output()
	require.NoError(t, err)
	runs := map[string]float64{}
	lines := bufio.NewScanner(strings.NewReader(string(list)))
	for lines.Scan() {
		var statements, count float64
		if bytes.HasSuffix(lines.Bytes(), []byte(" 0")) {
			continue // most of the program
		}
		if block, numbers, ok := strings.Cut(lines.Text(), " "); ok {
			if _, err := fmt.Sscan(numbers, &statements, &count); err == nil && count > 0 {
				runs[block] = statements * count
			}
		}
	}
	require.NotEmpty(t, runs)
	return runs
}

func sum(runs map[string]float64) (total float64) {
	for _, n := range runs {
		total += n
	}
	return total
}

// alone is held while allocations are counted, and shared by what allocates beside that.
var alone sync.RWMutex

// allocated gives how many bytes a command allocates.
func allocated(args []string) float64 {
	alone.Lock()
	defer alone.Unlock()
	var before, after runtime.MemStats
	runtime.ReadMemStats(&before)
	cli.Run(context.Background(), args, strings.NewReader(""), io.Discard, io.Discard, func(string) string { return "" })
	runtime.ReadMemStats(&after)
	return float64(after.TotalAlloc - before.TotalAlloc)
}
