package cli

import (
	"bytes"
	"crypto/rand"
	"errors"
	"fmt"
	"io"
	"io/fs"
	"os"
	"path/filepath"
	"strings"
	"sync"
	"time"
)

// Names of what stands beside a file while it is written: what it will hold, and what
// it held where it is written in its place.
const (
	unfinishedPrefix = ".justlens-"
	beforePrefix     = ".justlens-before-"
)

// spool knows the files that are being written, so that whatever ends the program
// leaves none of them half-done.
type spool struct {
	mu    sync.Mutex
	files map[*pendingFile]bool
	tidy  map[string]bool // folders that were looked at
	ended bool
	// Notes tell of what an earlier run had left.
	notes []string
}

var errEnded = errors.New("the program is ending")

// end drops all files that are not in their places, once those that are being put
// there are, and lets no other begin.
func (s *spool) end() {
	s.mu.Lock()
	defer s.mu.Unlock()
	s.ended = true
	for f := range s.files {
		f.drop()
	}
}

// pendingFile is a file that appears under its name only when it is complete.
type pendingFile struct {
	*os.File
	spool *spool
	path  string
	// inPlace tells that the file at path must stay the same one: it has other names,
	// or an owner that a new one could not have.
	inPlace bool
	done    bool
}

// create begins a file beside its place. Links are followed; mode, owner and other names
// of a file that is there already stay.
func (s *spool) create(path string) (*pendingFile, error) {
	path, err := followed(path)
	if err != nil {
		return nil, err
	}
	s.tidyUp(filepath.Dir(path))
	s.mu.Lock()
	defer s.mu.Unlock()
	if s.ended {
		return nil, errEnded
	}
	f, err := os.OpenFile(filepath.Join(filepath.Dir(path), unfinishedPrefix+rand.Text()), os.O_RDWR|os.O_CREATE|os.O_EXCL, 0o666)
	if err != nil {
		return nil, err
	}
	lock(f)
	p := &pendingFile{File: f, spool: s, path: path}
	if info, err := os.Lstat(path); err == nil {
		p.inPlace = isLinked(info) || !takeOwner(f, info)
		if err := f.Chmod(info.Mode().Perm()); err != nil && !p.inPlace {
			p.drop()
			return nil, err
		}
	}
	if s.files == nil {
		s.files = map[*pendingFile]bool{}
	}
	s.files[p] = true
	return p, nil
}

// commit puts the file in its place.
func (f *pendingFile) commit() error {
	f.spool.mu.Lock()
	defer f.spool.mu.Unlock()
	if f.done {
		return errEnded
	}
	err := f.Sync()
	switch {
	case err != nil:
	case f.inPlace:
		err = f.overwrite()
	default:
		err = os.Rename(f.Name(), f.path)
	}
	f.drop()
	return err
}

// overwrite writes what the file holds into that at its path, of which a copy stands
// beside it meanwhile.
func (f *pendingFile) overwrite() error {
	content, err := os.ReadFile(f.Name())
	if err != nil {
		return err
	}
	before, err := os.ReadFile(f.path)
	if err != nil {
		return err
	}
	folder := filepath.Dir(f.path)
	safe, err := os.OpenFile(filepath.Join(folder, unfinishedPrefix+rand.Text()), os.O_RDWR|os.O_CREATE|os.O_EXCL, 0o600)
	if err != nil {
		return err
	}
	lock(safe)
	defer safe.Close()
	name := safe.Name()
	if _, err = safe.Write(before); err == nil {
		err = safe.Sync()
	}
	if whole := filepath.Join(folder, beforePrefix+filepath.Base(f.path)); err == nil {
		if err = os.Rename(name, whole); err == nil { // under this name it is always whole
			name = whole
			err = rewrite(f.path, content)
		}
		if err != nil && name == whole {
			if back := rewrite(f.path, before); back != nil {
				return fmt.Errorf("%w; its text before is in %s", err, whole)
			}
		}
	}
	return errors.Join(err, os.Remove(name))
}

// rewrite puts other content into a file that stays the same one.
func rewrite(path string, content []byte) error {
	f, err := os.OpenFile(path, os.O_WRONLY, 0)
	if err != nil {
		return err
	}
	_, err = f.WriteAt(content, 0)
	return errors.Join(err, f.Truncate(int64(len(content))), f.Sync(), f.Close())
}

// discard drops the file unless it was committed.
func (f *pendingFile) discard() {
	f.spool.mu.Lock()
	defer f.spool.mu.Unlock()
	f.drop()
}

func (f *pendingFile) drop() {
	if !f.done {
		f.done = true
		f.Close()
		os.Remove(f.Name()) // gone already where it was renamed
		delete(f.spool.files, f)
	}
}

// tidyUp removes from a folder what a run that was killed left there, and gives a file
// that it was writing in its place the text that it had before.
func (s *spool) tidyUp(folder string) {
	s.mu.Lock()
	defer s.mu.Unlock()
	if s.tidy[folder] {
		return
	}
	if s.tidy == nil {
		s.tidy = map[string]bool{}
	}
	s.tidy[folder] = true
	entries, err := os.ReadDir(folder)
	if err != nil {
		return
	}
	for _, e := range entries {
		if !strings.HasPrefix(e.Name(), unfinishedPrefix) || !e.Type().IsRegular() {
			continue
		}
		path := filepath.Join(folder, e.Name())
		f, err := os.OpenFile(path, os.O_RDWR, 0)
		if err != nil {
			continue
		}
		if lock(f) { // else a run that goes on holds it
			target, inPlace := strings.CutPrefix(e.Name(), beforePrefix)
			if target = filepath.Join(folder, target); !inPlace || s.restore(target, f) {
				os.Remove(path)
			}
		}
		f.Close()
	}
}

// restore gives a file back what it held, unless somebody wrote to it since.
func (s *spool) restore(path string, before *os.File) bool {
	copied, err := before.Stat()
	if err != nil {
		return false
	}
	const writing = 10 * time.Second // at most between the copy and the last write
	if now, err := os.Stat(path); err == nil && now.ModTime().After(copied.ModTime().Add(writing)) {
		s.notes = append(s.notes, fmt.Sprintf("%s holds what %s held before a run was killed; remove it if you do not need it", before.Name(), path))
		return false
	}
	content, err := io.ReadAll(before)
	if err != nil || rewrite(path, content) != nil {
		return false
	}
	s.notes = append(s.notes, path+": a run that was killed had begun to write it; it holds again what it held before")
	return true
}

// followed gives the file that a path names in the end, which need not be there.
func followed(path string) (string, error) {
	const most = 40
	for range most {
		target, err := os.Readlink(path)
		if err != nil {
			return path, nil // no link
		}
		if !filepath.IsAbs(target) {
			target = filepath.Join(filepath.Dir(path), target)
		}
		path = target
	}
	return "", errors.New("its links lead round in a circle")
}

var (
	errChanged  = errors.New("it was changed meanwhile, so it is left alone; run the command again")
	errReadOnly = errors.New("it is read-only; allow writing to it first")
)

// replaceFile writes a file whole, if it still holds what was read.
func (s *spool) replaceFile(path string, read, content []byte) error {
	target, err := followed(path)
	if err != nil {
		return err
	}
	info, err := os.Lstat(target)
	if err != nil {
		return err
	}
	if !info.Mode().IsRegular() {
		return errors.New("it is no plain file, so it is left alone")
	}
	if info.Mode().Perm()&0o222 == 0 {
		return errReadOnly
	}
	f, err := s.create(target)
	if err != nil {
		return err
	}
	defer f.discard()
	if _, err := f.Write(content); err != nil {
		return err
	}
	now, err := os.ReadFile(target)
	if err != nil {
		return err
	}
	if !bytes.Equal(now, read) {
		return errChanged
	}
	return f.commit()
}

// writeError says in our own words why a file could not be written.
func writeError(path string, err error) error {
	var why string
	switch {
	case errors.Is(err, fs.ErrPermission):
		why = "not allowed to write it"
	case errors.Is(err, fs.ErrNotExist):
		why = "there is no folder " + filepath.Dir(path)
	case isDiskFull(err):
		why = "the disk is full"
	case isReadOnlyDisk(err):
		why = "its disk is read-only"
	default:
		return errors.New(plainError(path, err))
	}
	return fmt.Errorf("%s: %s", path, why)
}
