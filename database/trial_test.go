package database_test

import (
	"testing"

	"github.com/stretchr/testify/require"

	"justlens/database"
)

func TestTrial(t *testing.T) {
	trial, err := database.NewTrial(t.Context(), "CREATE TABLE hives (hive_id integer, name text); INSERT INTO hives VALUES (1, 'Ash'), (2, NULL)")
	require.NoError(t, err)
	rows, err := trial.Rows(t.Context(), "SELECT hive_id, name FROM hives ORDER BY hive_id")
	require.NoError(t, err)
	require.Equal(t, [][]string{{"1", "Ash"}, {"2", "NULL"}}, rows)
	_, err = trial.Rows(t.Context(), "SELECT nothing FROM hives")
	require.Error(t, err)
	require.NoError(t, trial.Close())
	_, err = database.NewTrial(t.Context(), "CREATE TABLE")
	require.Error(t, err)
}
