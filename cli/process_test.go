//go:build unix

package cli_test

import (
	"bytes"
	"fmt"
	"io"
	"math/rand/v2"
	"net"
	"os"
	"os/exec"
	"os/signal"
	"path/filepath"
	"strconv"
	"strings"
	"syscall"
	"testing"
	"time"

	"github.com/stretchr/testify/require"
)

// program gives a command of the program in a folder of its own. The test binary is the
// program when it goes by its name.
func program(t *testing.T, args ...string) *exec.Cmd {
	t.Helper()
	self, err := os.Executable()
	require.NoError(t, err)
	folder := t.TempDir()
	name := filepath.Join(folder, "bin", "justlens")
	require.NoError(t, os.Mkdir(filepath.Dir(name), 0o777))
	require.NoError(t, os.Symlink(self, name))
	cmd := exec.Command(name, args...)
	cmd.Dir = filepath.Join(folder, "work")
	require.NoError(t, os.Mkdir(cmd.Dir, 0o777))
	return cmd
}

// requireTidy asks that nothing is left of what was being written.
func requireTidy(t *testing.T, folder string) {
	t.Helper()
	left, err := filepath.Glob(filepath.Join(folder, ".justlens-*"))
	require.NoError(t, err)
	require.Empty(t, left)
}

// season gives statements that have a mend each.
func season(n int) string {
	var b strings.Builder
	for i := range n {
		fmt.Fprintf(&b, "SELECT name FROM hives WHERE NOT (NOT (hive_id = %d));\n", i)
	}
	return b.String()
}

// TestSignalsEndAnything sends a signal once the program is known to be at what it waits
// for.
func TestSignalsEndAnything(t *testing.T) {
	t.Parallel()
	// Under nohup the program would leave HUP alone, as it should: a signal that is handled
	// here is its own again there.
	signal.Notify(make(chan os.Signal, 1), syscall.SIGHUP)
	silent, err := net.Listen("tcp", "127.0.0.1:0")
	require.NoError(t, err)
	defer silent.Close()
	cases := []struct {
		name   string
		args   []string
		signal syscall.Signal
		status int
		// reach brings the program to where the signal is to meet it.
		reach func(t *testing.T, folder string, stdin io.WriteCloser)
	}{
		{"standard input", []string{"review", "-", "--report", "json=found.json"}, syscall.SIGINT, 130, func(t *testing.T, _ string, stdin io.WriteCloser) {
			_, err := io.WriteString(stdin, season(4000)) // more than a pipe holds
			require.NoError(t, err)
		}},
		{"standard input, TERM", []string{"mend", "-"}, syscall.SIGTERM, 143, func(t *testing.T, _ string, stdin io.WriteCloser) {
			_, err := io.WriteString(stdin, season(4000))
			require.NoError(t, err)
		}},
		{"a pipe of a name, HUP", []string{"review", "pipe", "--report", "text=found.txt"}, syscall.SIGHUP, 129, func(t *testing.T, folder string, _ io.WriteCloser) {
			pipe, err := os.OpenFile(filepath.Join(folder, "pipe"), os.O_WRONLY, 0)
			require.NoError(t, err)
			t.Cleanup(func() { pipe.Close() })
		}},
		{"one big file", []string{"review", "pipe", "--report", "json=found.json"}, syscall.SIGINT, 130, func(t *testing.T, folder string, _ io.WriteCloser) {
			pipe, err := os.OpenFile(filepath.Join(folder, "pipe"), os.O_WRONLY, 0)
			require.NoError(t, err)
			_, err = io.WriteString(pipe, season(200_000))
			require.NoError(t, err)
			pipe.Close()
		}},
		{"a silent server", []string{"schema", "postgres://keeper@" + silent.Addr().String() + "/bees"}, syscall.SIGINT, 130, func(t *testing.T, _ string, _ io.WriteCloser) {
			_, err := silent.Accept()
			require.NoError(t, err)
		}},
	}
	for _, c := range cases {
		t.Run(c.name, func(t *testing.T) {
			cmd := program(t, c.args...)
			require.NoError(t, syscall.Mkfifo(filepath.Join(cmd.Dir, "pipe"), 0o600))
			var stderr bytes.Buffer
			cmd.Stderr = &stderr
			stdin, err := cmd.StdinPipe()
			require.NoError(t, err)
			require.NoError(t, cmd.Start())
			c.reach(t, cmd.Dir, stdin)
			require.NoError(t, cmd.Process.Signal(c.signal))
			_ = cmd.Wait()
			require.Equal(t, c.status, cmd.ProcessState.ExitCode(), stderr.String())
			require.Regexp(t, `^justlens: stopped by .*; no file is half-written\n$`, stderr.String())
			requireTidy(t, cmd.Dir)
			require.NoFileExists(t, filepath.Join(cmd.Dir, "found.json"))
			require.NoFileExists(t, filepath.Join(cmd.Dir, "found.txt"))
		})
	}
}

// TestKilledWhileWriting kills the program at any time while it writes: every file is as it
// was or as it is to be, and the next run leaves nothing behind. JUSTLENS_KILLS says how
// often.
func TestKilledWhileWriting(t *testing.T) {
	t.Parallel()
	kills := 10
	if n, err := strconv.Atoi(os.Getenv("JUSTLENS_KILLS")); err == nil {
		kills = n
	}
	const files = 30
	before := season(60)
	cmd := program(t, "mend", ".", "--write")
	write := func() {
		for i := range files {
			path := filepath.Join(cmd.Dir, fmt.Sprintf("season%02d.sql", i))
			require.NoError(t, os.WriteFile(path, []byte(before), 0o644))
			if i%2 == 0 && i < files/2 { // which are written in their place
				_ = os.Link(path, path+".link")
			}
		}
	}
	write()
	require.NoError(t, cmd.Run())
	mended, err := os.ReadFile(filepath.Join(cmd.Dir, "season00.sql"))
	require.NoError(t, err)
	require.NotEqual(t, before, string(mended))
	old, done := 0, 0
	for range kills {
		write()
		run := exec.Command(cmd.Path, cmd.Args[1:]...)
		run.Dir = cmd.Dir
		require.NoError(t, run.Start())
		time.Sleep(time.Duration(rand.IntN(150)) * time.Millisecond)
		_ = run.Process.Kill()
		_ = run.Wait()
		tidy := exec.Command(cmd.Path, "mend", "season00.sql", "--write", "--only", "null") // which has nothing to mend
		tidy.Dir = cmd.Dir
		require.NoError(t, tidy.Run())
		requireTidy(t, cmd.Dir)
		for i := range files {
			text, err := os.ReadFile(filepath.Join(cmd.Dir, fmt.Sprintf("season%02d.sql", i)))
			require.NoError(t, err)
			switch string(text) {
			case before:
				old++
			case string(mended):
				done++
			default:
				t.Fatalf("a torn file of %d bytes", len(text))
			}
		}
	}
	t.Logf("%d kills: %d files as before, %d as they are to be, none torn", kills, old, done)
}

// TestFullDisk mends on a disk that is too small: nothing is lost, and it is said.
func TestFullDisk(t *testing.T) {
	if os.Getuid() != 0 {
		t.Skip("a small disk is mounted by root only")
	}
	t.Parallel()
	cmd := program(t, "mend", "season.sql", "--write", "--effect", "new-rows")
	require.NoError(t, syscall.Mount("tmpfs", cmd.Dir, "tmpfs", 0, "size=128k"))
	defer func() { require.NoError(t, syscall.Unmount(cmd.Dir, 0)) }()
	before := season(2000) // of which the disk holds no second
	path := filepath.Join(cmd.Dir, "season.sql")
	for _, linked := range []bool{false, true} {
		require.NoError(t, os.WriteFile(path, []byte(before), 0o644))
		if linked {
			require.NoError(t, os.Link(path, path+".link"))
		}
		run := exec.Command(cmd.Path, cmd.Args[1:]...)
		run.Dir = cmd.Dir
		out, err := run.CombinedOutput()
		require.ErrorContains(t, err, "exit status 2")
		require.Equal(t, "justlens: season.sql: the disk is full\n", string(out))
		text, err := os.ReadFile(path)
		require.NoError(t, err)
		require.Equal(t, before, string(text))
		requireTidy(t, cmd.Dir)
	}
}

// TestFolderGone and a file that changes meanwhile are told, and nothing is written.
func TestFolderGone(t *testing.T) {
	t.Parallel()
	for name, meanwhile := range map[string]func(t *testing.T, folder string){
		"the folder is gone": func(t *testing.T, folder string) { require.NoError(t, os.RemoveAll(filepath.Join(folder, "yard"))) },
		"the file changed": func(t *testing.T, folder string) {
			require.NoError(t, os.WriteFile(filepath.Join(folder, "yard", "hives.sql"), []byte("SELECT 2;\n"), 0o644))
		},
	} {
		t.Run(name, func(t *testing.T) {
			// A pipe that is read after the file holds the program where the file is changed.
			cmd := program(t, "review", "yard/hives.sql", "pipe", "--jobs", "1", "--report", "json=yard/found.json")
			require.NoError(t, os.Mkdir(filepath.Join(cmd.Dir, "yard"), 0o777))
			require.NoError(t, os.WriteFile(filepath.Join(cmd.Dir, "yard", "hives.sql"), []byte(season(1)), 0o644))
			require.NoError(t, syscall.Mkfifo(filepath.Join(cmd.Dir, "pipe"), 0o600))
			var stderr bytes.Buffer
			cmd.Stderr = &stderr
			require.NoError(t, cmd.Start())
			pipe, err := os.OpenFile(filepath.Join(cmd.Dir, "pipe"), os.O_WRONLY, 0)
			require.NoError(t, err)
			meanwhile(t, cmd.Dir)
			_, err = io.WriteString(pipe, "SELECT 1;\n")
			require.NoError(t, err)
			pipe.Close()
			err = cmd.Wait()
			if name == "the folder is gone" {
				require.ErrorContains(t, err, "exit status 2")
				require.Contains(t, stderr.String(), "yard/found.json: there is no folder yard")
			} else {
				require.NoError(t, err, stderr.String())
				require.FileExists(t, filepath.Join(cmd.Dir, "yard", "found.json"))
			}
		})
	}
}
