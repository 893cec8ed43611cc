package verisonus.casebook.store;

import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.sql.SQLException;
import java.util.HexFormat;
import java.util.List;
import verisonus.core.sound.Sound;
import verisonus.core.sound.codec.SoundReader;
import verisonus.core.work.InputFault;

/** Recordings by the SHA-256 of their file: each is stored once, as it came. */
final class SoundStore {
    private final Sql sql;

    SoundStore(Sql sql) {
        this.sql = sql;
    }

    /** A file that holds sound, with what is kept of it beside its bytes; made without the database. */
    record Recording(String fileName, byte[] bytes, String hash, int rateHz, int channels, int frames) {
        static Recording of(String fileName, byte[] bytes) {
            Sound sound = SoundReader.decode(fileName, bytes).sound();
            return new Recording(fileName, bytes, SoundStore.hash(bytes), sound.rateHz(), sound.channels().length,
                    sound.frames());
        }
    }

    /** A file as it is kept; decoding takes its time and needs no database. */
    record Stored(String name, byte[] bytes) {
        Sound decoded() {
            return SoundReader.decode(name, bytes).sound();
        }
    }

    void add(Recording r) throws SQLException {
        sql.run("INSERT OR IGNORE INTO recording (hash, file_name, rate_hz, channels, frames, bytes)"
                + " VALUES (?, ?, ?, ?, ?, ?)", r.hash, r.fileName, r.rateHz, r.channels, r.frames, r.bytes);
    }

    Stored stored(String hash) throws SQLException {
        List<Stored> found = sql.list("SELECT file_name, bytes FROM recording WHERE hash = ?",
                r -> new Stored(Sql.text(r, 1), r.getBytes(2)), hash);
        if (found.isEmpty()) throw new InputFault(hash, "the casebook holds no such recording", "add it again");
        return found.get(0);
    }

    private static String hash(byte[] bytes) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}
