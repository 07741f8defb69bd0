package names

import (
	"slices"

	"justlens/core/check"
)

// tableNames lists the tables and views of the schema.
func tableNames(p *check.Pass) []string {
	var out []string
	for t := range p.Schema.Few {
		out = append(out, t.Name)
	}
	slices.Sort(out)
	return out
}
