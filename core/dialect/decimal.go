package dialect

// Decimal is how many digits an exact number has: in all, and behind the point.
type Decimal struct{ Precision, Scale int }

// Sum gives the digits of a sum or difference, Product and Quotient those of products and
// quotients; no digits where the dialect says nothing, as PostgreSQL, Oracle and SQLite,
// whose numbers have as many as they need.
//
// MySQL and MariaDB: "Arithmetic Operators" of MySQL's manual, div_precision_increment being 4;
// as MariaDB 10.11 describes its results. SQL Server: "Precision, scale, and length" of the
// Transact-SQL reference. Spark: DecimalPrecision of its SQL reference, "Decimal operations".
func (d Dialect) Sum(a, b Decimal) Decimal {
	scale := max(a.Scale, b.Scale)
	return d.fitted(Decimal{max(a.Precision-a.Scale, b.Precision-b.Scale) + scale + 1, scale}, false)
}

func (d Dialect) Product(a, b Decimal) Decimal {
	product := Decimal{a.Precision + b.Precision, a.Scale + b.Scale}
	if d == SQLServer || d == Spark {
		product.Precision++
	}
	return d.fitted(product, true)
}

func (d Dialect) Quotient(a, b Decimal) Decimal {
	if d == SQLServer || d == Spark {
		scale := max(6, a.Scale+b.Precision+1)
		return d.fitted(Decimal{a.Precision - a.Scale + b.Scale + scale, scale}, true)
	}
	return d.fitted(Decimal{a.Precision + b.Scale + 4, a.Scale + 4}, false)
}

// fitted keeps a result within the digits that the dialect has; products and quotients of SQL
// Server and Spark give up digits behind the point for those before it, down to six.
func (d Dialect) fitted(x Decimal, product bool) Decimal {
	switch d {
	case MySQL, MariaDB:
		most := 38
		if d == MySQL {
			most = 30
		}
		x.Scale = min(x.Scale, most)
		x.Precision = min(x.Precision, 65)
		return x
	case SQLServer, Spark:
		if before := x.Precision - x.Scale; x.Precision > 38 {
			x.Precision = 38
			if product || d == Spark {
				x.Scale = max(38-before, min(x.Scale, 6))
			} else {
				x.Scale = min(x.Scale, max(38-before, 0))
			}
		}
		return x
	}
	return Decimal{}
}

// integerDigits are the digits of whole numbers where they meet exact ones, by the first word of
// their type's name in lower case.
var integerDigits = map[string]int{"tinyint": 3, "byte": 3, "smallint": 5, "short": 5, "mediumint": 7, "int": 10, "integer": 10, "bigint": 19, "long": 19}

// IntegerDigits gives the digits of a type of whole numbers, 0 of one that is not known.
func IntegerDigits(name string) int { return integerDigits[name] }
