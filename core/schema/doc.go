// Package schema holds what is known of the tables: columns, types,
// nullability, keys, checks and indexes, read from DDL text in the order of its
// statements.
//
//	schema.go  the model, and how a table is found by its name
//	apply.go   what statements that create something add to it
//	query.go   the columns that a query gives, of views and of tables made from it
//	alter.go   what ALTER, DROP and RENAME change
//	gather.go  what several texts of a run tell of tables, as far as they agree
//	types.go   the classes of types
//	print.go   the model as DDL of a dialect
package schema
