-- Blind trials with their sealed order; answers are written as they are given and are no change that could be undone.
CREATE TABLE blind_trial (
    id INTEGER PRIMARY KEY,
    case_id INTEGER NOT NULL REFERENCES tone_case (id),
    document TEXT NOT NULL
);
CREATE INDEX blind_trial_of_case ON blind_trial (case_id);
