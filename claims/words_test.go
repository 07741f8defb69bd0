package claims

import (
	"strings"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"justlens/core/check"
	"justlens/core/checks"
	"justlens/core/dialect"
	"justlens/core/dialect/word"
	"justlens/core/review"
	"justlens/core/schema"
	"justlens/core/text"
)

// namedByWords are the words that are no names here, as $w is one in the scripts, though the
// server takes them: nobody calls a column so.
var namedByWords = map[dialect.Dialect]string{
	dialect.Postgres: " AND AS BETWEEN CREATE DISTINCT ELSIF EXCEPT EXCEPTION FROM GROUP HAVING IN INTERSECT INTO IS JOIN LIKE ON OR ORDER SELECT UNION WHERE WITH ",
	dialect.SQLite:   " CONSTRAINT CURRENT_DATE CURRENT_TIME CURRENT_TIMESTAMP LIKE WITH ",
}

// TestWordsAsServersTakeThem makes columns and tables of all words that the parser knows, and
// asks that nothing of a script that the server takes is told as refused.
func TestWordsAsServersTakeThem(t *testing.T) {
	for d, every := range map[dialect.Dialect]int{dialect.Postgres: 6, dialect.MariaDB: 24, dialect.SQLite: 1} {
		if scripts() > 150 {
			every = 1
		}
		t.Run(d.String(), func(t *testing.T) {
			s := newShelf(t, d)
			tables := schema.New(nil)
			tables.SetWhole()
			reviewer := review.New(review.Options{Dialect: d, Schema: tables, Certainty: check.Likely, Checks: checks.All()})
			taken := 0
			for w := word.Word(1); w < word.Total; w += word.Word(every) {
				if strings.Contains(namedByWords[d], " "+w.String()+" ") {
					continue
				}
				for _, line := range lines(t, "testdata/words."+d.String()+".txt", "--") {
					script := strings.ReplaceAll(line, "$w", w.Lower())
					if !s.takes(t, script) {
						continue
					}
					taken++
					f, err := text.NewFile("words.sql", []byte(script))
					require.NoError(t, err)
					for _, found := range reviewer.Review(f).Findings {
						assert.NotEqual(t, check.Refused, found.Consequence, "%s: %s\n%s", found.Check.ID, found.Message, script)
					}
				}
			}
			require.Greater(t, taken, 2*int(word.Total)/every, "most words are names")
		})
	}
}

// takes reports whether the server takes all statements of a script, of which nothing stays.
func (s shelf) takes(t *testing.T, script string) bool {
	if s.dialect == dialect.MariaDB { // whose definitions cannot be rolled back
		s.fill(t, "DROP DATABASE "+scratch+"; CREATE DATABASE "+scratch+"; USE "+scratch)
	}
	all, err := s.db.Begin()
	require.NoError(t, err)
	defer all.Rollback()
	for _, stmt := range statements([]byte(script), s.dialect) {
		if _, err := all.Exec(stmt); err != nil {
			return false
		}
	}
	return true
}
