// Package check says what a check, a pass, a finding and a mend are. A check
// is a declared value: documentation, examples and code stand together and
// the guide, the tests and the review all read the same value.
//
//	check.go    checks and their examples
//	finding.go  findings, consequences, certainties, mends
//	pass.go     what a check sees of a statement, and how it reports
//	edit.go     edits that mends are made of
//	sentence.go lists of names in sentences
package check
