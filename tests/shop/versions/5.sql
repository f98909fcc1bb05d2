-- A shop as version 5 of its file left it.
CREATE TABLE blanks (id INTEGER PRIMARY KEY, name TEXT NOT NULL UNIQUE COLLATE NOCASE, blank TEXT NOT NULL, capacity_ml REAL, notes TEXT NOT NULL DEFAULT '');
CREATE TABLE measurements (id INTEGER PRIMARY KEY, blank INTEGER NOT NULL REFERENCES blanks ON DELETE CASCADE, taken TEXT NOT NULL, stage TEXT NOT NULL, at_mm REAL NOT NULL, around_mm REAL NOT NULL, thickness_mm REAL NOT NULL, resin REAL NOT NULL, fine REAL NOT NULL, medium REAL NOT NULL, chunky REAL NOT NULL, paint REAL NOT NULL);
INSERT INTO blanks (name, blank, capacity_ml, notes) VALUES ('Old', '{"name":"Old","stations":[{"at":0,"around":240},{"at":200}]}', 600, 'kept');
INSERT INTO measurements VALUES (1, 1, '2026-01-02', 'resin', 200, 243, 0.4, 0.9, 0, 0, 0, 0);
ALTER TABLE blanks ADD COLUMN photo BLOB;
UPDATE blanks SET photo = x'010203';
CREATE TABLE rates (name TEXT PRIMARY KEY, value REAL NOT NULL);
INSERT INTO rates VALUES ('glitter_g_per_cm2', 0.031), ('paint_ml_per_cm2', 0.02), ('minutes_per_colour', 21);
CREATE TABLE shapes (id INTEGER PRIMARY KEY, name TEXT NOT NULL UNIQUE COLLATE NOCASE, artwork TEXT NOT NULL);
INSERT INTO shapes (name, artwork) VALUES ('dome', '{"name":"dome","kind":"drawing","areas":[{"colour":"#112233","outlines":"M0 0 L10 0 L10 10 Z"}]}');
CREATE TABLE films (id INTEGER PRIMARY KEY, name TEXT NOT NULL UNIQUE COLLATE NOCASE, kind TEXT NOT NULL, colour TEXT NOT NULL, keeps_direction INTEGER NOT NULL, face_down INTEGER NOT NULL, price_per_m2 REAL NOT NULL, notes TEXT NOT NULL);
CREATE TABLE film_stock (id INTEGER PRIMARY KEY, film INTEGER NOT NULL REFERENCES films ON DELETE CASCADE, shape TEXT NOT NULL, wide_mm REAL NOT NULL, tall_mm REAL NOT NULL, count INTEGER NOT NULL, outline TEXT NOT NULL, name TEXT NOT NULL, place TEXT NOT NULL);
CREATE TABLE cutter (name TEXT PRIMARY KEY, value REAL NOT NULL);
INSERT INTO films (id, name, kind, colour, keeps_direction, face_down, price_per_m2, notes) VALUES (3, 'Gold', 'permanent_film', '#E8B64A', 1, 0, 9.5, 'old');
INSERT INTO film_stock (film, shape, wide_mm, tall_mm, count, outline, name, place) VALUES (3, 'roll', 300, 4000, 1, '', '', 'drawer');
INSERT INTO cutter VALUES ('passes', 2);
PRAGMA user_version = 5;
