package verisonus.casebook.store;

import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.sql.SQLException;
import java.util.HexFormat;
import java.util.List;
import verisonus.core.sound.Sound;
import verisonus.core.sound.SoundReader;
import verisonus.core.work.InputFault;

/** Recordings by the SHA-256 of their file: each is stored once, as it came. */
final class SoundStore {
    private final Sql sql;

    SoundStore(Sql sql) {
        this.sql = sql;
    }

    /** Reads and keeps a file's bytes. @return its hash */
    String add(String fileName, byte[] bytes) throws SQLException {
        Sound sound = SoundReader.decode(fileName, bytes).sound();
        String hash = hash(bytes);
        sql.run("INSERT OR IGNORE INTO recording (hash, file_name, rate_hz, channels, frames, bytes)"
                + " VALUES (?, ?, ?, ?, ?, ?)", hash, fileName, sound.rateHz(), sound.channels().length,
                sound.frames(), bytes);
        return hash;
    }

    Sound sound(String hash) throws SQLException {
        record Stored(String name, byte[] bytes) {}
        List<Stored> found = sql.list("SELECT file_name, bytes FROM recording WHERE hash = ?",
                r -> new Stored(r.getString(1), r.getBytes(2)), hash);
        if (found.isEmpty()) throw new InputFault(hash, "the casebook holds no such recording", "add it again");
        return SoundReader.decode(found.get(0).name(), found.get(0).bytes()).sound();
    }

    private static String hash(byte[] bytes) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}
