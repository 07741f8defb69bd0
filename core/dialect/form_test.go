package dialect

import (
	"testing"

	"github.com/stretchr/testify/assert"
)

func TestFormsAreRead(t *testing.T) {
	assert.NotEmpty(t, mariaForms())
}
