-- dialect: sqlite
-- checks: name.unknown-column
SELECT hives FROM hives; -- want "name.unknown-column"
SELECT h FROM hives AS h; -- want "name.unknown-column"
SELECT told FROM (SELECT name FROM hives) AS told; -- want "name.unknown-column"
CREATE VIRTUAL TABLE notes USING fts5(remark);
SELECT remark FROM notes WHERE notes MATCH 'queen';
