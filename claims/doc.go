// Package claims has no code of its own: its tests try on real databases what
// the checks say of them.
package claims
