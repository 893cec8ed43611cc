-- The player's own playback systems, and what was found out about a tone on a system.
CREATE TABLE playback_system (
    id INTEGER PRIMARY KEY,
    name TEXT NOT NULL UNIQUE CHECK (length(name) > 0),
    document TEXT NOT NULL
);
-- A trim belongs to the tone it was solved for; its own systems are in the document.
CREATE TABLE trim (
    id INTEGER PRIMARY KEY,
    case_id INTEGER NOT NULL REFERENCES tone_case (id),
    system TEXT NOT NULL,
    document TEXT NOT NULL,
    UNIQUE (case_id, system)
);
CREATE TABLE travel_note (
    id INTEGER PRIMARY KEY,
    case_id INTEGER NOT NULL REFERENCES tone_case (id),
    system TEXT NOT NULL,
    text TEXT NOT NULL,
    UNIQUE (case_id, system)
);
-- Words that the player puts beside a moment of the logbook.
CREATE TABLE moment_note (
    id INTEGER PRIMARY KEY,
    logbook_id INTEGER NOT NULL UNIQUE REFERENCES logbook (id),
    text TEXT NOT NULL
);
