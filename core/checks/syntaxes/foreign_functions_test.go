package syntaxes

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"justlens/core/dialect"
)

// TestForeignFunctions asks that the databases whose functions are all listed have those that
// are said to be theirs, and no others; what is listed is what the servers answered.
func TestForeignFunctions(t *testing.T) {
	t.Parallel()
	for name, f := range foreignFunctions {
		for _, d := range dialect.All() {
			_, listed := d.Arity(name)
			switch {
			case dialect.Listing.Has(d) && f.arguments == 0:
				assert.Equal(t, listed, f.has.Has(d), "%s of %s", name, d)
			case listed && f.arguments == 0:
				assert.True(t, f.has.Has(d), "%s of %s", name, d)
			}
		}
		assert.True(t, f.instead != "" || f.hint != "", name)
	}
}
