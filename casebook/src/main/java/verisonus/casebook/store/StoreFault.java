package verisonus.casebook.store;

import java.sql.SQLException;
import org.sqlite.SQLiteErrorCode;
import org.sqlite.SQLiteException;
import verisonus.core.work.InputFault;
import verisonus.core.work.OutputFault;

/** The casebook file failed in a way that has no name of its own. */
public final class StoreFault extends RuntimeException {
    private static final long serialVersionUID = 1L;

    private StoreFault(String file, SQLException cause) {
        super(file + ": the casebook could not be read or written (" + cause.getMessage()
                + "); check the disk, and that no other program holds the file", cause);
    }

    /** What a failure of the database is for the player: a damaged file, a full disk, a lock, a disk that may not be written. */
    static RuntimeException of(String file, SQLException cause) {
        int code = cause instanceof SQLiteException s ? s.getResultCode().code & 0xFF : cause.getErrorCode() & 0xFF;
        if (code == SQLiteErrorCode.SQLITE_FULL.code)
            return new OutputFault(file, "the disk is full; nothing of this change was kept",
                    "make room, then do it again");
        if (code == SQLiteErrorCode.SQLITE_BUSY.code || code == SQLiteErrorCode.SQLITE_LOCKED.code)
            return new OutputFault(file, "it is held by " + BookLock.holder(java.nio.file.Path.of(file)),
                    "close it there, then do it again");
        if (code == SQLiteErrorCode.SQLITE_READONLY.code || code == SQLiteErrorCode.SQLITE_PERM.code
                || code == SQLiteErrorCode.SQLITE_CANTOPEN.code)
            return new OutputFault(file, "it may not be written", "copy it to a folder that can be written");
        boolean shortRead = cause instanceof SQLiteException s
                && s.getResultCode() == SQLiteErrorCode.SQLITE_IOERR_SHORT_READ;
        if (code == SQLiteErrorCode.SQLITE_IOERR.code && !shortRead)
            return new OutputFault(file, "the disk does not answer", "check the drive and its cable");
        boolean damaged = shortRead || code == SQLiteErrorCode.SQLITE_CORRUPT.code
                || code == SQLiteErrorCode.SQLITE_NOTADB.code || code == SQLiteErrorCode.SQLITE_FORMAT.code
                || code == SQLiteErrorCode.SQLITE_ERROR.code || code == SQLiteErrorCode.SQLITE_TOOBIG.code;
        return damaged
                ? new InputFault(file, "the casebook is damaged", "open a copy from before it was damaged", cause)
                : new StoreFault(file, cause);
    }
}
