package verisonus.core.evidence.signs;

/** Whether a thing is in a recording. */
public enum Presence {
    PRESENT,
    ABSENT,
    /** The recording cannot tell. */
    UNKNOWN
}
