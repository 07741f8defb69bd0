-- dialect: sqlite
-- checks: write.added-column
ALTER TABLE hives ADD COLUMN wood text NOT NULL; -- want "write.added-column"
ALTER TABLE main.hives ADD wood text UNIQUE; -- want "write.added-column"
alter table hives add column seal integer primary key; -- want "write.added-column"
ALTER TABLE hives ADD wood text NOT NULL UNIQUE; -- want "write.added-column"
ALTER TABLE hives ADD COLUMN seen text DEFAULT (datetime('now')); -- want "write.added-column"
ALTER TABLE hives ADD COLUMN twice integer AS (frame_count * 2) STORED; -- want "write.added-column"
ALTER TABLE hives ADD COLUMN wood text NOT NULL DEFAULT NULL; -- want "write.added-column"
ALTER TABLE hives ADD COLUMN weight integer NOT NULL DEFAULT -1;
ALTER TABLE hives ADD COLUMN weight integer NOT NULL DEFAULT (0);
ALTER TABLE hives ADD COLUMN wood text DEFAULT pine;
ALTER TABLE hives ADD COLUMN twice integer NOT NULL AS (frame_count * 2);
