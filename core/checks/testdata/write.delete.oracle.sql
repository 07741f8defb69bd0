-- dialect: oracle
DELETE hives WHERE frame_count = 0;
DELETE hives h WHERE h.frame_count = 0;
DELETE hives h WHERE h.frame_cout = 0; -- want "name.unknown-column"
INSERT buyers (buyer_id, name) VALUES (901, 'Ash'); -- want "syntax.unreadable"
