package word

import (
	"testing"

	"github.com/stretchr/testify/assert"
)

func TestFindKnowsEveryWord(t *testing.T) {
	for w := NoWord + 1; w < Total; w++ {
		assert.Equal(t, w, Find(w.Lower()), w.Lower())
	}
	assert.Equal(t, NoWord, Find("swarming"))
	assert.Equal(t, NoWord, Find(""))
}
