package facts

import (
	"strings"

	"justlens/core/bind"
	"justlens/core/dialect"
	"justlens/core/dialect/class"
	"justlens/core/syntax"
)

// Clock is what an expression reads off the database's clock.
type Clock uint8

const (
	NoClock Clock = iota
	Today         // the day that it is
	Now           // this instant
)

// ClockOf tells what an expression reads off the clock. The CURRENT_DATE of Oracle has a time of day
// ("CURRENT_DATE" in its SQL reference).
func (in *Facts) ClockOf(x syntax.Expr) Clock {
	name := ""
	var args []syntax.Expr
	switch n := syntax.Unparen(x).(type) {
	case *syntax.Name:
		if len(n.Parts) == 1 && !n.Parts[0].Quoted && in.Use(n).Status == bind.Builtin {
			name = in.Names.String(n.Parts[0].Sym)
		}
	case *syntax.Call:
		if len(n.Name) == 1 && n.Over == nil && len(n.Args) <= 1 {
			name, args = in.FunctionName(n), n.Args
		}
	case *syntax.Cast:
		if in.Dialect != dialect.Oracle && in.Type(n).Class == class.Date && in.ClockOf(n.X) != NoClock {
			return Today
		}
	}
	switch name {
	case "now", "current_timestamp", "localtimestamp", "sysdate", "systimestamp", "getdate", "getutcdate", "sysdatetime", "utc_timestamp",
		"clock_timestamp", "statement_timestamp", "transaction_timestamp":
		return Now
	case "current_date", "curdate", "utc_date":
		if in.Dialect == dialect.Oracle {
			return Now
		}
		return Today
	case "date", "datetime", "trunc":
		switch {
		case len(args) != 1:
		case in.Dialect == dialect.SQLite && name != "trunc" && in.Text(args[0]) == "'now'":
			return map[string]Clock{"date": Today, "datetime": Now}[name]
		case name != "datetime" && in.ClockOf(args[0]) != NoClock:
			return Today
		}
	}
	return NoClock
}

// FromClock tells on which side of what the clock says an expression lies: -1 before it, 0 at it, 1 after it,
// as NOW() - INTERVAL 7 DAY and DATEADD(day, -7, GETDATE()) do; ok is false for what is none of these.
func (in *Facts) FromClock(x syntax.Expr) (side int, ok bool) {
	if in.ClockOf(x) != NoClock {
		return 0, true
	}
	switch n := syntax.Unparen(x).(type) {
	case *syntax.Binary:
		if n.Op != syntax.OpAdd && n.Op != syntax.OpSubtract || in.ClockOf(n.X) == NoClock {
			return 0, false
		}
		if side = in.spanSign(n.Y); n.Op == syntax.OpSubtract {
			side = -side
		}
		return side, side != 0
	case *syntax.Call:
		if in.FunctionName(n) != "dateadd" && in.FunctionName(n) != "date_add" && in.FunctionName(n) != "date_sub" || len(n.Args) < 2 || in.ClockOf(n.Args[len(n.Args)-1]) == NoClock && in.ClockOf(n.Args[0]) == NoClock {
			return 0, false
		}
		amount := n.Args[1]
		if in.FunctionName(n) == "dateadd" {
			amount = n.Args[len(n.Args)-2]
		}
		if side = in.spanSign(amount); in.FunctionName(n) == "date_sub" {
			side = -side
		}
		return side, side != 0
	}
	return 0, false
}

// spanSign gives the sign of a number, or of a span of time, that is written out; 0 for what is none.
func (in *Facts) spanSign(x syntax.Expr) int {
	sign := 1
	x = syntax.Unparen(x)
	if i, ok := x.(*syntax.Interval); ok {
		x = syntax.Unparen(i.Value)
	}
	if u, ok := x.(*syntax.Unary); ok && u.Op == syntax.OpNegate {
		x, sign = syntax.Unparen(u.X), -1
	}
	l, ok := x.(*syntax.Literal)
	if !ok || l.Lit != syntax.NumberLiteral && l.Lit != syntax.TextLiteral {
		return 0
	}
	value := strings.Trim(in.Text(l), "' ")
	if value == "" || value[0] < '1' || value[0] > '9' || strings.ContainsAny(value, "-+") || strings.Contains(value, "ago") {
		return 0
	}
	return sign
}
