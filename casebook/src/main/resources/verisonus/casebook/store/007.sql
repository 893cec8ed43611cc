-- How a tone is played tonight: its variants, what follows the beat, what is under a foot, the song's sections; a document each.
CREATE TABLE performance (
    id INTEGER PRIMARY KEY,
    case_id INTEGER NOT NULL REFERENCES tone_case (id),
    kind TEXT NOT NULL CHECK (kind IN ('variant', 'tempo', 'pedal', 'song')),
    name TEXT NOT NULL,
    document TEXT NOT NULL,
    UNIQUE (case_id, kind, name)
);
