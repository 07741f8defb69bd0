package main

import (
	"strings"
	"unicode/utf8"
)

// statement is one statement of a test file.
type statement struct{ path, text string }

// commands are the words with which a line of a test file begins that is no SQL.
var commands = words(`let eval if while source connect connection disconnect sleep real_sleep inc dec echo error
	sorted_result perl exec system die exit skip require write_file append_file remove_file remove_files_wildcard cat_file
	diff_files copy_file copy_files_wildcard mkdir rmdir chmod file_exists list_files list_files_write_file
	list_files_append_file send reap query_vertical query_horizontal vertical_results horizontal_results character_set ping
	shutdown_server sync_with_master save_master_pos sync_slave_with_master start_timer end_timer lowercase_result
	result_format evalp output send_quit change_user move_file force-rmdir force-cpdir dirty_close eval_result wait_for_slave_to_stop
	replace_result replace_regex replace_column replace_numeric_round send_eval query_get_value send_shutdown wait_longer_for_slave
	disable_query_log enable_query_log disable_result_log enable_result_log disable_warnings enable_warnings disable_info
	enable_info disable_metadata enable_metadata disable_ps_protocol enable_ps_protocol disable_reconnect enable_reconnect
	disable_abort_on_error enable_abort_on_error disable_rpl_parse enable_rpl_parse disable_testcase enable_testcase
	disable_parsing enable_parsing disable_connect_log enable_connect_log disable_session_track_info enable_session_track_info
	enable_prepare_warnings disable_prepare_warnings optimizer_trace disable_view_protocol enable_view_protocol
	disable_cursor_protocol enable_cursor_protocol disable_ps2_protocol enable_ps2_protocol disable_service_connection
	enable_service_connection query require_secure_transport sync_with_master master_pos_wait } {`)

func words(s string) map[string]bool {
	set := map[string]bool{}
	for w := range strings.FieldsSeq(s) {
		set[w] = true
	}
	return set
}

// testStatements gives the SQL of a test file. Left out is what its own
// language works out (variables, blocks), and what follows a change of
// sql_mode or character set, under which the server reads differently. fails
// tells of each statement whether the file says that the server refuses it.
func testStatements(src string) (out []string, fails []bool) {
	failing := false
	delimiter, pending := ";", ""
	parsing := true
	lines := strings.Split(src, "\n")
	for i := 0; i < len(lines); i++ {
		line := lines[i]
		trimmed := strings.TrimSpace(line)
		if pending == "" {
			if trimmed == "" || strings.HasPrefix(trimmed, "#") {
				continue
			}
			command := strings.TrimSpace(strings.TrimPrefix(trimmed, "--"))
			first := strings.ToLower(strings.TrimRight(firstWord(command), ";("))
			failing = failing || first == "error"
			switch {
			case first == "delimiter":
				named := strings.TrimSpace(command[len("delimiter"):])
				if d := strings.TrimSpace(strings.TrimSuffix(named, delimiter)); d != "" {
					named = d
				}
				if named != "" {
					delimiter = named
				}
				continue
			case first == "disable_parsing":
				parsing = false
				continue
			case first == "enable_parsing":
				parsing = true
				continue
			case first == "perl" || first == "write_file" || first == "append_file":
				for i++; i < len(lines) && strings.TrimSpace(lines[i]) != terminator(command); i++ {
				}
				continue
			case strings.HasPrefix(trimmed, "--"):
				continue
			case commands[first]:
				for !strings.Contains(line, delimiter) && i+1 < len(lines) && first != "}" && first != "{" && first != "if" && first != "while" {
					i++
					line = lines[i]
				}
				continue
			}
		}
		pending += line + "\n"
		for {
			end := endOf(pending, delimiter)
			if end < 0 {
				break
			}
			text := strings.TrimSpace(pending[:end])
			pending = strings.TrimLeft(pending[end+len(delimiter):], " \t\n")
			for strings.HasPrefix(pending, "#") {
				_, pending, _ = strings.Cut(pending, "\n")
			}
			if changesReading(text) {
				return out, fails
			}
			if text = strings.TrimLeft(text, "; \n"); parsing && isPlain(text) {
				out, fails = append(out, text), append(fails, failing)
			}
			failing = false
		}
	}
	return out, fails
}

// terminator gives the line that ends a block of perl or a written file.
func terminator(command string) string {
	fields := strings.Fields(strings.TrimSuffix(command, ";"))
	if last := fields[len(fields)-1]; len(fields) > 1 && strings.ToUpper(last) == last && !strings.ContainsAny(last, "/$.") {
		return last
	}
	return "EOF"
}

func firstWord(s string) string {
	if i := strings.IndexAny(s, " \t($;"); i >= 0 {
		return s[:i]
	}
	return s
}

// endOf finds the delimiter outside quotes and comments.
func endOf(s, delimiter string) int {
	for i := 0; i < len(s); i++ {
		switch c := s[i]; {
		case strings.HasPrefix(s[i:], delimiter):
			return i
		case c == '\'' || c == '"' || c == '`':
			i++
			for i < len(s) && s[i] != c {
				if s[i] == '\\' && c != '`' {
					i++
				}
				i++
			}
			if i >= len(s) {
				return -1
			}
		case c == '#' || strings.HasPrefix(s[i:], "-- "):
			for i < len(s) && s[i] != '\n' {
				i++
			}
		case strings.HasPrefix(s[i:], "/*") && !strings.HasPrefix(s[i:], "/*!"):
			end := strings.Index(s[i:], "*/")
			if end < 0 {
				return -1
			}
			i += end + 1
		}
	}
	return -1
}

// changesReading reports whether later statements are read by other rules.
func changesReading(text string) bool {
	lower := strings.ToLower(text)
	return strings.HasPrefix(lower, "set") && (strings.Contains(lower, "sql_mode") || strings.Contains(lower, "names ") ||
		strings.Contains(lower, "character"))
}

// isPlain reports whether a statement stands as it is: without variables of
// the test language, and valid text.
func isPlain(text string) bool {
	return text != "" && !strings.Contains(text, "$") && utf8.ValidString(text) && !strings.Contains(text, "\x00") && len(text) < 1<<20
}
