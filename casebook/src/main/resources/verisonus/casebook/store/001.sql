-- Sound by content: stored once, never changed, so that undo needs no copy of it.
CREATE TABLE recording (
    hash TEXT PRIMARY KEY,
    file_name TEXT NOT NULL,
    rate_hz INTEGER NOT NULL CHECK (rate_hz > 0),
    channels INTEGER NOT NULL CHECK (channels IN (1, 2)),
    frames INTEGER NOT NULL CHECK (frames > 0),
    bytes BLOB NOT NULL
);
CREATE TABLE tone_case (
    id INTEGER PRIMARY KEY,
    name TEXT NOT NULL CHECK (length(name) > 0),
    artist TEXT NOT NULL,
    note TEXT NOT NULL,
    position INTEGER NOT NULL
);
CREATE TABLE medium (
    id INTEGER PRIMARY KEY,
    case_id INTEGER NOT NULL REFERENCES tone_case (id),
    role TEXT NOT NULL CHECK (role IN ('reference', 'di', 'backing')),
    title TEXT NOT NULL,
    hash TEXT NOT NULL REFERENCES recording (hash),
    position INTEGER NOT NULL
);
CREATE INDEX medium_of_case ON medium (case_id);
CREATE TABLE region (
    id INTEGER PRIMARY KEY,
    medium_id INTEGER NOT NULL REFERENCES medium (id),
    role TEXT NOT NULL,
    from_s REAL NOT NULL CHECK (from_s >= 0),
    to_s REAL NOT NULL CHECK (to_s > from_s)
);
CREATE INDEX region_of_medium ON region (medium_id);
CREATE TABLE evidence (
    id INTEGER PRIMARY KEY,
    region_id INTEGER NOT NULL UNIQUE REFERENCES region (id),
    findings TEXT NOT NULL,
    document TEXT NOT NULL
);
CREATE TABLE tone (
    id INTEGER PRIMARY KEY,
    case_id INTEGER NOT NULL UNIQUE REFERENCES tone_case (id),
    derived TEXT NOT NULL
);
CREATE TABLE rig (
    id INTEGER PRIMARY KEY,
    document TEXT NOT NULL
);
CREATE TABLE logbook (
    id INTEGER PRIMARY KEY AUTOINCREMENT,
    at TEXT NOT NULL,
    text TEXT NOT NULL,
    case_id INTEGER,
    state TEXT NOT NULL CHECK (state IN ('done', 'undone', 'dropped'))
);
-- What a change did to each row: its values before and after, NULL where the row was not there.
CREATE TABLE logbook_row (
    logbook_id INTEGER NOT NULL REFERENCES logbook (id),
    ordinal INTEGER NOT NULL,
    table_name TEXT NOT NULL,
    row_id INTEGER NOT NULL,
    before TEXT,
    after TEXT,
    PRIMARY KEY (logbook_id, ordinal)
);
