-- dialect: mysql
CREATE TABLE `visits` (`visit_id` int NOT NULL, `order` int, `Weather` varchar(10), `first day` date, PRIMARY KEY (`visit_id`)); -- want "name.needs-quoting" "name.needs-quoting"
