package verisonus.cli.files;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.SplittableRandom;
import verisonus.core.sound.Sound;
import verisonus.core.sound.codec.SoundWriter;

/** A folder in which a test of commands keeps its files. */
public record CommandFolder(Path dir) {
    public String at(String name) {
        return dir.resolve(name).toString();
    }

    public String write(String name, String text) throws IOException {
        Files.writeString(dir.resolve(name), text);
        return at(name);
    }

    /** Three seconds of decaying notes, other ones for another seed. */
    public String notes(String name, long seed) throws IOException {
        Files.write(dir.resolve(name), SoundWriter.encode(notes(seed), SoundWriter.Format.WAV_24));
        return at(name);
    }

    public static Sound notes(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        float[] x = new float[3 * 48000];
        for (int from = 2400; from < x.length; from += 11000 + random.nextInt(6000)) {
            double hz = 110 * Math.pow(2, random.nextInt(20) / 12.0);
            double hard = 0.05 + 0.3 * random.nextDouble();
            for (int i = from; i < Math.min(x.length, from + 14400); i++) {
                double t = (i - from) / 48000.0;
                for (int h = 1; h < 9; h++)
                    x[i] += (float) (hard / h * Math.exp(-4 * t) * Math.sin(2 * Math.PI * hz * h * t));
            }
        }
        return Sound.mono(x, 48000);
    }
}
