package verisonus.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.SplittableRandom;
import verisonus.core.rig.Block;
import verisonus.core.rig.Branch;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.Gear;
import verisonus.core.rig.Model;
import verisonus.core.rig.Routing;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Voice;
import verisonus.core.simulate.Chain;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.sound.codec.SoundWriter;

/**
 * How many times faster than real time a chain runs on one core, and what each block takes; with "hour" also that memory does
 * not grow over an hour of sound. Where the machine has a general command-line audio tool, a chain of like parts runs beside it.
 */
public final class ChainSpeed {
    private static final double SECONDS = 20;

    private ChainSpeed() {}

    /** Everything on: mono in, stereo out. */
    public static Tone full() {
        List<Block> blocks = List.of(Block.of("instrument input").with(ControlNames.IMPEDANCE, 500),
                Block.of("noise gate").with(ControlNames.DEPTH, 40),
                Block.of("soft-knee compressor").with(ControlNames.RATIO, 3),
                Block.of("mid-hump overdrive"), Block.of("mid-forward crunch").with(ControlNames.PRESENCE, 7),
                Block.of("4×12 closed"), Block.of("dynamic microphone"),
                Block.of("parametric equalizer").with(ControlNames.LOW_SHELF, -2).with(ControlNames.peak(1), 3)
                        .with(ControlNames.peak(2), -2)
                        .with(ControlNames.HIGH_SHELF, 1),
                Block.of("wide chorus"), Block.of("tape-like echo").with(ControlNames.MIX, 30),
                Block.of("plate").with(ControlNames.MIX, 20));
        return new Tone("full", blocks);
    }

    /** With two amps, two microphones and a space beside. */
    private static Tone two() {
        List<Block> blocks = List.of(Block.of("mid-hump overdrive"), Block.of("mid-forward crunch"),
                Block.of("4×12 closed"), Block.of("dynamic microphone"), Block.of("chiming edge").named("amp 2"),
                Block.of("2×12 open").named("cabinet 2"), Block.of("ribbon microphone").named("microphone 2"),
                Block.of("plain hall").with(ControlNames.MIX, 100).with(ControlNames.DRY, 1));
        return new Tone("two amps", blocks, new Routing(List.of(), List.of(
                new Branch("second amp", "drive", Branch.OUTPUT, List.of("amp 2", "cabinet 2", "microphone 2"), -3, 40,
                        false),
                new Branch("space", "microphone", Branch.OUTPUT, List.of("reverb"), -6, 0, false))));
    }

    public static void main(String[] args) throws IOException, InterruptedException {
        float[] in = guitarLike((int) (SECONDS * Sound.WORKING_RATE_HZ));
        System.out.printf(Locale.ROOT, "%-28s %10s%n", "chain", "× real time");
        for (Quality q : Quality.values()) {
            System.out.printf(Locale.ROOT, "%-28s %10.1f%n", "everything on, " + q.name().toLowerCase(Locale.ROOT),
                    speed(full(), q, in));
        }
        System.out.printf(Locale.ROOT, "%-28s %10.1f%n", "two amps, final", speed(two(), Quality.FINAL, in));
        System.out.printf(Locale.ROOT, "%nshare of one core by block, final quality, %%%n");
        for (Model m : Gear.MODELS) {
            if (m.voice() == Voice.Utility.DOUBLER || m.voice() == Voice.Cabinet.IMPULSE_RESPONSE) continue;
            Block b = m.find(ControlNames.MIX).isPresent()
                    ? Block.of(m.name()).with(ControlNames.MIX, 40)
                    : Block.of(m.name());
            System.out.printf(Locale.ROOT, "  %-26s %6.2f%n", m.name(),
                    100 / speed(new Tone("t", List.of(b)), Quality.FINAL, in));
        }
        if (List.of(args).contains("hour")) hour(in);
        beside(in);
    }

    private static float[] guitarLike(int n) {
        SplittableRandom random = new SplittableRandom(1);
        float[] x = new float[n];
        double level = 0;
        double phase = 0;
        double hz = 110;
        for (int i = 0; i < n; i++) {
            if (i % 12000 == 0) {
                level = 0.3;
                hz = 82 * Math.pow(2, random.nextInt(24) / 12.0);
            }
            level *= 0.99997;
            phase += 2 * Math.PI * hz / Sound.WORKING_RATE_HZ;
            x[i] = (float) (level * (Math.sin(phase) + 0.5 * Math.sin(2 * phase) + 0.3 * Math.sin(3 * phase)));
        }
        return x;
    }

    /** Best of three after a warm-up. */
    private static double speed(Tone tone, Quality quality, float[] in) {
        double best = 0;
        for (int run = 0; run < 4; run++) {
            Chain chain = new Chain(tone, quality);
            float[][] block = new float[2][Chain.BLOCK];
            long from = System.nanoTime();
            for (int at = 0; at < in.length; at += Chain.BLOCK) {
                int n = Math.min(Chain.BLOCK, in.length - at);
                System.arraycopy(in, at, block[0], 0, n);
                chain.process(block, n);
            }
            double seconds = (System.nanoTime() - from) / 1e9;
            if (run > 0) best = Math.max(best, in.length / (double) Sound.WORKING_RATE_HZ / seconds);
        }
        return best;
    }

    private static void hour(float[] in) {
        Chain chain = new Chain(full(), Quality.FINAL);
        float[][] block = new float[2][Chain.BLOCK];
        Runtime r = Runtime.getRuntime();
        System.out.println("\nheap after collection, MB, over an hour of sound");
        for (int minute = 0; minute <= 60; minute++) {
            if (minute % 15 == 0) {
                System.gc();
                System.out.printf("  minute %2d: %d%n", minute, (r.totalMemory() - r.freeMemory()) >> 20);
            }
            for (int at = 0; at < 60 * Sound.WORKING_RATE_HZ; at += Chain.BLOCK) {
                System.arraycopy(in, at % (in.length - Chain.BLOCK), block[0], 0, Chain.BLOCK);
                chain.process(block, Chain.BLOCK);
            }
        }
    }

    /** A chain of like parts in a general audio tool, where there is one: whole process, file to file. */
    private static void beside(float[] in) throws IOException, InterruptedException {
        Path dir = Files.createTempDirectory("chain-speed");
        Path wav = dir.resolve("in.wav");
        Files.write(wav, SoundWriter.encode(Sound.mono(in, Sound.WORKING_RATE_HZ), SoundWriter.Format.WAV_24));
        List<String> command = List.of("sox", wav.toString(), dir.resolve("out.wav").toString(), "compand", "0.01,0.1",
                "-60,-60,-20,-14,0,-6", "overdrive", "20", "20", "bass", "-2", "treble", "1", "equalizer", "800", "1q",
                "3", "chorus", "0.7", "0.9", "25", "0.4", "0.5", "2", "-t", "echo", "0.8", "0.88", "350", "0.3",
                "reverb", "40");
        try {
            long from = System.nanoTime();
            int status = new ProcessBuilder(command).redirectErrorStream(true)
                    .redirectOutput(ProcessBuilder.Redirect.DISCARD).start().waitFor();
            System.out.printf(Locale.ROOT, "%na chain of like effects in a general audio tool, no oversampling, no"
                    + " convolution, file to file (status %d): %.1f × real time%n", status,
                    SECONDS / ((System.nanoTime() - from) / 1e9));
        } catch (IOException _) {
            System.out.println("\nno general audio tool on this machine to run beside");
        }
    }
}
