// Package schema holds what is known of the tables: columns, types,
// nullability, keys and indexes, read from DDL text in the order of its
// statements.
//
//	schema.go  the model
//	apply.go   what CREATE statements add to it
//	types.go   the classes of types
package schema
