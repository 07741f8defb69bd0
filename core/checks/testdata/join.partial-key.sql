-- dialect: postgres
-- checks: join.partial-key
CREATE TABLE frames (hive_id integer NOT NULL, frame_no integer NOT NULL, wax varchar(10), PRIMARY KEY (hive_id, frame_no));
CREATE TABLE cells (cell_id integer PRIMARY KEY, hive_id integer, frame_no integer, FOREIGN KEY (hive_id, frame_no) REFERENCES frames (hive_id, frame_no));
SELECT c.cell_id, f.wax FROM frames f, cells c WHERE c.hive_id = f.hive_id; -- want "join.partial-key"
SELECT c.cell_id, f.wax FROM cells c LEFT JOIN frames f ON c.frame_no = f.frame_no AND f.wax = 'white'; -- want "join.partial-key"
SELECT c.cell_id, f.wax FROM cells c JOIN frames f ON f.hive_id = c.hive_id WHERE f.frame_no = c.frame_no;
SELECT c.cell_id, f.wax FROM cells c JOIN frames f USING (hive_id, frame_no);
SELECT c.cell_id, f.wax FROM cells c JOIN frames f ON f.hive_id = c.hive_id AND f.frame_no > c.frame_no;
SELECT c.cell_id, f.wax FROM cells c JOIN frames f ON f.wax = 'white';
