// Package text holds the text of a file under review: its bytes, positions in
// them, lines and columns, and edits to them. It knows nothing of SQL.
//
// # Units
//
// A [Pos] is a 0-based byte offset into the text as it is read, which is the
// file as stored unless that is UTF-16. A [Span] is half-open. Lines and columns
// are 1-based, columns count Unicode characters.
package text
