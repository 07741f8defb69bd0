//go:build !unix

package cli

import (
	"io/fs"
	"os"
)

func lock(*os.File) bool                   { return false } // so nothing is tidied up that may be in use
func isLinked(fs.FileInfo) bool            { return false }
func takeOwner(*os.File, fs.FileInfo) bool { return true }
func isDiskFull(error) bool                { return false }
func isReadOnlyDisk(error) bool            { return false }

var endSignals = []os.Signal{os.Interrupt}

func endedBy(os.Signal) (how string, status int) { return "Ctrl-C", 130 }
