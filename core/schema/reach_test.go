package schema_test

import (
	"testing"

	"github.com/stretchr/testify/assert"

	"justlens/core/dialect"
	"justlens/core/schema"
)

// TestReach tells after which statements a table has, or may have, more columns.
func TestReach(t *testing.T) {
	t.Parallel()
	for _, c := range []struct {
		dialect dialect.Dialect
		script  string
		open    bool
	}{
		{dialect.Postgres, "SELECT add_geometry('hives', 'place')", true},
		{dialect.Postgres, "SELECT audit.watch('public.hives')", true},
		{dialect.Postgres, "CALL widen('hives')", true},
		{dialect.Postgres, "DO $$ BEGIN PERFORM widen('hives'); END $$", true},
		{dialect.Postgres, "DO $$ BEGIN EXECUTE 'ALTER TABLE ONLY hives ADD weight int'; END $$", true},
		{dialect.Postgres, "DO $$ BEGIN EXECUTE format('ALTER TABLE %I ADD weight int', t); END $$", true},
		{dialect.Postgres, "CREATE FUNCTION f() RETURNS void LANGUAGE plpgsql AS $$ BEGIN ALTER TABLE hives ADD weight int; END $$", true},
		{dialect.Postgres, "CREATE FUNCTION f() RETURNS void LANGUAGE plpgsql AS $$ BEGIN EXECUTE format('ALTER TABLE %I ADD weight int', t); END $$", false},
		{dialect.Postgres, "SELECT setval('hives', 3)", false},
		{dialect.Postgres, "SELECT widen('queens')", false},
		{dialect.Postgres, "SELECT widen('hives') FROM queens", false},
		{dialect.Postgres, "INSERT INTO notes VALUES ('ALTER TABLE hives')", false},
		{dialect.Postgres, "COMMENT ON TABLE queens IS 'ALTER TABLE hives'", false},
		{dialect.MariaDB, "SET @s = 'alter  table `hives` ADD weight int'", true},
		{dialect.MariaDB, "SET @s = CONCAT('ALTER TABLE ', @t, ' ADD weight int')", true},
		{dialect.MariaDB, "PREPARE widen FROM 'ALTER TABLE hives ADD weight int'", true},
		{dialect.MariaDB, "CREATE PROCEDURE widen() BEGIN IF NOT EXISTS (SELECT 1) THEN ALTER TABLE hives ADD weight int; END IF; END", true},
		{dialect.MariaDB, "CALL widen()", false},
		{dialect.MariaDB, "SET @t = 'hives'", false},
		{dialect.SQLServer, "EXEC sp_executesql N'ALTER TABLE dbo.hives ADD weight int'", true},
		{dialect.SQLServer, "EXEC dbo.widen N'dbo.[hives]'", true},
		{dialect.SQLServer, "DECLARE @s nvarchar(200) = N'ALTER TABLE hives ADD weight int'", true},
		{dialect.SQLServer, "IF COL_LENGTH('hives', 'weight') IS NULL ALTER TABLE hives ADD weight int", true},
		{dialect.SQLServer, "EXEC sys.sp_addextendedproperty N'MS_Description', N'x', N'SCHEMA', N'dbo', N'TABLE', N'hives'", false},
		{dialect.Oracle, "EXEC DBMS_STATS.GATHER_TABLE_STATS('BEES', 'HIVES')", false},
	} {
		s := schema.New(nil)
		s.Load([]byte("CREATE TABLE hives (id int);\n"+c.script), c.dialect)
		hives := s.Table("", "hives")
		assert.Equal(t, c.open, !hives.Complete || hives.Column("weight") >= 0, c.script)
	}
}

// TestReachMakes tells after which statements FROM takes a name that no table has, and after
// which there may be tables that nothing names.
func TestReachMakes(t *testing.T) {
	t.Parallel()
	for _, c := range []struct {
		dialect dialect.Dialect
		script  string
		known   bool
		unseen  schema.Unseen
	}{
		{dialect.Postgres, "CREATE SEQUENCE IF NOT EXISTS bees.swarms", true, schema.NoneUnseen},
		{dialect.MariaDB, "CREATE OR REPLACE SEQUENCE `Swarms`", true, schema.NoneUnseen},
		{dialect.Postgres, "SELECT make_table('swarms')", true, schema.MaybeUnseen},
		{dialect.Postgres, "SELECT upper('swarms')", false, schema.NoneUnseen},
		{dialect.Postgres, "DO $$ BEGIN CREATE TABLE swarms (id int); END $$", true, schema.NoneUnseen},
		{dialect.Postgres, "DO $$ BEGIN EXECUTE 'CREATE UNLOGGED TABLE IF NOT EXISTS swarms (id int)'; END $$", true, schema.NoneUnseen},
		{dialect.Postgres, "DO $$ BEGIN EXECUTE format('CREATE TABLE %I (id int)', t); END $$", false, schema.SurelyUnseen},
		{dialect.Postgres, "IMPORT FOREIGN SCHEMA far FROM SERVER s INTO public", false, schema.SurelyUnseen},
		{dialect.Postgres, "CREATE EXTENSION IF NOT EXISTS postgis", false, schema.SurelyUnseen},
		{dialect.Postgres, "CREATE TRIGGER swarms BEFORE INSERT ON hives EXECUTE FUNCTION f()", false, schema.NoneUnseen},
		{dialect.Postgres, "CREATE SERVER swarms FOREIGN DATA WRAPPER w", false, schema.NoneUnseen},
		{dialect.SQLite, "ATTACH 'far.db' AS far", false, schema.SurelyUnseen},
		{dialect.SQLite, "ATTACH DATABASE 'far.db' AS far", false, schema.SurelyUnseen},
		{dialect.SQLServer, "CREATE SYNONYM dbo.swarms FOR far.dbo.swarms", true, schema.NoneUnseen},
		{dialect.SQLServer, "IF OBJECT_ID('swarms') IS NULL CREATE TABLE dbo.[swarms] (id int)", true, schema.NoneUnseen},
		{dialect.SQLServer, "EXEC ('CREATE TABLE swarms (id int)')", true, schema.NoneUnseen},
		{dialect.SQLServer, "EXEC dbo.tidy", false, schema.MaybeUnseen},
		{dialect.SQLServer, "EXEC sp_help 'hives'", false, schema.NoneUnseen},
		{dialect.Oracle, "CREATE OR REPLACE PUBLIC SYNONYM swarms FOR bees.swarms", true, schema.NoneUnseen},
		{dialect.Oracle, "BEGIN EXECUTE IMMEDIATE 'CREATE TABLE swarms (id number)'; END;", true, schema.NoneUnseen},
		{dialect.MySQL, "CREATE PROCEDURE p() BEGIN CREATE TEMPORARY TABLE swarms AS SELECT 1 AS id; END", true, schema.NoneUnseen},
		{dialect.MySQL, "CALL tidy()", false, schema.MaybeUnseen},
	} {
		s := schema.New(nil)
		s.Load([]byte("CREATE TABLE hives (id int);\n"+c.script), c.dialect)
		assert.Equal(t, c.known, s.HasRelation("swarms"), c.script)
		assert.Equal(t, c.unseen, s.Unseen(), c.script)
	}
}

// TestTemplatesLeaveTablesOpen whatever is put in: there may be more columns than stand there.
func TestTemplatesLeaveTablesOpen(t *testing.T) {
	t.Parallel()
	for script, open := range map[string]bool{
		"CREATE TABLE hives (id int, {{ columns }})":                              true,
		"CREATE TABLE hives ({{ columns }})":                                      true,
		"CREATE TABLE hives (id int, {{ column }} int)":                           true,
		"CREATE TABLE hives (id int ${more} weight int)":                          true,
		"CREATE TABLE hives (id int {{ more }})":                                  true,
		"CREATE TABLE hives (id {{ type }}, weight ${type})":                      false,
		"CREATE TABLE hives (id int); ALTER TABLE hives ADD {{ columns }}":        true,
		"CREATE TABLE hives (id int); ALTER TABLE hives ADD COLUMN ${column} int": true,
		"CREATE TABLE hives (id int) {{ options }}":                               false,
		"CREATE VIEW hives AS SELECT 1 AS id, {{ columns }}":                      true,
	} {
		s := schema.New(nil)
		s.Load([]byte(script), dialect.Postgres)
		hives := s.Table("", "hives")
		if assert.NotNil(t, hives, script) {
			assert.Equal(t, open, !hives.Complete, script)
		}
	}
}
