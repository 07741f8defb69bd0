-- dialect: mysql
-- checks: definition.key-length
CREATE TABLE colonies (code integer PRIMARY KEY, remark text UNIQUE); -- want "definition.key-length"
CREATE TABLE colonies (code integer PRIMARY KEY, remark blob, KEY (remark)); -- want "definition.key-length"
CREATE TABLE colonies (code integer PRIMARY KEY, remark text, KEY (remark(20)), KEY ((LOWER(remark))));
CREATE TABLE colonies (code integer PRIMARY KEY, remark text, FULLTEXT KEY (remark));
