-- dialect: sqlserver
-- checks: write.value-count
INSERT INTO buyers VALUES (91, 'Ash'); -- want "write.value-count"
CREATE TABLE swarms (swarm_id int IDENTITY, place nvarchar(9));
INSERT INTO swarms VALUES (N'Oak');
CREATE TABLE swarm_times (place nvarchar(9), s datetime2 GENERATED ALWAYS AS ROW START HIDDEN, e datetime2 GENERATED ALWAYS AS ROW END HIDDEN, PERIOD FOR SYSTEM_TIME (s, e));
INSERT INTO swarm_times VALUES (N'Oak');
