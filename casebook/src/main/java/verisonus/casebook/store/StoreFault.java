package verisonus.casebook.store;

import java.sql.SQLException;

/** The casebook file failed under a change that was right: a full disk, a lost drive, another program's lock. */
public final class StoreFault extends RuntimeException {
    private static final long serialVersionUID = 1L;

    StoreFault(String file, SQLException cause) {
        super(file + ": the casebook could not be read or written (" + cause.getMessage()
                + "); check the disk, and that no other program holds the file", cause);
    }
}
