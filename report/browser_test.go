package report_test

import (
	"bytes"
	"fmt"
	"os"
	"os/exec"
	"path/filepath"
	"regexp"
	"strings"
	"testing"

	"github.com/stretchr/testify/require"

	"justlens/core/checks"
	"justlens/core/review"
	"justlens/core/text"
	"justlens/report"
)

// TestPageInBrowser opens the page with 5,000 findings in Chromium, filters it and goes through it
// by keyboard. It skips where there is no Chromium; CI has one.
func TestPageInBrowser(t *testing.T) {
	t.Parallel()
	browser, err := exec.LookPath("chromium")
	if err != nil {
		require.Empty(t, os.Getenv("CI"), "CI has a browser")
		t.Skip("skipped: no chromium is installed")
	}
	folder := t.TempDir()
	path := filepath.Join(folder, "page.html")
	require.NoError(t, os.WriteFile(path, []byte(strings.Replace(manyFindings(t, "html"), "</body>", script+"</body>", 1)), 0o600))
	var out, problems bytes.Buffer
	cmd := exec.Command(browser, "--headless", "--no-sandbox", "--disable-gpu", "--no-first-run", "--disable-background-networking", "--disable-component-update", "--disable-sync",
		"--user-data-dir="+filepath.Join(folder, "profile"), "--window-size=1280,800", "--dump-dom", "file://"+path)
	cmd.Stdout, cmd.Stderr = &out, &problems
	require.NoError(t, cmd.Run(), problems.String())
	told := regexp.MustCompile(`(?s)<pre id="told">(.*?)</pre>`).FindStringSubmatch(out.String())
	require.NotNil(t, told, "the page did not run: %s", problems.String())
	require.Equal(t, strings.TrimSpace(`
5000 findings, none hidden
words: 9 shown, 9 of 5000 shown
family: 500 shown
all again: 5000 shown
without wrong: 500 shown, 500 of 5000 shown
second: null.equals, in sight
escape: 5000 shown`), strings.TrimSpace(told[1]))
}

// script drives the page as a person does, and writes down what is shown.
const script = `<script>
const told = document.createElement("pre"), lines = [];
told.id = "told";
const left = () => document.querySelectorAll("article:not([hidden])").length;
const type = (id, value) => { const e = document.getElementById(id); e.value = value; e.dispatchEvent(new Event(id === "family" ? "change" : "input")); };
const press = (key, on) => (on || document.activeElement || document.body).dispatchEvent(new KeyboardEvent("keydown", {key, bubbles: true}));
lines.push(left() + " findings, none hidden");
type("words", "Q07.sql NULL.equals");
lines.push("words: " + left() + " shown, " + document.getElementById("shown").textContent);
type("words", ""); type("family", "match");
lines.push("family: " + left() + " shown");
type("family", ""); type("words", "");
lines.push("all again: " + left() + " shown");
document.querySelector("[value=wrong]").click();
lines.push("without wrong: " + left() + " shown, " + document.getElementById("shown").textContent);
document.querySelector("[value=wrong]").click();
press("j", document.body); press("j"); press("j"); press("k");
const at = document.activeElement.getBoundingClientRect();
lines.push("second: " + document.activeElement.querySelector(".place").textContent.split(" · ")[1] + (at.top < innerHeight ? ", in sight" : ", out of sight"));
press("/"); document.activeElement.value = "zzz"; press("Escape");
lines.push("escape: " + left() + " shown");
told.textContent = lines.join("\n");
document.body.append(told);
</script>`

// manyFindings gives a report of 5,000 findings in 500 files, one in ten of them unclear.
func manyFindings(t *testing.T, kind string) string {
	t.Helper()
	var b bytes.Buffer
	var s report.Summary
	r := report.New(kind, &b, report.Style{}, report.Options{Version: "0"})
	reviewer := review.New(review.Options{Checks: checks.All(), Certainty: 1})
	for i := range 500 {
		var src strings.Builder
		src.WriteString("SELECT name FROM hives WHERE name LIKE 'Ash';\n")
		for k := range 9 {
			fmt.Fprintf(&src, "-- step %d\nSELECT name\nFROM hives\nWHERE queen_id = NULL;\n\n", k)
		}
		f, err := text.NewFile(fmt.Sprintf("queries/q%02d.sql", i), []byte(src.String()))
		require.NoError(t, err)
		out := reviewer.Review(f)
		s.Add(out)
		require.NoError(t, r.File(out))
	}
	require.NoError(t, r.Close(s))
	return b.String()
}
