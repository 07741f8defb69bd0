package cli

import (
	"bytes"
	"os"
	"os/exec"
	"path/filepath"
	"strings"
)

// withoutIgnored leaves out of the files of a folder those that git ignores there.
func withoutIgnored(folder string, files []sqlFile) (kept []sqlFile) {
	if !inWorkTree(folder) {
		return files
	}
	var names bytes.Buffer
	for _, f := range files {
		names.WriteString(f.real)
		names.WriteByte(0)
	}
	cmd := exec.Command("git", "-C", folder, "check-ignore", "-z", "--stdin")
	cmd.Stdin = &names
	out, err := cmd.Output()
	if err != nil { // none is ignored, or git cannot tell
		return files
	}
	drop := map[string]bool{}
	for name := range strings.SplitSeq(string(out), "\x00") {
		drop[name] = true
	}
	for _, f := range files {
		if !drop[f.real] {
			kept = append(kept, f)
		}
	}
	return kept
}

// inWorkTree reports whether a folder lies in a work tree of git, without asking git.
func inWorkTree(folder string) bool {
	at, err := filepath.Abs(folder)
	for err == nil {
		if _, missing := os.Stat(filepath.Join(at, ".git")); missing == nil {
			return true
		}
		above := filepath.Dir(at)
		if above == at {
			break
		}
		at = above
	}
	return false
}
