package verisonus.core.search;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import verisonus.core.compare.Driven;
import verisonus.core.rig.Tone;
import verisonus.core.search.colour.Features;
import verisonus.core.simulate.CaptureSignal;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.work.Figures;

/**
 * What a tone makes of plucked strings from soft to hard ({@link CaptureSignal}), so that tones can be told apart by what they do
 * rather than by what they are called.
 *
 * @param colourDb change of the spectrum by sixth octave, smoothed, loudness taken out
 * @param heldBack how far it holds the playing back, 1 wholly, under 0 where it spreads it ({@link Driven}); NaN where that is not known
 * @param spreadDb how far its bands lie apart between loud and soft, mean over bands; NaN where that is not known
 */
public record Fingerprint(double[] colourDb, double heldBack, double spreadDb) {
    private static final double SECONDS = 2.2;
    /** Steps that weigh alike when tones are compared. */
    private static final double COLOUR_STEP_DB = 3;
    private static final double HELD_STEP = 0.12;
    private static final double SPREAD_STEP_DB = 2.5;
    private static final Sound SIGNAL = CaptureSignal.make().slice(1.4, 1.4 + SECONDS);
    private static final String FILE = "fingerprints.txt";
    private static final Map<String, Fingerprint> SHIPPED = shipped();

    /** Measured anew: a player's tones come and go. */
    public static Fingerprint of(Tone tone) {
        return between(SIGNAL.mid(), Renderer.renderMono(tone, SIGNAL.mid(), Quality.DRAFT));
    }

    /** Of a shipped tone as it was measured when it was shipped, of another anew. */
    static Fingerprint of(StartingTone known) {
        Fingerprint shipped = SHIPPED.get(known.words());
        return shipped != null && StartingTones.ALL.contains(known) ? shipped : of(known.tone());
    }

    private static Map<String, Fingerprint> shipped() {
        Map<String, Fingerprint> out = new HashMap<>();
        try (@Nullable
        InputStream in = Fingerprint.class.getResourceAsStream(FILE)) {
            String text = new String(Objects.requireNonNull(in, FILE).readAllBytes(), StandardCharsets.UTF_8);
            text.lines().map(l -> l.split("\\|", -1)).forEach(p -> out.put(p[0], read(p)));
            return Map.copyOf(out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Fingerprint read(String[] part) {
        double[] v = Arrays.stream(part).skip(1).mapToDouble(Double::parseDouble).toArray();
        return new Fingerprint(Arrays.copyOfRange(v, 2, v.length), v[0], v[1]);
    }

    /** The line by which a shipped tone's fingerprint is kept. */
    public String line(String words) {
        StringBuilder out = new StringBuilder(words);
        out.append(Figures.of("|%.4f|%.3f", heldBack, spreadDb));
        for (double db : colourDb) out.append(Figures.of("|%.2f", db));
        return out.toString();
    }

    /** What is played for the fingerprints of tones. */
    static float[] signal() {
        return SIGNAL.mid();
    }

    /** What made this of other playing: only its colour, and that roughly. */
    static Fingerprint ofColour(float[] played) {
        return new Fingerprint(between(SIGNAL.mid(), played).colourDb, Double.NaN, Double.NaN);
    }

    /** What made this of that, the same phrase from the same sample on, at the working rate. */
    public static Fingerprint between(float[] dry, float[] played) {
        Features a = Features.of(dry, 0, Sound.WORKING_RATE_HZ);
        Features b = Features.of(played, 0, Sound.WORKING_RATE_HZ);
        double[] colour = new double[a.levelDb().length];
        for (int i = 0; i < colour.length; i++) colour[i] = b.levelDb()[i] - a.levelDb()[i];
        colour = Objective.smoothed(colour);
        double mean = Arrays.stream(colour).average().orElse(0);
        for (int i = 0; i < colour.length; i++) colour[i] -= mean;
        double held = Driven.of(Sound.mono(dry, Sound.WORKING_RATE_HZ), Sound.mono(played, Sound.WORKING_RATE_HZ));
        return new Fingerprint(colour, held, spread(b) - spread(a));
    }

    private static double spread(Features f) {
        double sum = 0;
        for (double[] band : f.percentilesDb()) sum += (band[4] - band[1]) / f.percentilesDb().length;
        return sum;
    }

    /** The same with a curve taken off its colour, by sixth octave; the curve's mean does not count. */
    public Fingerprint less(double[] curveDb) {
        double mean = Arrays.stream(curveDb).average().orElse(0);
        double[] out = new double[colourDb.length];
        for (int i = 0; i < out.length; i++) out[i] = colourDb[i] - curveDb[i] + mean;
        return new Fingerprint(out, heldBack, spreadDb);
    }

    /** Where its colour is read, Hz. */
    public static double[] centresHz() {
        return Features.LEVEL_BANDS.centresHz();
    }

    /** How unlike two are: root of the mean of squares, each in steps that weigh alike; what one does not know does not count. */
    public double distance(Fingerprint other) {
        double colour = 0;
        for (int i = 0; i < colourDb.length; i++)
            colour += Math.pow((colourDb[i] - other.colourDb[i]) / COLOUR_STEP_DB, 2) / colourDb.length;
        double held = (heldBack - other.heldBack) / HELD_STEP;
        double spread = (spreadDb - other.spreadDb) / SPREAD_STEP_DB;
        if (Double.isNaN(held + spread)) return Math.sqrt(colour);
        return Math.sqrt((colour + held * held + spread * spread) / 3);
    }

    /** Of these tones the ones most like this, the nearest first. */
    public List<StartingTone> nearest(List<StartingTone> tones, int most) {
        Map<StartingTone, Double> away = new LinkedHashMap<>();
        for (StartingTone t : tones) away.put(t, of(t).distance(this));
        return away.entrySet().stream().sorted(Map.Entry.comparingByValue()).limit(most).map(Map.Entry::getKey)
                .toList();
    }
}
