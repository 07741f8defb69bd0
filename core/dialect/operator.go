package dialect

// Operator is an infix operator or predicate, or a class of them that share
// their precedence everywhere.
type Operator uint8

const (
	NoOperator Operator = iota
	Or
	Xor
	And
	Not        // prefix; its power is that of its operand
	Assignment // := and the like
	Comparison // < > <= >=
	Equality   // = <> != == <=>
	IsTest     // IS …, ISNULL, NOTNULL
	Match      // LIKE and its kin
	InTest
	BetweenTest
	Other // any operator a dialect adds
	BitOr
	BitXor
	BitAnd
	Shift
	Arrow // -> ->> and the like
	Concat
	Plus // + -
	Times
	Power
	AtZone
	Collation
	CastTo // ::
	// Complement is prefix ~; its power is that of its operand.
	Complement
	// NegatedTest is NOT IN, NOT LIKE and their kin where these bind otherwise
	// than the plain tests; 0 where they do not.
	NegatedTest
	// BetweenBound is the power above which the upper bound of BETWEEN is read.
	BetweenBound

	operatorCount
)

// Precedence gives how tightly each operator binds: more is tighter, 0 is
// unknown. Equal powers associate to the left.
type Precedence [operatorCount]uint8

// Sources: PostgreSQL 15 manual 4.1.6; MySQL manual 14.4.1 and MariaDB's
// "Operator Precedence"; SQLite "SQL Language Expressions"; the Transact-SQL,
// Oracle and Spark references. The tables of the three servers at hand are
// tried on them by the precedence test.
var precedences = [Count]Precedence{
	ANSI: {
		Assignment: 1, Or: 2, Xor: 3, And: 4, Not: 5,
		Equality: 6, Comparison: 6, IsTest: 6, Match: 6, InTest: 6, BetweenTest: 6,
		Other: 8, BitOr: 9, BitXor: 9, BitAnd: 10, Shift: 11, Arrow: 12, Concat: 13, Plus: 14, Times: 15, Power: 16,
		AtZone: 18, Collation: 19, CastTo: 21, Complement: 17, BetweenBound: 6,
	},
	Postgres: {
		Assignment: 1, Or: 2, Xor: 3, And: 4, Not: 5,
		IsTest: 6, Equality: 7, Comparison: 7, Match: 8, InTest: 8, BetweenTest: 8,
		Other: 9, BitOr: 9, BitXor: 9, BitAnd: 9, Shift: 9, Arrow: 9, Concat: 9, Plus: 10, Times: 11, Power: 12,
		AtZone: 13, Collation: 14, CastTo: 17, Complement: 9, BetweenBound: 8,
	},
	MySQL:   mysqlPrecedence,
	MariaDB: mysqlPrecedence,
	SQLite: {
		Assignment: 1, Or: 2, Xor: 2, And: 3, Not: 4,
		Equality: 5, IsTest: 5, Match: 5, InTest: 5, BetweenTest: 5, Comparison: 6,
		Other: 7, BitOr: 8, BitXor: 8, BitAnd: 8, Shift: 8, Plus: 9, Times: 10, Concat: 11, Arrow: 11, Power: 11,
		AtZone: 12, Collation: 12, CastTo: 15, Complement: 12, BetweenBound: 5,
	},
	SQLServer: {
		Assignment: 1, Or: 2, Xor: 2, And: 3, Not: 4,
		Equality: 5, Comparison: 5, IsTest: 5, Match: 5, InTest: 5, BetweenTest: 5,
		Other: 6, BitOr: 7, BitXor: 7, BitAnd: 7, Shift: 7, Plus: 7, Concat: 7, Arrow: 7, Times: 8, Power: 7,
		AtZone: 10, Collation: 11, CastTo: 13, Complement: 9, BetweenBound: 5,
	},
	Oracle: {
		Assignment: 1, Or: 2, Xor: 2, And: 3, Not: 4,
		Equality: 5, Comparison: 5, IsTest: 5, Match: 5, InTest: 5, BetweenTest: 5,
		Other: 6, BitOr: 6, BitXor: 6, BitAnd: 6, Shift: 6, Arrow: 6, Concat: 7, Plus: 7, Times: 8, Power: 9,
		AtZone: 10, Collation: 11, CastTo: 13, Complement: 10, BetweenBound: 5,
	},
	Spark: {
		Assignment: 1, Or: 2, Xor: 2, And: 3, Not: 4,
		IsTest: 5, Match: 5, InTest: 5, BetweenTest: 5, Equality: 6, Comparison: 6,
		Other: 7, BitOr: 7, BitXor: 8, BitAnd: 9, Shift: 10, Concat: 11, Plus: 11, Times: 12, Arrow: 12, Power: 12,
		AtZone: 13, Collation: 14, CastTo: 16, Complement: 13, BetweenBound: 5,
	},
}

// Of MariaDB's grammar it was tried that a LIKE b NOT IN (c) is a LIKE (b NOT
// IN (c)), but a LIKE b IN (c) is (a LIKE b) IN (c).
var mysqlPrecedence = Precedence{
	Assignment: 1, Or: 2, Xor: 3, And: 4, Not: 5,
	Equality: 6, Comparison: 6, IsTest: 6, BetweenBound: 6, BetweenTest: 7, Match: 7, InTest: 7, Other: 7, NegatedTest: 8,
	BitOr: 9, BitAnd: 10, Shift: 11, Plus: 12, Times: 13, BitXor: 14, Power: 14, Concat: 15, Complement: 15,
	AtZone: 16, Collation: 17, CastTo: 18, Arrow: 19,
}

// unaryAbove is how much tighter than powers the signs bind.
const unaryAbove = 1

// Precedence gives the dialect's table.
func (d Dialect) Precedence() *Precedence { return &precedences[d] }

// Unary gives the power of the signs + and -, which bind tighter than any infix
// arithmetic of the dialect.
func (p *Precedence) Unary() uint8 { return p[Power] + unaryAbove }
