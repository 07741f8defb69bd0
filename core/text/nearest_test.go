package text

import (
	"math/rand/v2"
	"testing"

	"github.com/stretchr/testify/assert"
)

// TestShapesHideNoSlip changes names by one or two letters, and asks that their shapes let
// them through.
func TestShapesHideNoSlip(t *testing.T) {
	r := rand.New(rand.NewPCG(1, 2))
	letters := []rune("hivesHIVES_09éß蜂")
	for range 20_000 {
		name := make([]rune, 3+r.IntN(9))
		for i := range name {
			name[i] = letters[r.IntN(len(letters))]
		}
		slip := append([]rune{}, name...)
		changes := 1 + r.IntN(2)
		for range changes {
			at := r.IntN(len(slip) - 1)
			switch r.IntN(4) {
			case 0:
				slip[at] = letters[r.IntN(len(letters))]
			case 1:
				slip = append(slip[:at], slip[at+1:]...)
			case 2:
				slip = append(slip[:at], append([]rune{letters[r.IntN(len(letters))]}, slip[at:]...)...)
			default:
				slip[at], slip[at+1] = slip[at+1], slip[at]
			}
		}
		assert.True(t, ShapeOf(string(name)).Within(ShapeOf(string(slip)), changes), "%s, %s", string(name), string(slip))
	}
	assert.False(t, ShapeOf("hives").Within(ShapeOf("queens"), 2))
	assert.Equal(t, "Hives", Nearest("hvies", []string{"jars", "Hives", "apiaries"}))
}
