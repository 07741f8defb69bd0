package fault_test

import (
	"testing"

	"github.com/stretchr/testify/require"

	"justlens/core/fault"
)

func TestGuard(t *testing.T) {
	t.Parallel()
	require.Nil(t, fault.Guard("nothing", func() {}))
	caught := fault.Guard("counting bees", func() {
		var bees []int
		bees[len(bees)]++
	})
	require.NotNil(t, caught)
	require.Equal(t, "counting bees", caught.Doing)
	require.Contains(t, caught.Cause, "index out of range")
	require.Regexp(t, `(^|/)fault_test/fault_test\.go:\d+$|^core/fault_test/fault_test\.go:\d+$`, caught.Place)
	require.Contains(t, caught.Error(), "please report")

	several := fault.Guard("two lines", func() { panic("one\nand two") })
	require.Equal(t, "one and two", several.Cause)
}
