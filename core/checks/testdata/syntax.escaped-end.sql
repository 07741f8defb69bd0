-- dialect: postgres
INSERT INTO buyers (buyer_id, name) VALUES (900, E'Linden\''), (901, 'Ash'), (902, 'C:\');
INSERT INTO buyers (buyer_id, name) VALUES (903, 'It is ''Linden\'' that is meant');
INSERT INTO buyers (buyer_id, name) VALUES (902, 'Linden\''), (903, 'Ash'); -- want "syntax.unreadable"
