package dialect

// FunctionKind says what a call of a built-in function does to rows.
type FunctionKind uint8

const (
	// UnknownFunction is one that no table here knows.
	UnknownFunction FunctionKind = iota
	// Scalar works on one row.
	Scalar
	// Aggregate turns many rows into one value.
	Aggregate
	// Ranking is a window function that cannot be used without OVER.
	Ranking
	// Volatile may give another value at each call.
	Volatile
)

// Function classifies a function by its name in lower case. Names mean the
// same kind in every dialect that has them, but for those that [Function]
// leaves unknown.
func Function(name string) FunctionKind {
	switch name {
	case "count", "sum", "avg", "total", "count_big", "any_value", "group_concat", "string_agg", "listagg",
		"array_agg", "json_agg", "jsonb_agg", "json_object_agg", "jsonb_object_agg", "json_arrayagg", "json_objectagg",
		"json_group_array", "json_group_object", "xmlagg", "bool_and", "bool_or", "every", "bit_and", "bit_or", "bit_xor",
		"std", "stddev", "stddev_pop", "stddev_samp", "stdev", "stdevp", "var", "varp", "var_pop", "var_samp", "variance",
		"corr", "covar_pop", "covar_samp", "regr_avgx", "regr_avgy", "regr_count", "regr_intercept", "regr_r2",
		"regr_slope", "regr_sxx", "regr_sxy", "regr_syy", "mode", "median", "collect_list", "collect_set",
		"approx_count_distinct", "percentile", "percentile_approx", "count_if", "max_by", "min_by", "checksum_agg",
		"grouping", "grouping_id", "some_agg", "first", "last", "skewness", "kurtosis", "approx_percentile", "histogram_numeric",
		"try_sum", "try_avg", "stats_mode", "wm_concat", "range_agg", "range_intersect_agg", "bool_xor", "st_collect":
		return Aggregate
	case "min", "max":
		return Aggregate
	case "row_number", "rank", "dense_rank", "ntile", "lag", "lead", "first_value", "last_value", "nth_value",
		"percent_rank", "cume_dist", "ratio_to_report":
		return Ranking
	case "random", "rand", "newid", "uuid", "gen_random_uuid", "uuid_generate_v4", "sys_guid", "clock_timestamp",
		"timeofday", "nextval", "setval", "randomblob", "changes", "last_insert_rowid", "last_insert_id", "sleep",
		"pg_sleep", "sysdate", "monotonically_increasing_id", "newsequentialid":
		return Volatile
	case "upper", "lower", "ucase", "lcase", "length", "len", "char_length", "character_length", "octet_length", "trim",
		"ltrim", "rtrim", "btrim", "substr", "substring", "left", "right", "concat", "concat_ws", "replace", "lpad", "rpad",
		"reverse", "repeat", "instr", "position", "strpos", "charindex", "patindex", "locate", "coalesce", "nullif",
		"ifnull", "isnull", "nvl", "nvl2", "greatest", "least", "abs", "round", "ceil", "ceiling", "floor", "mod", "power",
		"sqrt", "sign", "exp", "ln", "log", "year", "month", "day", "quarter", "week", "hour", "minute", "second", "date",
		"time", "datetime", "julianday", "strftime", "unixepoch", "date_trunc", "datetrunc", "trunc", "truncate",
		"to_char", "to_date", "to_number", "to_timestamp", "date_format", "format", "dateadd", "date_add", "date_sub",
		"datediff", "datename", "datepart", "timestampdiff", "timestampadd", "add_months", "last_day", "months_between",
		"dayofmonth", "dayofweek", "dayofyear", "weekday", "monthname", "dayname", "extract", "cast", "convert",
		"try_cast", "try_convert", "iif", "if", "decode", "initcap", "translate", "ascii", "chr", "char", "md5", "sha1",
		"hex", "unhex", "age", "split_part", "regexp_replace", "regexp_substr", "json_extract", "json_value",
		"now", "getdate", "sysdatetime", "curdate", "curtime", "current_date", "current_time", "current_timestamp",
		"localtime", "localtimestamp":
		return Scalar
	}
	return UnknownFunction
}

// IsAggregate reports whether a call of the function with this many arguments
// aggregates. SQLite's MIN and MAX of several arguments choose the least or
// greatest of one row.
func (d Dialect) IsAggregate(name string, arguments int) bool {
	if Function(name) != Aggregate {
		return false
	}
	switch name {
	case "min", "max":
		return d != SQLite || arguments < 2
	case "st_collect": // PostGIS has one of two geometries as well
		return arguments < 2
	}
	return true
}

// Result says of what type a function's result is, as far as its name tells.
type Result uint8

const (
	GivesUnknown Result = iota
	GivesInteger
	GivesText
	GivesDate
	GivesFirst   // the type of the first argument
	GivesCommon  // the type that all arguments have in common
	GivesInstant // a date and time of day
	GivesShape   // a geometry
	GivesFloat
	GivesSum // a number as wide as sums and averages of the argument are
)

// ResultOf gives the type of a function's result by its name in lower case.
func ResultOf(name string) Result {
	switch name {
	case "count", "count_big", "row_number", "rank", "dense_rank", "ntile", "length", "len", "char_length", "character_length",
		"octet_length", "instr", "strpos", "position", "charindex", "locate", "ascii", "datediff", "timestampdiff",
		"year", "month", "day", "quarter", "week", "hour", "minute", "dayofmonth", "dayofweek", "dayofyear", "weekday":
		return GivesInteger
	case "upper", "lower", "ucase", "lcase", "trim", "ltrim", "rtrim", "btrim", "substr", "substring", "left", "right", "concat",
		"concat_ws", "replace", "lpad", "rpad", "reverse", "repeat", "to_char", "group_concat", "string_agg", "listagg", "initcap",
		"date_format", "strftime", "hex", "md5", "chr", "char", "monthname", "dayname", "datename", "translate", "split_part":
		return GivesText
	case "date", "curdate", "current_date":
		return GivesDate
	case "now", "current_timestamp", "getdate":
		return GivesInstant
	case "point", "linestring", "polygon", "multipoint", "multilinestring", "multipolygon", "geometrycollection",
		"geomfromtext", "st_geomfromtext", "geomfromwkb", "st_geomfromwkb", "st_pointfromtext", "geometrycollectionfromwkb":
		return GivesShape
	case "rand", "pi", "sqrt", "exp", "ln", "sin", "cos", "tan":
		return GivesFloat
	case "min", "max", "nullif", "lag", "lead", "first_value", "last_value", "nth_value", "any_value":
		return GivesFirst
	case "coalesce", "ifnull", "nvl", "greatest", "least":
		return GivesCommon
	case "sum", "avg":
		return GivesSum
	}
	return GivesUnknown
}

// Nulls says when a function gives NULL.
type Nulls uint8

const (
	NullsUnknown Nulls = iota
	// NeverNull: whatever the arguments.
	NeverNull
	// FirstValue: only where all arguments are NULL.
	FirstValue
	// MayMakeNull: of arguments that are not NULL, too.
	MayMakeNull
	// StrictText: where an argument is NULL, or, on Oracle, the text becomes empty.
	StrictText
	// StrictNumber: of numbers, where one is NULL.
	StrictNumber
)

// NullsOf says when a function that is no aggregate gives NULL, by its name in
// lower case.
func NullsOf(name string) Nulls {
	switch name {
	case "row_number", "rank", "dense_rank", "ntile", "percent_rank", "cume_dist", "now", "getdate", "sysdatetime", "curdate",
		"current_date", "current_time", "current_timestamp", "localtime", "localtimestamp", "grouping":
		return NeverNull
	case "coalesce", "ifnull", "nvl", "isnull":
		return FirstValue
	case "nullif", "lag", "lead":
		return MayMakeNull
	case "upper", "lower", "ucase", "lcase", "length", "len", "char_length", "character_length", "octet_length", "trim", "ltrim",
		"rtrim", "replace":
		return StrictText
	case "abs", "ceil", "ceiling", "floor", "sign":
		return StrictNumber
	}
	return NullsUnknown
}
