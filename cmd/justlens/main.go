// Command justlens reviews SQL text.
package main

import (
	"context"
	"os"
	"os/signal"

	"justlens/cli"
)

func main() {
	ctx, stop := signal.NotifyContext(context.Background(), os.Interrupt)
	defer stop()
	os.Exit(cli.Run(ctx, os.Args[1:], os.Stdin, os.Stdout, os.Stderr, os.Getenv))
}
