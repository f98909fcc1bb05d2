-- A shop as version 1 of its file left it.
CREATE TABLE blanks (id INTEGER PRIMARY KEY, name TEXT NOT NULL UNIQUE COLLATE NOCASE, blank TEXT NOT NULL, capacity_ml REAL, notes TEXT NOT NULL DEFAULT '');
CREATE TABLE measurements (id INTEGER PRIMARY KEY, blank INTEGER NOT NULL REFERENCES blanks ON DELETE CASCADE, taken TEXT NOT NULL, stage TEXT NOT NULL, at_mm REAL NOT NULL, around_mm REAL NOT NULL, thickness_mm REAL NOT NULL, resin REAL NOT NULL, fine REAL NOT NULL, medium REAL NOT NULL, chunky REAL NOT NULL, paint REAL NOT NULL);
INSERT INTO blanks (name, blank, capacity_ml, notes) VALUES ('Old', '{"name":"Old","stations":[{"at":0,"around":240},{"at":200}]}', 600, 'kept');
INSERT INTO measurements VALUES (1, 1, '2026-01-02', 'resin', 200, 243, 0.4, 0.9, 0, 0, 0, 0);
PRAGMA user_version = 1;
