package schema

// Class is the class of a type: what can be done with its values.
type Class uint8

const (
	Unknown Class = iota
	Integer
	Decimal
	Float
	Text
	Date
	Time
	Timestamp   // date and time of day
	TimestampTZ // an instant, shown in the session's time zone
	Interval
	Boolean
	Binary
	Document // JSON, XML
	Other
)

// Type is a column's type.
type Type struct {
	Class    Class
	Name     string // as written, for people
	Length   int    // or the precision of a number; 0 where none is written
	Scale    int
	Unsigned bool
	Values   []string // of an enumeration
}

// classOf classifies a type by its first word in lower case; zoned tells of
// WITH TIME ZONE.
func classOf(name string, zoned bool) Class {
	switch name {
	case "int", "integer", "bigint", "smallint", "tinyint", "mediumint", "int2", "int4", "int8", "serial", "bigserial",
		"smallserial", "long", "short", "byte":
		return Integer
	case "decimal", "numeric", "number", "dec", "money", "smallmoney", "fixed":
		return Decimal
	case "float", "real", "double", "float4", "float8", "binary_float", "binary_double":
		return Float
	case "char", "character", "varchar", "varchar2", "nvarchar", "nvarchar2", "nchar", "text", "ntext", "clob", "nclob",
		"tinytext", "mediumtext", "longtext", "string", "citext", "bpchar", "sysname":
		return Text
	case "date":
		return Date
	case "time", "timetz":
		return Time
	case "timestamp":
		if zoned {
			return TimestampTZ
		}
		return Timestamp
	case "timestamptz", "datetimeoffset":
		return TimestampTZ
	case "datetime", "datetime2", "smalldatetime", "timestamp_ntz":
		return Timestamp
	case "interval":
		return Interval
	case "bool", "boolean":
		return Boolean
	case "bytea", "blob", "binary", "varbinary", "raw", "longblob", "mediumblob", "tinyblob", "image", "bit", "varbit":
		return Binary
	case "json", "jsonb", "xml":
		return Document
	case "":
		return Unknown
	}
	return Other
}

// HasDay reports whether values of the class hold a date.
func (c Class) HasDay() bool { return c == Date || c == Timestamp || c == TimestampTZ }
