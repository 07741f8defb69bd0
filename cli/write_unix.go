//go:build unix

package cli

import (
	"errors"
	"io/fs"
	"os"
	"syscall"
)

// lock holds a file until it is closed, however the program ends; it reports whether
// nobody else does.
func lock(f *os.File) bool {
	return syscall.Flock(int(f.Fd()), syscall.LOCK_EX|syscall.LOCK_NB) == nil
}

// isLinked reports whether a file has other names, which a new one would not have.
func isLinked(info fs.FileInfo) bool {
	stat, ok := info.Sys().(*syscall.Stat_t)
	return ok && stat.Nlink > 1
}

// takeOwner gives a new file owner and group of the one it replaces.
func takeOwner(f *os.File, info fs.FileInfo) bool {
	stat, ok := info.Sys().(*syscall.Stat_t)
	if !ok {
		return true
	}
	now, err := f.Stat()
	if err != nil {
		return false
	}
	if mine, ok := now.Sys().(*syscall.Stat_t); ok && mine.Uid == stat.Uid && mine.Gid == stat.Gid {
		return true
	}
	return f.Chown(int(stat.Uid), int(stat.Gid)) == nil
}

func isDiskFull(err error) bool {
	return errors.Is(err, syscall.ENOSPC) || errors.Is(err, syscall.EDQUOT)
}

func isReadOnlyDisk(err error) bool { return errors.Is(err, syscall.EROFS) }

// endSignals are those that ask the program to end.
var endSignals = []os.Signal{syscall.SIGINT, syscall.SIGTERM, syscall.SIGHUP}

// endedBy says how a signal is called, and gives the exit status that tells of it.
func endedBy(s os.Signal) (how string, status int) {
	switch s {
	case syscall.SIGINT:
		how = "Ctrl-C"
	case syscall.SIGTERM:
		how = "the signal TERM"
	case syscall.SIGHUP:
		how = "the signal HUP"
	}
	number, _ := s.(syscall.Signal)
	return how, 128 + int(number)
}
