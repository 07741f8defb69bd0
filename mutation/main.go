// Command mutation tries what the tests of checks and mends notice. It changes the code of
// core/checks, core/check and core/mend in thousands of small ways, all built into one test
// program of which one is in force at a time, and runs the tests, without any database,
// on a sample of them. A change that no test notices is printed.
//
//	go run ./mutation              a sample of 400
//	go run ./mutation -sample 0    all
package main

import (
	"bytes"
	"encoding/json"
	"flag"
	"fmt"
	"log"
	"math/rand/v2"
	"os"
	"os/exec"
	"path/filepath"
	"slices"
	"strconv"
	"strings"
	"sync"
	"time"
)

// mutated are the folders whose code is changed; tested are the packages whose tests are
// to notice.
var (
	mutated = []string{"core/check", "core/checks", "core/mend"}
	tested  = []string{"core/checks", "core/mend"}
)

func main() {
	sample := flag.Int("sample", 400, "how many mutations to try, 0 for all")
	seed := flag.Uint64("seed", 1, "of the sample")
	jobs := flag.Int("jobs", 2, "tests to run at a time")
	flag.Parse()
	work, err := os.MkdirTemp("", "mutation")
	check(err)
	defer os.RemoveAll(work)
	all := mutate(work)
	binaries := build(work)
	reached := reach(work, binaries)
	fmt.Printf("%d mutations, %d of them reached by a test\n", len(all), len(reached))
	rand.New(rand.NewPCG(*seed, 0)).Shuffle(len(all), func(i, k int) { all[i], all[k] = all[k], all[i] })
	if *sample > 0 && *sample < len(all) {
		all = all[:*sample]
	}
	alive := try(all, reached, binaries, *jobs)
	byKind := map[string][2]int{}
	for _, m := range all {
		n := byKind[m.kind]
		if n[0]++; !slices.Contains(alive, m) {
			n[1]++
		}
		byKind[m.kind] = n
	}
	for _, m := range alive {
		fmt.Println(m)
	}
	for kind, n := range byKind {
		fmt.Printf("%-20s %3d of %3d killed\n", kind, n[1], n[0])
	}
	fmt.Printf("%d of %d killed: %.1f %%\n", len(all)-len(alive), len(all), 100*float64(len(all)-len(alive))/float64(len(all)))
}

// mutate writes the changed files into a folder, with the overlay that puts them in the
// place of the files themselves.
func mutate(work string) (all []mutation) {
	overlay := map[string]string{}
	for _, folder := range mutated {
		check(filepath.WalkDir(folder, func(path string, d os.DirEntry, err error) error {
			if err != nil || d.IsDir() || !strings.HasSuffix(path, ".go") || strings.HasSuffix(path, "_test.go") {
				return err
			}
			src, mutations := change(path, len(all))
			if len(mutations) == 0 {
				return nil
			}
			all = append(all, mutations...)
			whole, err := filepath.Abs(path)
			check(err)
			copied := filepath.Join(work, strings.ReplaceAll(path, "/", "_"))
			overlay[whole] = copied
			return os.WriteFile(copied, src, 0o644)
		}))
	}
	data, err := json.Marshal(map[string]any{"Replace": overlay})
	check(err)
	check(os.WriteFile(filepath.Join(work, "overlay.json"), data, 0o644))
	return all
}

func build(work string) (binaries []string) {
	for _, p := range tested {
		out := filepath.Join(work, strings.ReplaceAll(p, "/", "_")+".test")
		said, err := exec.Command("go", "test", "-c", "-vet=off", "-overlay", filepath.Join(work, "overlay.json"), "-o", out, "./"+p).CombinedOutput()
		if err != nil {
			log.Fatalf("%s", said)
		}
		binaries = append(binaries, out)
	}
	return binaries
}

// reach runs the tests once and gives the numbers of the mutations that they come upon.
func reach(work string, binaries []string) map[int]bool {
	list := filepath.Join(work, "reached")
	for i, b := range binaries {
		if out, err := run(b, tested[i], "reach", "MUTANT_REACH="+list); err != nil {
			log.Fatalf("the tests fail without any mutation: %s", out)
		}
	}
	data, err := os.ReadFile(list)
	check(err)
	reached := map[int]bool{}
	for _, line := range strings.Fields(string(data)) {
		n, err := strconv.Atoi(line)
		check(err)
		reached[n] = true
	}
	return reached
}

// run runs the tests of a package with one mutation in force.
func run(binary, folder, mutant string, environment ...string) ([]byte, error) {
	c := exec.Command(binary, "-test.failfast", "-test.timeout", "60s")
	c.Dir = folder
	c.Env = append(append(os.Environ(), "MUTANT="+mutant), environment...)
	var out bytes.Buffer
	c.Stdout, c.Stderr = &out, &out
	err := c.Run()
	return out.Bytes(), err
}

// try gives the mutations that no test notices.
func try(all []mutation, reached map[int]bool, binaries []string, jobs int) (alive []mutation) {
	var wait sync.WaitGroup
	var lock sync.Mutex
	queue := make(chan mutation)
	done, began := 0, time.Now()
	for range jobs {
		wait.Go(func() {
			for m := range queue {
				killed := false
				for i := 0; i < len(binaries) && reached[m.number] && !killed; i++ {
					_, err := run(binaries[i], tested[i], strconv.Itoa(m.number))
					killed = err != nil
				}
				lock.Lock()
				if !killed {
					alive = append(alive, m)
				}
				if done++; done%50 == 0 {
					log.Printf("%d tried, %d alive, %s", done, len(alive), time.Since(began).Round(time.Second))
				}
				lock.Unlock()
			}
		})
	}
	for _, m := range all {
		queue <- m
	}
	close(queue)
	wait.Wait()
	return alive
}

func check(err error) {
	if err != nil {
		log.Fatal(err)
	}
}
