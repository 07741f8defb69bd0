package dialect

import (
	"fmt"
	"strconv"
	"strings"
)

// Version is the version of a database: major*1,000,000 + minor*1,000 + patch.
// Zero stands for the newest.
type Version int

// At makes a version.
func At(major, minor, patch int) Version { return Version(major*1_000_000 + minor*1_000 + patch) }

// String gives the version as people write it, without zeros at its end.
func (v Version) String() string {
	major, minor, patch := int(v)/1_000_000, int(v)/1_000%1_000, int(v)%1_000
	switch {
	case patch > 0:
		return fmt.Sprintf("%d.%d.%d", major, minor, patch)
	case minor > 0:
		return fmt.Sprintf("%d.%d", major, minor)
	}
	return strconv.Itoa(major)
}

// ParseWithVersion reads a dialect with the version that may follow it:
// postgres, postgres@15, mysql@8.0.31.
func ParseWithVersion(s string) (Dialect, Version, error) {
	name, version, dated := strings.Cut(s, "@")
	d, err := Parse(name)
	if err != nil || !dated {
		return d, 0, err
	}
	parts := strings.Split(version, ".")
	var numbers [3]int
	for i, part := range parts {
		n, err := strconv.Atoi(part)
		if err != nil || n < 0 || n > 9999 || i > 0 && n > 999 || len(parts) > 3 {
			return d, 0, fmt.Errorf("no version %q: write it in numbers, as %s@15 or %[2]s@8.0.31", version, name)
		}
		numbers[i] = n
	}
	return d, At(numbers[0], numbers[1], numbers[2]), nil
}

// CommentVersion gives the version of the server as comments of the form
// /*!50001 … */ name it: what asks for a later one is not executed. 0 where
// there are no such comments.
func (d Dialect) CommentVersion(v Version) int {
	if v > 0 && (d == MySQL || d == MariaDB) {
		return int(v)/1_000_000*10_000 + int(v)/1_000%1_000*100 + int(v)%1_000
	}
	switch d {
	case MySQL:
		return 80499
	case MariaDB:
		return 110899
	}
	return 0
}
