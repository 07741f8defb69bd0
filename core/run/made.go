package run

import (
	"encoding/hex"
	"strconv"

	"github.com/shopspring/decimal"

	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/sample"
	"justlens/core/schema"
)

// Made gives rows that were made for tables, as the columns of a dialect hold them.
func Made(tables []sample.Rows, d dialect.Dialect) Database {
	data := Database{}
	r := rulesOf(d)
	for _, t := range tables {
		rows := make([][]Value, len(t.Rows))
		for i, row := range t.Rows {
			values := make([]Value, len(row))
			for k, v := range row {
				values[k] = r.madeValue(v, t.Table.Columns[k].Type)
			}
			rows[i] = values
		}
		data[t.Table] = rows
	}
	return data
}

// MadeValue gives what a column of a type holds of a made value.
func MadeValue(v sample.Value, t schema.Type, d dialect.Dialect) Value {
	return rulesOf(d).madeValue(v, t)
}

// madeValue gives what a column holds of a made value.
func (r *rules) madeValue(v sample.Value, t schema.Type) Value {
	if !v.Set {
		return Value{}
	}
	made := OfText(v.Text)
	switch v.Class {
	case class.Integer:
		if n, err := strconv.ParseInt(v.Text, 10, 64); err == nil {
			made = OfInt(n)
		}
	case class.Decimal:
		if d, err := decimal.NewFromString(v.Text); err == nil {
			made = r.exact(d, max(0, -d.Exponent()))
		}
	case class.Float:
		if f, err := strconv.ParseFloat(v.Text, 64); err == nil {
			made = OfFloat(f)
		}
	case class.Boolean:
		made = r.truth(truthOf(v.Text == "true"))
	case class.Date, class.Timestamp, class.TimestampTZ:
		if m, ok := isoMoment(v.Text); ok {
			made = r.toDay(m, v.Class)
			if v.Class == class.TimestampTZ {
				made = r.toDay(m, class.Timestamp)
			}
		}
	case class.Time:
		if c, ok := parseClock(v.Text); ok {
			made = c
		}
	case class.Binary:
		if b, err := hex.DecodeString(v.Text); err == nil {
			made = Value{Kind: Bytes, s: string(b)}
		}
	}
	switch {
	case r.dialect == dialect.SQLite:
		return r.held(made, t)
	case made.Kind == Timestamp && r.isMySQL(): // it keeps as many digits of a second as are declared
		unit := second
		for range min(t.Length, 6) {
			unit /= 10
		}
		made.n = floorDiv(made.n+unit/2, unit) * unit
	}
	return made
}
