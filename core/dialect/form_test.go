package dialect

import (
	"testing"

	"github.com/stretchr/testify/assert"
)

// TestFormsNameWhatIsKnown finds a rule that is used above its place, which would be taken
// for a class that the parser does not know.
func TestFormsNameWhatIsKnown(t *testing.T) {
	classes := []string{"name", "word", "path", "text", "text64", "number", "number65535", "variable", "value", "expression", "query", "statement",
		"parens", "rest", "body", "type", "quoted", "operator"}
	for _, forms := range []map[string]*Form{mariaForms(), postgresForms(), sqliteForms()} {
		assert.NotEmpty(t, forms)
		var look func(rule string, f *Form)
		look = func(rule string, f *Form) {
			if f.Kind == FormClass {
				assert.Contains(t, classes, f.Text, rule)
			}
			for _, part := range f.Parts {
				look(rule, part)
			}
		}
		for rule, f := range forms {
			look(rule, f)
		}
	}
}
