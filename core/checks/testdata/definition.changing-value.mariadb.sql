-- dialect: mariadb
-- checks: definition.changing-value
CREATE TABLE colonies (born date, CHECK (born <= CURDATE())); -- want "definition.changing-value"
CREATE TABLE colonies (born date CHECK (born <= CURRENT_DATE)); -- want "definition.changing-value"
CREATE TABLE colonies (born date, age integer GENERATED ALWAYS AS (DATEDIFF(NOW(), born)) STORED); -- want "definition.changing-value"
CREATE TABLE colonies (born date, age integer GENERATED ALWAYS AS (DATEDIFF(NOW(), born)) VIRTUAL);
CREATE TABLE colonies (born date DEFAULT CURRENT_DATE, seen timestamp DEFAULT CURRENT_TIMESTAMP ON UPDATE CURRENT_TIMESTAMP, CHECK (born > '2020-01-01'));
