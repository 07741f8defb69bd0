-- dialect: mariadb
-- checks: definition.key-length
CREATE TABLE colonies (code text PRIMARY KEY); -- want "definition.key-length"
CREATE TABLE colonies (code longtext, hue varchar(9), PRIMARY KEY (hue, code)); -- want "definition.key-length"
CREATE TABLE colonies (code text, PRIMARY KEY (code(30)));
CREATE TABLE colonies (code text, UNIQUE (code));
CREATE TABLE colonies (code varchar(30) PRIMARY KEY, remark text, FULLTEXT KEY (remark));
