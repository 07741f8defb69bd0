// Package justlens is the root of Just Lens, a reviewer of SQL text.
//
// # The road of data
//
// One direction, no way back:
//
//	text → tokens → syntax tree → bound query → findings → mends → report
//
//	core/text      file text, spans, line table, edits
//	core/dialect   what differs between databases, as data
//	core/slab      values and slices from blocks that are used again
//	core/fault     keeps a slip of the program from costing more than its statement
//	core/syntax    tokens, scanner, tree, parser; forms of statements without a tree
//	core/schema    tables, columns, keys, indexes: read from DDL, printed as DDL
//	core/bind      names → columns: an answer beside the tree
//	core/reason    for which values a condition is true, and what follows
//	core/facts     what checks ask of a bound statement, worked out once: conditions, aggregates, groups, types, NULLs, keys
//	core/sample    rows for the tables of a schema, from a seed
//	core/check     what a check, a pass, a finding and a mend are
//	core/checks/…  a folder a family, a file a check
//	core/review    the pipeline: many files in parallel
//	core/mend      choosing, merging, applying and proving mends
//	database       SQLite files, PostgreSQL, MariaDB, MySQL: what they say of their tables
//	known          the file of known findings
//	config         justlens.toml: what holds for which path
//	report         a renderer for each format
//	cli            flags in, one core call, one renderer out
//	cmd/justlens   main
//	demo           the example of the beekeeping cooperative, embedded
//	costs          tests that what a review costs grows as its text does
//	corpus         measures the parser on SQL that databases ship
//	speed          what each stage costs beside a floor, and budgets of what is counted
//	mutation       which changes of checks and mends no test notices
//	claims         tests that try on real databases what the checks say of them
//
// A package imports only packages above it; architecture_test.go holds that
// line. core knows no terminal, no flag, no network and no database driver.
//
// # Terms
//
// A finding is one defect at one place. It has a check (what looks for it), a
// consequence (refused, wrong, slow, unclear), a certainty (certain, likely,
// possible), a span, and mends: changes that remove it, each with its effect
// on the rows (same rows, new rows, by hand). A dialect is a database's way to
// write SQL; a source is a table as it stands in one FROM; a verdict is the
// consequence of a finding on one database.
package justlens
