package names

import (
	"slices"

	"justlens/core/bind"
	"justlens/core/check"
)

// columnNames lists the columns of a source as far as they are known.
func columnNames(p *check.Pass, s *bind.Source) []string {
	var out []string
	for _, sym := range s.ColumnSyms() {
		if sym != 0 {
			out = append(out, p.Names.String(sym))
		}
	}
	return out
}

// tableNames lists the tables and views of the schema.
func tableNames(p *check.Pass) []string {
	var out []string
	for t := range p.Schema.Few {
		out = append(out, t.Name)
	}
	slices.Sort(out)
	return out
}
