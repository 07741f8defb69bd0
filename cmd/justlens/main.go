// Command justlens reviews SQL text.
package main

import (
	"os"

	"justlens/cli"
)

func main() { os.Exit(cli.Main()) }
