-- What the player says of findings and of gear, and the words used for sounds.
CREATE TABLE verdict (
    id INTEGER PRIMARY KEY,
    region_id INTEGER NOT NULL REFERENCES region (id),
    topic TEXT NOT NULL,
    state TEXT NOT NULL CHECK (state IN ('accepted', 'corrected', 'set aside')),
    figure REAL,
    UNIQUE (region_id, topic)
);
CREATE TABLE claim (
    id INTEGER PRIMARY KEY,
    case_id INTEGER NOT NULL REFERENCES tone_case (id),
    says TEXT NOT NULL,
    source TEXT NOT NULL,
    certainty TEXT NOT NULL
);
CREATE INDEX claim_of_case ON claim (case_id);
CREATE TABLE vocabulary (
    id INTEGER PRIMARY KEY,
    document TEXT NOT NULL
);
-- How a recording runs, for the eye; made once and kept.
CREATE TABLE course (
    hash TEXT PRIMARY KEY REFERENCES recording (hash),
    document TEXT NOT NULL
);
