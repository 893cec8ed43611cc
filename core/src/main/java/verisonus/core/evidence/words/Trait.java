package verisonus.core.evidence.words;

import java.util.EnumMap;
import java.util.Map;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.echo.EchoReading;
import verisonus.core.evidence.level.SpectrumReading;
import verisonus.core.evidence.signs.Presence;
import verisonus.core.evidence.space.ReverbReading;

/**
 * A figure by which recordings are compared and words are defined. Bands are read against what a guitar through a speaker
 * usually has there, so that they say what stands out.
 */
public enum Trait {
    LOWS("80–160 Hz", "dB", 4),
    LOW_MIDS("160–315 Hz", "dB", 3),
    BOX("315–630 Hz", "dB", 3),
    HONK("630 Hz–1.25 kHz",
            "dB",
            3),
    BITE("1.25–2.5 kHz", "dB", 3),
    PRESENCE("2.5–5 kHz", "dB", 4),
    AIR("5–10 kHz", "dB", 6),
    TILT(
            "fall per octave", "dB/oct", 1),
    CENTRE("centre of energy", "octaves", 0.3),
    DIRT("dirt", "",
            0.12),
    SPREAD("loud to soft", "dB", 3),
    ATTACK("rise of a note", "ms", 5),
    FALL(
            "fall of a note", "dB/s", 8),
    BASS_LEADS("bass into the clipper", "",
            0.15),
    ROOM("decay of the space", "s", 0.35),
    ECHO("first repeat", "dB", 3);

    /** Octaves from 80 Hz up against the mean band power, median over made-up guitars through speakers, dB. */
    private static final double[] USUAL_DB = {-18, -3.5, 2, -1, -3.5, -8, -30};

    private final String words;
    private final String unit;
    private final double step;

    Trait(String words, String unit, double step) {
        this.words = words;
        this.unit = unit;
        this.step = step;
    }

    public String words() {
        return words;
    }

    public String unit() {
        return unit;
    }

    /** About how much of it is clearly heard: differences are told in these. */
    public double step() {
        return step;
    }

    private static final double NO_ECHO_DB = -30;

    /** All that can be read of a recording; what cannot be read is left out. */
    public static Map<Trait, Double> of(Evidence e) {
        Map<Trait, Double> out = new EnumMap<>(Trait.class);
        SpectrumReading s = e.spectrum();
        double[] edges = {80, 160, 315, 630, 1250, 2500, 5000, 10000};
        double[] over = new double[7];
        double middle = 0;
        for (int i = 0; i < 7; i++) over[i] = mean(s, edges[i], edges[i + 1]) - USUAL_DB[i];
        for (int i = 1; i < 6; i++) middle += over[i] / 5;
        for (int i = 0; i < 7; i++) out.put(values()[i], over[i] - middle);
        out.put(TILT, s.tiltDbPerOctave());
        out.put(CENTRE, Math.log(Math.max(50, s.centroidHz()) / 500) / Math.log(2));
        e.saturation().value().ifPresent(v -> out.put(DIRT, v.index()));
        out.put(SPREAD, e.dynamics().envelopeSpreadDb());
        e.dynamics().attackMs().ifPresent(v -> out.put(ATTACK, v));
        e.dynamics().sustainDbPerS().ifPresent(v -> out.put(FALL, v));
        out.put(BASS_LEADS, e.circumstances().clipping().bassLeads());
        if (e.reverb().presence() != Presence.UNKNOWN) {
            out.put(ROOM, e.reverb().value().map(ReverbReading::decayS).orElse(0.0));
        }
        if (e.echo().presence() != Presence.UNKNOWN) {
            out.put(ECHO, e.echo().value().map(EchoReading::levelDb).orElse(NO_ECHO_DB));
        }
        return out;
    }

    private static double mean(SpectrumReading s, double fromHz, double toHz) {
        double[] hz = s.bandCentresHz();
        double sum = 0;
        int in = 0;
        for (int b = 0; b < hz.length; b++) {
            if (hz[b] < fromHz * 0.95 || hz[b] > toHz * 0.95) continue;
            // What lies at the floor says nothing but that there is little.
            sum += Math.max(-50, s.levelDb()[b]);
            in++;
        }
        return in == 0 ? 0 : sum / in;
    }
}
