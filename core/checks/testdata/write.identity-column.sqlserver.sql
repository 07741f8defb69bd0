-- dialect: sqlserver, possible
-- checks: write.identity-column
CREATE TABLE boxes (box_id int IDENTITY NOT NULL, label varchar(20));
INSERT INTO boxes (box_id, label) VALUES (7, 'b'); -- want "write.identity-column"
INSERT INTO boxes VALUES ('b');
INSERT INTO boxes (label) VALUES ('b');
UPDATE boxes SET box_id = 8 WHERE label = 'b'; -- want "write.identity-column"
UPDATE boxes SET label = 'c' WHERE box_id = 8;
SET IDENTITY_INSERT dbo.boxes ON;
INSERT INTO boxes (box_id, label) VALUES (7, 'b');
SET IDENTITY_INSERT dbo.boxes OFF;
INSERT INTO boxes (box_id, label) VALUES (8, 'b'); -- want "write.identity-column"
