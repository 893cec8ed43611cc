package verisonus.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.Gear;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Model;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Voice;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Biquad;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;
import verisonus.demo.Takes;

/**
 * A reference made with the simulated gear at random settings, and the take it was made from. Positions, distances and presence lie
 * between those the search tries, and eight random peaks (up to 1.5 dB, 100 Hz to 7 kHz) are laid over it, so that its curve is in
 * no dictionary.
 */
public record KnownTone(Tone tone, Sound di, Sound reference) {
    private static final double LENGTH_S = 10;

    static KnownTone of(long seed) {
        SplittableRandom r = new SplittableRandom(seed * 48271);
        Takes.Style style = Takes.Style.values()[r.nextInt(Takes.Style.values().length)];
        return of(seed, take(style, seed), r);
    }

    /** A random tone played from this take. */
    static KnownTone of(long seed, Sound di, SplittableRandom r) {
        List<Block> blocks = new ArrayList<>();
        if (r.nextInt(4) == 0) {
            blocks.add(Block.of("soft-knee compressor").with(ControlNames.THRESHOLD, -40 + 20 * r.nextDouble())
                    .with(ControlNames.RATIO, 2 + 4 * r.nextDouble()).with(ControlNames.LEVEL, 8 * r.nextDouble()));
        }
        if (r.nextBoolean()) {
            blocks.add(Block.of(any(GearKind.DRIVE, r).name()).with(ControlNames.DRIVE, 1 + 8 * r.nextDouble())
                    .with(ControlNames.TONE, 2 + 6 * r.nextDouble()).with(ControlNames.LEVEL, 3 + 5 * r.nextDouble()));
        }
        Block amp = Block.of(any(GearKind.AMP, r).name()).with(ControlNames.GAIN, 1 + 8 * r.nextDouble())
                .with(ControlNames.MASTER, 2 + 6 * r.nextDouble()).with(ControlNames.SAG, 1 + 5 * r.nextDouble())
                .with(ControlNames.PRESENCE, 10 * r.nextDouble());
        for (String knob : List.of("bass", "mid", "treble")) amp = amp.with(knob, 1 + 8 * r.nextDouble());
        blocks.add(amp);
        blocks.add(Block.of(cabinet(r).name()));
        blocks.add(Block.of(any(GearKind.MICROPHONE, r).name()).with(ControlNames.POSITION, 100 * r.nextDouble())
                .with(ControlNames.DISTANCE, 2 * Math.pow(15, r.nextDouble())));
        if (r.nextInt(3) == 0) {
            blocks.add(Block.of("clean echo").with(ControlNames.TIME, 120 * Math.pow(5, r.nextDouble()))
                    .with(ControlNames.FEEDBACK, 45 * r.nextDouble()).with(ControlNames.MIX, 12 + 20 * r.nextDouble()));
        }
        Tone tone = new Tone("known", blocks);
        float[] x = Renderer.render(tone, di, Quality.FINAL, Progress.NONE).mid().clone();
        for (int i = 0; i < 8; i++) {
            double hz = 100 * Math.pow(70, r.nextDouble());
            OtherChain.filter(x,
                    Biquad.peak(hz, 3 * r.nextDouble() - 1.5, 1 + 2 * r.nextDouble(), Sound.WORKING_RATE_HZ));
        }
        return new KnownTone(tone, di, levelled(x));
    }

    /** A take at the level of a guitar plugged straight in. */
    static Sound take(Takes.Style style, long seed) {
        return levelled(Takes.known(style, seed + 70_000, LENGTH_S).sound().mid());
    }

    /** A take on one of two guitars, whatever is played. */
    static Sound onGuitar(Takes.Style style, long seed, boolean singleCoil) {
        return levelled(Takes.onGuitar(style, seed, LENGTH_S, singleCoil).mid());
    }

    public static Sound levelled(float[] x) {
        double peak = 1e-9;
        for (float v : x) peak = Math.max(peak, Math.abs(v));
        return Sound.mono(x, Sound.WORKING_RATE_HZ).gained(20 * Math.log10(0.7 / peak));
    }

    private static Model cabinet(SplittableRandom r) {
        List<Model> boxes = Gear.of(GearKind.CABINET).stream().filter(m -> m.voice() != Voice.Cabinet.IMPULSE_RESPONSE)
                .toList();
        return boxes.get(r.nextInt(boxes.size()));
    }

    private static Model any(GearKind kind, SplittableRandom r) {
        List<Model> all = Gear.of(kind);
        return all.get(r.nextInt(all.size()));
    }
}
