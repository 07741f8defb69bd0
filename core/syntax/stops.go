package syntax

import "justlens/core/dialect/word"

// What a known word may not be, in any dialect, because it begins or joins
// something else there.
const (
	// notName: no column or table has this bare name.
	notName uint8 = 1 << iota
	// notOutputAlias: a select item does not end with it as its alias.
	notOutputAlias
	// notTableAlias: a table is not followed by it as its alias.
	notTableAlias
	// startsClause: recovery may go on here.
	startsClause
	// infixWord: it may be an operator, or begin one.
	infixWord
)

const (
	structural = notName | notOutputAlias | notTableAlias
	clause     = structural | startsClause
	noAlias    = notOutputAlias | notTableAlias
)

var stops = [word.Total]uint8{
	word.Select: structural, word.From: clause, word.Where: clause, word.Group: clause, word.Having: clause,
	word.Order: clause, word.By: notName, word.Union: clause, word.Intersect: clause, word.Except: clause,
	word.On: structural, word.Using: notTableAlias, word.Join: structural,
	word.And: structural | infixWord, word.Or: structural | infixWord, word.Not: structural | infixWord, word.In: structural | infixWord, word.Is: structural | infixWord,
	word.Like: structural | infixWord, word.Between: structural | infixWord, word.As: structural, word.Into: structural,
	word.When: structural, word.Then: structural, word.Else: structural, word.Case: structural, word.Distinct: structural,
	word.Set: notName | notTableAlias, word.With: noAlias | notName, word.Create: notName,
	word.Inner: notTableAlias, word.Left: notTableAlias, word.Right: notTableAlias, word.Full: notTableAlias,
	word.Cross: notTableAlias, word.Natural: notTableAlias, word.StraightJoin: notTableAlias, word.Semi: notTableAlias,
	word.Anti: notTableAlias, word.Outer: notTableAlias, word.Lateral: notTableAlias,
	word.Limit: noAlias | startsClause, word.Fetch: noAlias | startsClause, word.Offset: noAlias | startsClause,
	word.For: noAlias, word.Window: noAlias | startsClause,
	word.Qualify: noAlias | startsClause, word.Returning: noAlias, word.Minus: noAlias,
	word.Values: noAlias, word.End: noAlias, word.Xor: noAlias | infixWord, word.Div: noAlias | infixWord,
	word.Mod: infixWord, word.Operator: infixWord, word.At: infixWord, word.Day: infixWord, word.Year: infixWord, word.Glob: infixWord, word.Match: infixWord, word.Likec: infixWord, word.Like2: infixWord, word.Like4: infixWord,
	word.Sounds: infixWord, word.Member: infixWord, word.Overlaps: infixWord,
	word.Collate: noAlias | infixWord, word.Isnull: noAlias | infixWord, word.Notnull: noAlias | infixWord, word.Ilike: noAlias | infixWord, word.Similar: noAlias | infixWord,
	word.Regexp: noAlias | infixWord, word.Rlike: noAlias | infixWord, word.Over: notOutputAlias, word.Escape: noAlias,
	word.Tablesample: notTableAlias, word.Pivot: notTableAlias, word.Unpivot: notTableAlias, word.Connect: notTableAlias, word.MatchRecognize: notTableAlias,
	word.Option: notTableAlias, word.Use: notTableAlias, word.Force: notTableAlias, word.Ignore: notTableAlias,
	word.Partition: notTableAlias, word.Sort: notTableAlias, word.Cluster: notTableAlias, word.Distribute: notTableAlias,
	word.Output: notTableAlias, word.Asc: noAlias, word.Desc: noAlias, word.Nulls: noAlias, word.Lock: noAlias,
	word.Default: notTableAlias, word.Before: notTableAlias, word.Asof: notTableAlias, word.Update: notName,
}

// startsOther reports whether a word that could be an alias begins a clause
// here, seen from what follows it.
func (p *Parser) startsOther() bool {
	next := p.peek(1)
	switch p.word {
	case word.Start:
		return next.Word() == word.With
	case word.Option:
		return next.Kind == LeftParen
	case word.Model:
		return p.startsModel()
	case word.Procedure:
		return p.peek(2).Kind == LeftParen
	case word.Sample:
		return next.Kind == LeftParen
	case word.By:
		return p.says(1, "name")
	case word.Bulk:
		return p.says(1, "collect") || p.goesOn()
	case word.Indexed:
		return next.Word() == word.By
	case word.Version, word.Timestamp:
		return next.Word() == word.As && p.peek(2).Word() == word.Of
	case word.Delete, word.Insert, word.Drop, word.Alter, word.Declare, word.Exec, word.Truncate, word.Merge, word.Begin,
		word.Print, word.If, word.Create, word.Update, word.Commit, word.Execute, word.Return, word.While, word.Set:
		return p.atNext()
	}
	return p.goesOn()
}
