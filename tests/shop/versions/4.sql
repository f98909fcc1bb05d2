-- A shop as version 4 of its file left it.
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
PRAGMA user_version = 4;
