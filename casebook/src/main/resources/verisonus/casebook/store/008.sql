-- What ears answered beside the blind trials: ratings and picks of a case, the player's own steps, training, a set-up walk's ticks.
CREATE TABLE listening (
    id INTEGER PRIMARY KEY,
    case_id INTEGER REFERENCES tone_case (id),
    kind TEXT NOT NULL CHECK (kind IN ('rating', 'picking', 'step', 'score', 'walk', 'feel')),
    document TEXT NOT NULL
);
CREATE INDEX listening_of_case ON listening (case_id, kind);
