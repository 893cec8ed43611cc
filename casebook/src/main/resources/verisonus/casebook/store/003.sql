CREATE TABLE player_profile (
    id INTEGER PRIMARY KEY,
    document TEXT NOT NULL
);
