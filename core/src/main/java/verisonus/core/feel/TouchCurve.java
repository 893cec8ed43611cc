package verisonus.core.feel;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.CaptureSignal;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.StageSaturation;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.work.Figures;

/**
 * How a tone answers to soft and hard playing: the same chord at rising strength, what level comes out and how dirty it is.
 *
 * @param points from soft to hard
 * @param breakUpDb strength from which a tenth of the sound is made by clipping; empty where it stays cleaner or is always dirtier
 * @param outPerIn dB that come out for each dB played harder, over the upper half
 * @param droopDb how far a held loud tone sinks after its first instant
 * @param recoveryMs time after it until soft playing is back within 1 dB; 0 where it never sank
 */
public record TouchCurve(List<Point> points, OptionalDouble breakUpDb, double outPerIn, double droopDb,
        double recoveryMs) {
    /**
     * One strength.
     *
     * @param inDb against the hardest
     * @param outDb level that comes out, against the hardest
     * @param dirt share of the energy that clipping makes, 0 to 1; empty where too little comes out to tell
     */
    public record Point(double inDb, double outDb, OptionalDouble dirt) {}

    private static final int STEP_DB = 4;
    private static final int RANGE_DB = 40;
    private static final double BREAKS_UP = 0.1;
    private static final double HIT_S = 0.45;
    private static final int RATE = Sound.WORKING_RATE_HZ;
    /** A chord of the capture signal's loudest stretch. */
    private static final Sound HIT = CaptureSignal.make().slice(5.2, 5.2 + HIT_S);

    public TouchCurve {
        points = List.copyOf(points);
    }

    /** @param peak of the hardest stroke, as the player's own take has it, amplitude */
    public static TouchCurve of(Tone tone, double peak) {
        Tone front = new Tone(tone.name(), tone.main().stream().filter(b -> b.on()
                && b.model().kind().compareTo(GearKind.EQUALIZER) <= 0).toList());
        double top = 20 * Math.log10(peak / Math.max(1e-9, HIT.peak()));
        List<Point> points = new ArrayList<>();
        double loudest = 0;
        for (int db = 0; db >= -RANGE_DB; db -= STEP_DB) {
            Sound hit = HIT.gained(top + db);
            float[] played = Renderer.renderMono(front, hit.mid(), Quality.SEARCH);
            double level = 20 * Math.log10(Sound.mono(played, RATE).rms() + 1e-9);
            if (db == 0) loudest = level;
            StageSaturation made = StageSaturation.of(front, hit, 0);
            points.add(0, new Point(db, level - loudest,
                    made.told() ? OptionalDouble.of(made.total()) : OptionalDouble.empty()));
        }
        double[] held = droop(front, peak);
        return new TouchCurve(points, breakUp(points), slope(points), held[0], held[1]);
    }

    private static OptionalDouble breakUp(List<Point> points) {
        for (int i = 1; i < points.size(); i++) {
            if (points.get(i - 1).dirt.isEmpty() || points.get(i).dirt.isEmpty()) continue;
            double a = points.get(i - 1).dirt.getAsDouble();
            double b = points.get(i).dirt.getAsDouble();
            if (a < BREAKS_UP && b >= BREAKS_UP) {
                double share = (BREAKS_UP - a) / (b - a);
                return OptionalDouble.of(points.get(i - 1).inDb + share * STEP_DB);
            }
        }
        return OptionalDouble.empty();
    }

    private static double slope(List<Point> points) {
        Point half = points.get(points.size() / 2);
        Point hard = points.getLast();
        return (hard.outDb - half.outDb) / (hard.inDb - half.inDb);
    }

    /** A loud tone held for 0.4 s, then the same 24 dB softer: how far the first sinks, how long the second takes to come back. */
    private static double[] droop(Tone front, double peak) {
        int loud = (int) (0.4 * RATE);
        int soft = (int) (0.6 * RATE);
        float[] x = new float[loud + soft];
        for (int i = 0; i < x.length; i++) {
            double a = i < loud ? peak : peak * 0.063;
            x[i] = (float) (a * Math.sin(2 * Math.PI * 220 * i / RATE));
        }
        float[] y = Renderer.renderMono(front, x, Quality.SEARCH);
        int frame = RATE / 100;
        double[] level = new double[y.length / frame];
        for (int f = 0; f < level.length; f++) {
            double sum = 1e-15;
            for (int i = f * frame; i < (f + 1) * frame; i++) sum += (double) y[i] * y[i];
            level[f] = 10 * Math.log10(sum / frame);
        }
        double first = Math.max(level[1], level[2]);
        double sunk = level[30];
        double settled = level[level.length - 2];
        int change = loud / frame + 1;
        int back = change;
        for (int f = change; f < level.length - 2; f++) if (Math.abs(level[f] - settled) > 1) back = f + 1;
        return new double[]{Math.max(0, first - sunk), 10.0 * (back - change)};
    }

    /** "breaks up 14 dB under the hardest stroke; 0.4 dB out for each dB in; sinks 1.2 dB, back after 90 ms". */
    public String words() {
        String breaks = breakUpDb.isPresent()
                ? Figures.of("breaks up %.0f dB under the hardest stroke", -breakUpDb
                        .getAsDouble())
                : points.getLast().dirt.orElse(0) < BREAKS_UP
                        ? "stays clean to the hardest stroke"
                        : "is dirty to the softest stroke";
        return Figures.of("%s; %.1f dB out for each dB in; a held tone sinks %.1f dB%s",
                breaks, outPerIn, droopDb,
                recoveryMs > 0 ? Figures.of(", back after %.0f ms", recoveryMs) : "");
    }
}
