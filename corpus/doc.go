// Command corpus measures the parser on real SQL that databases ship, which
// the project does not keep: it prints how much is read, and every miss.
//
//	corpus postgres [-v]   the SQL that PostgreSQL's packages ship, all of it accepted by the server
//	corpus mariadb [-v]    the statements of MariaDB's test suite; a running server says by PREPARE
//	                       which of them it can read
//	corpus bound [-v]      what MariaDB refuses of its test suite after parsing, beside the review
//	corpus mutated [-v]    statements with a token dropped, doubled or misspelt: what PostgreSQL, MariaDB and
//	                       SQLite refuse as syntax, beside what is told
//	corpus types           writes core/dialect/types/postgres.txt anew, from the catalogs of a running server
//	corpus field [-v]      the SQL that applications ship (Debian's packages, downloaded and unpacked, not
//	                       installed), reviewed as a user would, beside what a person judged of each finding
//
// Debian's packages postgresql, postgresql-contrib, mariadb-test-data and a
// running mariadb-server are needed.
package main
