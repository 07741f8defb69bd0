package review_test

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"

	"justlens/core/check"
	"justlens/core/checks"
	"justlens/core/dialect"
	"justlens/core/review"
)

// marks are what templates and print functions put text in for, and another of the kind.
var marks = [][2]string{
	{"${t}", "${u}"}, {"{{ t }}", "{{ u }}"}, {"#{t}", "#{u}"}, {"%(t)s", "%(u)s"}, {"<%= t %>", "<%= u %>"}, {"{t}", "{u}"}, {"@{t}", "@{u}"},
	{"${t}_x", "${u}_x"}, {"x_{{ t }}", "x_{{ u }}"}, {"%s", "%s"}, {"%[1]s", "%[2]s"}, {"%1$s", "%2$s"}, {"${a.b(c)}", "${a.c(b)}"}, {"{self.t}", "{self.u}"},
}

// templates are statements in which marks, written § and ¤, stand for any part of the text.
const templates = `CREATE TABLE § (a int)
CREATE TABLE IF NOT EXISTS §.hives (a int, § int, b §, CONSTRAINT § CHECK (a > 1), §)
CREATE TABLE §.§ (§)
DROP TABLE IF EXISTS §
ALTER TABLE § ADD COLUMN a int
ALTER TABLE hives ADD COLUMN § int
ALTER TABLE hives ADD CONSTRAINT § FOREIGN KEY (a) REFERENCES § (a)
ALTER TABLE hives DROP COLUMN §
CREATE UNIQUE INDEX § ON § (§)
CREATE VIEW § AS SELECT 1 AS a
INSERT INTO § (a) VALUES (1)
INSERT INTO hives (§) VALUES §
INSERT INTO hives §
UPDATE § SET a = 1
UPDATE hives SET § = 1 WHERE § = 2
UPDATE hives SET §
UPDATE hives SET § WHERE a = 1
DELETE FROM §
DELETE FROM hives §
SELECT a FROM §.§ h
SELECT §, h.§, §.a FROM hives h
SELECT a FROM hives WHERE §
SELECT a FROM hives WHERE § AND a = 1
SELECT a FROM hives WHERE a IN §
SELECT a FROM hives WHERE a § 3
SELECT a FROM hives WHERE a = 1 §
SELECT a, COUNT(*) FROM hives §
SELECT a FROM hives § JOIN boxes ON boxes.b = hives.a
SELECT k.a FROM hives § WHERE k.b = 1
SELECT a FROM hives JOIN boxes ON §
SELECT a FROM hives GROUP BY § ORDER BY a §
SELECT §(a), CAST(a AS §) FROM hives
WITH x AS (§) SELECT a FROM x
SELECT a FROM (§) x
SELECT a FROM hives UNION §
§
CREATE TABLE t (§ int, ¤ int)
SELECT a FROM § JOIN ¤ ON §.id = ¤.id
SELECT a FROM §.t JOIN ¤.t u ON 1 = 1
INSERT INTO hives (§, ¤) VALUES (1, 2), (§)
SELECT x FROM (SELECT h.§, h.¤ FROM hives h) s
WITH § AS (SELECT 1 AS x), ¤ AS (SELECT 2 AS x) SELECT x FROM § UNION ALL SELECT x FROM ¤
SELECT h.§, COUNT(*) FROM hives h GROUP BY h.§
SELECT x, y FROM (SELECT § FROM hives) s
SELECT a, b FROM hives UNION SELECT § FROM boxes
SELECT a FROM hives WHERE (a, b) IN (SELECT § FROM boxes) OR (§) IN (SELECT a, b FROM boxes)
WITH s (a, b) AS (SELECT § FROM hives) SELECT a, b FROM s
SELECT COALESCE(§), SUBSTR(§), NULLIF(§) FROM hives
SELECT § FROM hives ORDER BY 3`

// TestTemplatesAreNotRefused whatever is put in: what a text says depends on it.
func TestTemplatesAreNotRefused(t *testing.T) {
	t.Parallel()
	for _, d := range dialect.All() {
		r := review.New(review.Options{Dialect: d, Certainty: check.Likely, Checks: checks.All()})
		for _, mark := range marks {
			for line := range strings.Lines(templates) {
				src := strings.NewReplacer("§", mark[0], "¤", mark[1]).Replace(strings.TrimSpace(line))
				out := r.Review(file(t, src+";\nSELECT 1 AS one;"))
				for _, f := range out.Findings {
					assert.NotEqual(t, check.Refused, f.Consequence, "%s: %s: %s", d, src, f.Message)
				}
				assert.NotZero(t, out.Statements, src)
			}
		}
	}
}

// TestValuesAreNoExcuse for what is wrong beside them.
func TestValuesAreNoExcuse(t *testing.T) {
	t.Parallel()
	r := review.New(review.Options{Dialect: dialect.Postgres, Certainty: check.Likely, Checks: checks.All()})
	for src, want := range map[string]string{
		"INSERT INTO hives (a, b) VALUES (%s, %s;":      "syntax.unbalanced",
		"SELECT a FROM hives WHERE a = %s AND;":         "syntax.unreadable",
		"SELECT a, FROM hives WHERE b = {{ x }};":       "syntax.trailing-comma",
		"SELECT a FROM hives h {{ joins }} WHERE a = ;": "syntax.unreadable",
		"SELECT a FROM hives WHERE b = NULL {{ more }}": "null.equals",
	} {
		assert.Equal(t, []string{want}, ids(r.Review(file(t, src))), src)
	}
}
