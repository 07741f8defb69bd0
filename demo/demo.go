// Package demo holds the example that the program carries: tables, rows and
// queries of a made-up beekeeping cooperative.
package demo

import (
	"embed"
	"io/fs"
)

//go:embed files
var embedded embed.FS

// Files gives the demo as a tree: schema.sql, data.sql and the folder queries.
func Files() fs.FS {
	files, err := fs.Sub(embedded, "files")
	if err != nil {
		panic(err) // the folder is embedded above
	}
	return files
}

// Schema gives the text of schema.sql.
func Schema() string { return read("schema.sql") }

// Data gives the text of data.sql.
func Data() string { return read("data.sql") }

func read(name string) string {
	data, err := fs.ReadFile(Files(), name)
	if err != nil {
		panic(err) // the file is embedded above
	}
	return string(data)
}
