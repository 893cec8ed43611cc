package verisonus.core.travel;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import verisonus.core.sound.Bands;
import verisonus.core.sound.LoudnessWeighting;
import verisonus.core.sound.Sound;

/**
 * How does a tone change from one playback system to another? The tone's third-octave spectrum goes through each
 * system's curve and through the ear's change of sensitivity with level ({@link EqualLoudness}); what is left after
 * matching loudness is the change of colour. Systems are taken as linear and the room as part of their curve.
 */
public final class Journey {
    /** Level at which a tone counts as made where nothing else is said, dB SPL. */
    public static final double WORKING_LEVEL_DB_SPL = 75;

    private static final Bands BANDS = Bands.thirds(50, 12500);
    private static final double AUDIBLE_DB = 1.5;
    private static final double GONE_DB = -12;
    /** More than two things to turn at once is advice nobody follows. */
    private static final int MOST_ADVICE = 2;
    /** A band this far under the strongest adds nothing to the tone. */
    private static final double EMPTY_DB = -38;

    private enum Named {
        LOWS("lows", 50, 160),
        LOW_MIDS("low mids", 160, 400),
        MIDS("mids", 400, 1000),
        UPPER_MIDS("upper mids", 1000,
                2500),
        PRESENCE("presence", 2500, 5000),
        HIGHS("highs", 5000, 12500);

        private final String words;
        private final double fromHz;
        private final double toHz;

        Named(String words, double fromHz, double toHz) {
            this.words = words;
            this.fromHz = fromHz;
            this.toHz = toHz;
        }

        boolean holds(double hz) {
            return hz >= fromHz * 0.99 && hz < toHz * 0.99;
        }

        /** What brings the band back; a system that drops it altogether cannot be helped. */
        String remedy(double changeDb) {
            if (changeDb < GONE_DB) return "as good as gone here, so the tone must work without them";
            boolean lost = changeDb < 0;
            return switch (this) {
                case LOWS -> lost ? "bass up, or leave them to the bass player" : "low cut up to 90 Hz, or bass down";
                case LOW_MIDS ->
                    lost ? "bass or mid up, microphone nearer" : "low mids down a little with the equalizer";
                case MIDS -> lost ? "mid up" : "mid down";
                case UPPER_MIDS -> lost ? "mid or treble up" : "treble down, microphone further out";
                case PRESENCE -> lost
                        ? "presence up, microphone nearer the centre"
                        : "presence down, microphone further out";
                case HIGHS -> lost ? "treble up a little" : "high cut down to 7 kHz";
            };
        }
    }

    private final double[] power;
    private final Optional<double[]> referencePower;
    private final double levelDbSpl;

    /**
     * @param tone the recording that travels
     * @param reference the wanted sound, where the difference to it should travel along
     * @param levelDbSpl how loud it is heard
     */
    public Journey(Sound tone, Optional<Sound> reference, double levelDbSpl) {
        this.power = BANDS.longTermPower(tone.mid(), tone.rateHz());
        this.referencePower = reference.map(r -> BANDS.longTermPower(r.mid(), r.rateHz()));
        this.levelDbSpl = levelDbSpl;
    }

    /** On each system, in the order asked for. */
    public List<Travelled> to(List<PlaybackSystem> systems) {
        return systems.stream().map(this::on).toList();
    }

    /** The system that changes a tone most. */
    public static Optional<Travelled> worst(List<Travelled> travelled) {
        return travelled.stream().max(Comparator.comparingDouble(Travelled::changeDb));
    }

    private Travelled on(PlaybackSystem system) {
        double[] hz = BANDS.centresHz();
        double[] heard = new double[hz.length];
        for (int b = 0; b < hz.length; b++) {
            heard[b] = system.levelDbAt(hz[b]) + EqualLoudness.changeDb(hz[b], WORKING_LEVEL_DB_SPL, levelDbSpl);
        }
        double loudness = loudnessChange(heard);
        List<BandChange> bands = new ArrayList<>();
        for (Named n : Named.values()) {
            bands.add(new BandChange(n.words, n.fromHz, n.toHz, bandChange(n, heard) - loudness));
        }
        List<Named> ranked = new ArrayList<>(List.of(Named.values()));
        ranked.removeIf(n -> isEmpty(n, power) || Math.abs(bands.get(n.ordinal()).changeDb()) < AUDIBLE_DB);
        ranked.sort(Comparator.comparingDouble(n -> -Math.abs(bands.get(n.ordinal()).changeDb())));
        List<String> findings = new ArrayList<>();
        List<String> advice = new ArrayList<>();
        for (Named n : ranked) {
            double change = bands.get(n.ordinal()).changeDb();
            boolean worthTurning = advice.size() < MOST_ADVICE;
            findings.add(String.format(Locale.ROOT, "%s %.1f dB %s", n.words, Math.abs(change),
                    change < 0 ? "weaker" : "stronger"));
            if (worthTurning) advice.add(n.words + ": " + n.remedy(change));
        }
        if (findings.isEmpty()) findings.add("the tone stays as it was made");
        referencePower.ifPresent(r -> addGap(r, heard, findings));
        return new Travelled(system, bands, loudness, findings, advice, size(bands));
    }

    /** K-weighted power with the curve against without it, dB. */
    private double loudnessChange(double[] heard) {
        double[] hz = BANDS.centresHz();
        double before = 0;
        double after = 0;
        for (int b = 0; b < hz.length; b++) {
            double w = LoudnessWeighting.powerAt(hz[b]) * power[b];
            before += w;
            after += w * Math.pow(10, heard[b] / 10);
        }
        return before <= 0 ? 0 : 10 * Math.log10(after / before);
    }

    private double bandChange(Named n, double[] heard) {
        double[] hz = BANDS.centresHz();
        double before = 0;
        double after = 0;
        for (int b = 0; b < hz.length; b++) {
            if (!n.holds(hz[b])) continue;
            double p = power[b] + 1e-20;
            before += p;
            after += p * Math.pow(10, heard[b] / 10);
        }
        return 10 * Math.log10(after / before);
    }

    private static double levelDb(Named n, double[] power) {
        double[] hz = BANDS.centresHz();
        double in = 1e-20;
        for (int b = 0; b < hz.length; b++) if (n.holds(hz[b])) in += power[b];
        return 10 * Math.log10(in);
    }

    private static boolean isEmpty(Named n, double[] power) {
        double top = Arrays.stream(power).max().orElse(0);
        return levelDb(n, power) < 10 * Math.log10(top + 1e-20) + EMPTY_DB;
    }

    /** The difference to the reference that this system keeps or hides. */
    private void addGap(double[] reference, double[] heard, List<String> findings) {
        double offset = 10 * Math.log10(weighted(power) / weighted(reference));
        for (Named n : Named.values()) {
            double gap = levelDb(n, power) - levelDb(n, reference) - offset;
            if (Math.abs(gap) < AUDIBLE_DB || isEmpty(n, reference)) continue;
            boolean hidden = bandChange(n, heard) - loudnessChange(heard) < -12;
            findings.add(String.format(Locale.ROOT, "against the reference, %s are %.1f dB %s%s", n.words,
                    Math.abs(gap), gap < 0 ? "weaker" : "stronger",
                    hidden ? ", hardly heard here" : ", heard here too"));
        }
    }

    private static double weighted(double[] power) {
        double[] hz = BANDS.centresHz();
        double sum = 1e-20;
        for (int b = 0; b < hz.length; b++) sum += LoudnessWeighting.powerAt(hz[b]) * power[b];
        return sum;
    }

    private double size(List<BandChange> bands) {
        double sum = 0;
        int n = 0;
        for (Named b : Named.values()) {
            if (isEmpty(b, power)) continue;
            // What is 20 dB down is as good as gone; further does not make it worse.
            sum += Math.pow(Math.min(20, Math.abs(bands.get(b.ordinal()).changeDb())), 2);
            n++;
        }
        return n == 0 ? 0 : Math.sqrt(sum / n);
    }
}
