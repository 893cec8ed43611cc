package verisonus.core.sound.codec;

import java.util.Arrays;
import net.sourceforge.javaflacencoder.FLACOutputStream;

/** A file in memory: the FLAC encoder goes back to its start to enter length and checksum. */
final class SeekableBytes implements FLACOutputStream {
    private byte[] data = new byte[1 << 16];
    private int at;
    private int size;

    @Override
    public long seek(long position) {
        at = (int) position;
        return at;
    }

    @Override
    public int write(byte[] bytes, int offset, int count) {
        if (at + count > data.length) data = Arrays.copyOf(data, Math.max(at + count, 2 * data.length));
        System.arraycopy(bytes, offset, data, at, count);
        at += count;
        size = Math.max(size, at);
        return count;
    }

    @Override
    public void write(byte value) {
        write(new byte[]{value}, 0, 1);
    }

    @Override
    public long size() {
        return size;
    }

    @Override
    public boolean canSeek() {
        return true;
    }

    @Override
    public long getPos() { return at; }

    byte[] toByteArray() {
        return Arrays.copyOf(data, size);
    }
}
