package report

import (
	"fmt"
	"io"
	"strings"

	"justlens/core/check"
)

// GuideAnswers writes the checks that explain what a database answered.
func GuideAnswers(w io.Writer, s Style, answer string, explaining []*check.Check) error {
	var b strings.Builder
	fmt.Fprintf(&b, "%s  %s\n", s.strong(answer), s.paint("what a database answers where one of these is the matter", gray))
	for _, c := range explaining {
		fmt.Fprintf(&b, "  %-34s %s\n", c.ID, c.Title)
	}
	fmt.Fprintf(&b, "\nMore of one: justlens guide %s\n", explaining[0].ID)
	_, err := io.WriteString(w, b.String())
	return err
}

// answersOf tells by which errors databases answer to a defect: "42803 of PostgreSQL, …".
func answersOf(c *check.Check) string {
	var postgres, mysql, oracle, sqlserver []string
	for _, e := range c.Errors {
		switch {
		case strings.HasPrefix(e, "ORA-"):
			oracle = append(oracle, e)
		case strings.HasPrefix(e, "Msg "):
			sqlserver = append(sqlserver, e)
		case len(e) == 5:
			postgres = append(postgres, e)
		default:
			mysql = append(mysql, e)
		}
	}
	var parts []string
	for _, of := range []struct {
		errors []string
		who    string
	}{{postgres, "PostgreSQL"}, {mysql, "MySQL and MariaDB"}, {oracle, "Oracle"}, {sqlserver, "SQL Server"}} {
		if len(of.errors) > 0 {
			parts = append(parts, strings.Join(of.errors, ", ")+" ("+of.who+")")
		}
	}
	return strings.Join(parts, ", ")
}
