package verisonus.desktop.desk;

/** How far a bench has come for a case. */
public enum Standing {
    UNTOUCHED,
    BEGUN,
    DONE
}
