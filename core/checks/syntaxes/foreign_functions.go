package syntaxes

import (
	"strings"

	"justlens/core/check"
	"justlens/core/dialect"
	"justlens/core/syntax"
)

// foreignFunction is a built-in function of some databases; instead is a
// function of the same meaning that takes the same arguments, if there is one.
type foreignFunction struct {
	has       dialect.Set
	arguments int // how many it has, 0 for any number
	instead   string
	hint      string
}

// foreignFunctions are by name in lower case; sources are the reference
// manuals of the databases.
var foreignFunctions = gatherFunctions()

// Sets of databases that have a function.
const (
	inMySQL    = dialect.Set(1<<dialect.MySQL | 1<<dialect.MariaDB)
	inSpark    = dialect.Set(1 << dialect.Spark)
	inSQLite   = dialect.Set(1 << dialect.SQLite)
	inPostgres = dialect.Set(1 << dialect.Postgres)
	inOracle   = dialect.Set(1 << dialect.Oracle)
	inServer   = dialect.Set(1 << dialect.SQLServer)
	inMariaDB  = dialect.Set(1 << dialect.MariaDB)
)

// What to do instead, in words.
const (
	ofDates        = "use the database's own date functions"
	ofJSON         = "use the database's own functions of JSON"
	partOfDate     = "take the part by EXTRACT, DATEPART or strftime"
	someInterval   = "add or subtract an interval, as the database writes it"
	uniqueValue    = "use the database's own function for unique values"
	lastNumber     = "ask for it by RETURNING or OUTPUT, or by the database's own function"
	ofHashes       = "use the database's own function for hashes"
	byPattern      = "use the database's own functions of patterns"
	gatheredTexts  = "write STRING_AGG, GROUP_CONCAT or LISTAGG"
	whereText      = "write POSITION, INSTR, STRPOS or CHARINDEX"
	partOfText     = "write SUBSTR or SUBSTRING"
	lengthOfText   = "write LENGTH or LEN"
	filledText     = "build it with REPEAT or REPLICATE and SUBSTR, or with PRINTF"
	byCase         = "write CASE WHEN … THEN … ELSE … END"
	textOfDate     = "write TO_CHAR, DATE_FORMAT, FORMAT or strftime"
	dateOfText     = "write TO_DATE, STR_TO_DATE or CAST"
	ofCalls        = "use the database's own function"
	cutNumber      = "write TRUNC, TRUNCATE or ROUND"
	splitText      = "split the text by SPLIT_PART, SUBSTRING_INDEX or STRING_SPLIT"
	differenceDate = "subtract the dates"
)

// gatherFunctions lists the functions in groups of those that the same databases have and
// for which the same is to be done.
func gatherFunctions() map[string]foreignFunction {
	all := map[string]foreignFunction{
		"ifnull":    {has: inMySQL | inSQLite | inSpark, instead: "COALESCE"},
		"if":        {has: inMySQL | inSQLite | inSpark, arguments: 3, hint: byCase},
		"nvl":       {has: inOracle | inMariaDB | inSpark, instead: "COALESCE"},
		"isnull":    {has: inServer, arguments: 2, instead: "COALESCE"},
		"len":       {has: inServer | inSpark, instead: "LENGTH"},
		"length":    {has: dialect.Everywhere &^ inServer, instead: "LEN"},
		"lcase":     {has: inMySQL | inSpark, instead: "LOWER"},
		"ucase":     {has: inMySQL | inSpark, instead: "UPPER"},
		"ceil":      {has: dialect.Everywhere &^ inServer, instead: "CEILING"},
		"ceiling":   {has: dialect.Everywhere &^ inOracle, instead: "CEIL"},
		"substr":    {has: dialect.Everywhere &^ inServer, arguments: 3, instead: "SUBSTRING"},
		"greatest":  {has: dialect.Everywhere &^ inSQLite, instead: "MAX"},
		"least":     {has: dialect.Everywhere &^ inSQLite, instead: "MIN"},
		"replicate": {has: inServer, hint: "write REPEAT, RPAD or PRINTF"},
		"getdate":   {has: inServer | inSpark, hint: "write CURRENT_TIMESTAMP"},
		"now":       {has: inPostgres | inMySQL | inSpark, hint: "write CURRENT_TIMESTAMP"},
		"curdate":   {has: inMySQL | inSpark, hint: "write CURRENT_DATE"},
	}
	for _, group := range []struct {
		has   dialect.Set
		hint  string
		names string
	}{
		{inMySQL | inSQLite, gatheredTexts, "group_concat"},
		{inOracle | inSpark, gatheredTexts, "listagg"},
		{inOracle, gatheredTexts, "wm_concat"},
		{inPostgres | inServer | inSQLite | inSpark, gatheredTexts, "string_agg"},
		{inServer | inSpark, whereText, "charindex"},
		{inMySQL | inSpark, whereText, "locate"},
		{inMySQL | inOracle | inSQLite | inSpark, whereText, "instr"},
		{inPostgres, whereText, "strpos"},
		{inServer, whereText, "patindex"},
		{dialect.Everywhere &^ (inSQLite | inOracle), partOfText, "left right"},
		{inMySQL, partOfText, "mid"},
		{inPostgres | inMySQL | inSpark, lengthOfText, "char_length character_length"},
		{dialect.Everywhere &^ (inServer | inSQLite), filledText, "lpad rpad"},
		{inPostgres | inMySQL | inSpark, filledText, "repeat"},
		{inPostgres | inOracle | inSpark, ofCalls, "initcap"},
		{dialect.Everywhere &^ inOracle, "join the texts by ||", "concat_ws"},
		{dialect.Everywhere &^ inSQLite, ofCalls, "reverse"},
		{dialect.Everywhere &^ (inSQLite | inServer), "take the part with strftime or DATEPART", "extract"},
		{inPostgres | inSpark, splitText, "split_part"},
		{inMySQL | inSpark, splitText, "substring_index"},
		{inMySQL | inSpark, "keep the list in a table of its own, or split it", "find_in_set"},
		{inServer, ofCalls, "stuff quotename datalength isnumeric"},
		{inPostgres, byPattern, "regexp_matches regexp_split_to_table regexp_split_to_array"},

		{inSQLite, ofDates, "strftime julianday unixepoch datetime"},
		{inMySQL | inSpark, textOfDate, "date_format"},
		{inPostgres | inOracle | inMariaDB | inSpark, textOfDate, "to_char"},
		{inPostgres | inOracle | inSpark, dateOfText, "to_date to_timestamp"},
		{inMySQL, dateOfText, "str_to_date"},
		{inPostgres | inSpark, ofDates, "date_trunc"},
		{inMySQL, ofDates, "yearweek to_days from_days makedate maketime sec_to_time time_to_sec period_add period_diff convert_tz time_format utc_timestamp"},
		{inMySQL | inSpark, ofDates, "unix_timestamp from_unixtime"},
		{inServer, ofDates, "eomonth datefromparts sysdatetime sysutcdatetime getutcdate"},
		{inMySQL | inOracle | inSpark, ofDates, "last_day"},
		{inMySQL | inServer | inSpark, partOfDate, "year month day"},
		{inMySQL | inSpark, partOfDate, "hour minute second quarter weekday dayofweek dayofyear dayofmonth weekofyear"},
		{inPostgres | inSpark, partOfDate, "date_part"},
		{inServer | inSpark, partOfDate, "datepart"},
		{inServer, partOfDate, "datename"},
		{inServer | inSpark, someInterval, "dateadd"},
		{inMySQL | inSpark, someInterval, "date_sub"},
		{inPostgres | inMySQL | inSpark, someInterval, "date_add"},
		{inMySQL, someInterval, "adddate subdate addtime subtime"},
		{inOracle | inMariaDB | inSpark, someInterval, "add_months"},
		{inOracle | inSpark, differenceDate, "months_between"},
		{inMySQL | inServer | inSpark, differenceDate, "datediff"},
		{inMySQL | inSpark, differenceDate, "timestampdiff"},

		{inPostgres | inOracle | inSQLite | inSpark, cutNumber, "trunc"},
		{inMySQL, cutNumber, "truncate"},
		{inMySQL | inServer | inSpark, "use RANDOM() or DBMS_RANDOM", "rand"},

		{inServer, uniqueValue, "newid newsequentialid"},
		{inMySQL | inSpark, uniqueValue, "uuid"},
		{inPostgres, uniqueValue, "gen_random_uuid"},
		{inOracle | inMariaDB, uniqueValue, "sys_guid"},
		{inMySQL, lastNumber, "last_insert_id"},
		{inSQLite, lastNumber, "last_insert_rowid"},
		{inServer, lastNumber, "scope_identity"},

		{inOracle | inMariaDB | inSpark, byCase, "nvl2"},
		{inServer | inSQLite | inSpark, byCase, "iif"},
		{inMySQL | inSpark, byCase, "elt"},
		{inPostgres | inSpark, "compare MIN or MAX of a CASE", "bool_and bool_or"},
		{inPostgres | inSpark, ofCalls, "array_agg"},
		{inSpark, ofCalls, "collect_list collect_set regexp_extract get_json_object percentile_approx monotonically_increasing_id"},

		{inMySQL, ofJSON, "json_unquote json_length json_merge_patch"},
		{inMySQL | inServer, ofJSON, "json_contains"},
		{inMySQL | inSQLite, ofJSON, "json_extract"},
		{inPostgres, ofJSON, "jsonb_build_object json_build_object jsonb_agg json_agg row_to_json to_jsonb json_object_agg jsonb_object_agg"},
		{inSQLite, ofJSON, "json_group_array json_group_object"},
		{inPostgres | inMySQL | inSpark, ofHashes, "md5"},
		{inMySQL | inSpark, ofHashes, "sha1 sha2"},
		{inMySQL | inSQLite | inSpark, "use the database's own function for hexadecimal digits", "hex unhex"},
		{inMySQL, ofCalls, "inet_aton inet_ntoa found_rows get_lock release_lock connection_id"},
	} {
		for name := range strings.FieldsSeq(group.names) {
			all[name] = foreignFunction{has: group.has, hint: group.hint}
		}
	}
	return all
}

// foreignCalls looks at calls of the functions that a dialect does not have.
func foreignCalls() check.Hooks {
	without := map[dialect.Set][]string{}
	for name, f := range foreignFunctions {
		without[named&^f.has] = append(without[named&^f.has], name)
	}
	var hooks check.Hooks
	for set, names := range without {
		hooks = hooks.And(check.Calls(foreignCall, names...).In(set))
	}
	return hooks
}

func foreignCall(p *check.Pass, c *syntax.Call) {
	if len(c.Name) != 1 || c.Name[0].Quoted || p.Schema.HasRoutine(p.FunctionName(c)) {
		return
	}
	f := foreignFunctions[p.FunctionName(c)]
	if f.has.Has(p.Dialect) || f.arguments > 0 && f.arguments != len(c.Args) {
		return
	}
	name := c.Name[0].Span
	out := foreign{"function " + strings.ToUpper(p.Ident(c.Name[0])), f.has, name, byHand(f.hint), check.Likely}
	if sum := ownSum(p, c); sum != "" {
		out.mends = replace("write "+sum, c.Span(), sum)
	} else if f.instead != "" {
		out.mends = replace("write "+f.instead, name, p.Word(name.Start, f.instead))
	}
	out.tell(p)
}
