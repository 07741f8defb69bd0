package cli

import (
	"bytes"
	"errors"
	"io/fs"
	"os"
	"path/filepath"
)

// pendingFile is a file that appears under its name only when it is complete.
type pendingFile struct {
	*os.File
	path string
	done bool
}

// createPending begins a file beside its place.
func createPending(path string) (*pendingFile, error) {
	f, err := os.CreateTemp(filepath.Dir(path), ".justlens-*")
	if err != nil {
		return nil, err
	}
	return &pendingFile{File: f, path: path}, nil
}

// commit puts the file in its place, with the rights of the one it replaces.
func (f *pendingFile) commit() error {
	mode := fs.FileMode(0o644)
	if info, err := os.Stat(f.path); err == nil {
		mode = info.Mode().Perm()
	}
	err := errors.Join(f.Chmod(mode), f.Sync(), f.Close())
	if err == nil {
		err = os.Rename(f.Name(), f.path)
	}
	f.done = err == nil
	if err != nil {
		f.discard()
	}
	return err
}

// discard drops the file unless it was committed.
func (f *pendingFile) discard() {
	if !f.done {
		f.done = true
		f.Close()
		os.Remove(f.Name())
	}
}

var errChanged = errors.New("it was changed meanwhile, so it is left alone; run the command again")

// replaceFile writes a file whole, if it still holds what was read. A link is
// followed, so that the file it names is replaced and the link stays.
func replaceFile(path string, read, content []byte) error {
	path, err := filepath.EvalSymlinks(path)
	if err != nil {
		return err
	}
	now, err := os.ReadFile(path)
	if err != nil {
		return err
	}
	if !bytes.Equal(now, read) {
		return errChanged
	}
	f, err := createPending(path)
	if err != nil {
		return err
	}
	if _, err := f.Write(content); err != nil {
		f.discard()
		return err
	}
	return f.commit()
}
