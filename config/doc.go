// Package config reads justlens.toml: what holds for the reviews of a project, and of which file.
//
//	config.go   what the file may say, and what of it holds for a path
//	read.go     reading it, with the line of whatever is wrong
package config
