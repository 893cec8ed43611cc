package verisonus.casebook.words;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import verisonus.casebook.exchange.EvidenceJson;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.dirt.SaturationReading;
import verisonus.core.evidence.echo.EchoReading;
import verisonus.core.evidence.level.LevelReading;
import verisonus.core.evidence.level.SpectrumReading;
import verisonus.core.evidence.movement.ModulationReading;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.evidence.signs.Plot;
import verisonus.core.evidence.signs.Presence;
import verisonus.core.evidence.space.ReverbReading;
import verisonus.core.plan.Repeats;
import verisonus.core.work.Figures;
import verisonus.core.work.Sentence;

/**
 * One finding in plain words.
 *
 * @param topic one word for what it is about
 * @param sentence the finding with its figures
 * @param remark what it means or rests on, may be empty
 * @param reason what in the sound speaks for it, may be empty
 * @param confidence where the finding has one
 * @param presence whether it is there; UNKNOWN where the recording cannot tell
 * @param plot the curve that shows the reason
 */
public record EvidenceSentences(String topic, String sentence, String remark, String reason, OptionalDouble confidence,
        Presence presence,
        Optional<Plot> plot) {
    /** All findings of a region, in the order in which people work. */
    public static List<EvidenceSentences> of(Evidence e) {
        List<EvidenceSentences> out = new ArrayList<>();
        out.add(echo(e));
        out.add(found("Space", e.reverb(),
                e.reverb().value().map(EvidenceSentences::space).orElse(
                        e.reverb().presence() == Presence.ABSENT
                                ? "No space behind it."
                                : "Cannot tell a space from the strings."),
                e.reverb().value().filter(r -> r.levelDb().isEmpty()).isPresent()
                        ? "onset and level cannot be read from the recording alone"
                        : e.reverb().reason()));
        out.add(found("Movement", e.modulation(), e.modulation().value().map(EvidenceSentences::movement).orElse(
                e.modulation().presence() == Presence.ABSENT
                        ? "No steady sway."
                        : "Cannot tell whether something sways."),
                e.modulation().reason()));
        out.add(found("Dirt", e.saturation(), e.saturation().value().map(EvidenceSentences::dirt)
                .orElse("Cannot tell how driven it is."),
                e.saturation().value().map(v -> v.index() < 0.25
                        ? "break-up only on the hardest notes, if at all"
                        : v.index() < 0.6 ? "breaks up when played hard" : "clips on nearly every note").orElse("")));
        out.add(colour(e.spectrum()));
        out.add(new EvidenceSentences("Dynamics", dynamics(e), e.dynamics().attackMs().isPresent()
                ? format("notes rise in %.0f ms", e.dynamics().attackMs().getAsDouble())
                : "no clear note beginnings",
                "50 ms levels from the softest tenth to the loudest twentieth; slope from 60 ms after each note to the next",
                OptionalDouble.empty(), Presence.PRESENT, Optional.empty()));
        out.add(found("Pitch", e.tuning(),
                e.tuning().value().map(t -> pitch(t.offsetCents())).orElse("Cannot tell the tuning."),
                "known within a semitone"));
        out.add(found("Pulse", e.tempo(),
                e.tempo().value().map(t -> format("%.1f BPM.", t.bpm())).orElse("Cannot tell the tempo."),
                e.tempo().value().map(t -> format("%.0f fits too", t.alternativeBpm())).orElse(e.tempo().reason())));
        out.addAll(new CircumstanceSentences(e).all());
        out.add(width(e));
        out.add(level(e.level()));
        out.add(new EvidenceSentences("Noise", format("%.0f dBFS under the playing.", e.noise().levelDbfs()),
                e.noise().levelDbfs() < -65 ? "no gate needed" : "ringing or noise between notes; a gate may be wanted",
                "the level that each frequency falls back to between notes; at most this where strings ring on",
                OptionalDouble.empty(), Presence.PRESENT,
                Optional.empty()));
        out.add(found("Hum", e.hum(),
                e.hum().value().map(h -> format("%.0f Hz hum at %.0f dBFS.", h.frequencyHz(), h.levelDbfs()))
                        .orElse(e.hum().presence() == Presence.ABSENT ? "No hum." : "Cannot tell."),
                e.hum().reason()));
        return out;
    }

    static EvidenceSentences found(String topic, Finding<?> f, String sentence, String remark) {
        return new EvidenceSentences(topic, sentence, remark, f.reason(), f.stated(), f.presence(), f.plot());
    }

    private static EvidenceSentences echo(Evidence e) {
        if (!e.echo().isPresent()) {
            String said = e.echo().presence() == Presence.ABSENT
                    ? "No steady echo."
                    : "Cannot tell whether there is an echo.";
            return found("Echo", e.echo(), said, e.echo().reason());
        }
        EchoReading r = e.echo().value().orElseThrow();
        OptionalInt audible = new Repeats(r.levelDb(), Repeats.DEFAULT_FLOOR_DB).audible(r.feedbackPercent());
        String repeats = audible.isEmpty()
                ? "Endless repeats"
                : audible.getAsInt() == 1 ? "One repeat" : audible.getAsInt() + " repeats";
        String where = r.pingPong() ? ", changing sides" : "";
        String apart = audible.isPresent() && audible.getAsInt() == 1
                ? "%s after %.1f ms, %.1f dB under the note%s."
                : "%s, %.1f ms apart, the first %.1f dB under the note%s.";
        // A tempo that drifts supports a note value only on the whole.
        String value = EvidenceJson.noteValue(e, r.timeMs())
                .map(v -> format("%s at %.0f BPM", v.name(), e.tempo().value().orElseThrow().bpm()))
                .orElse(format("feedback %.0f %%", r.feedbackPercent()));
        String said = format(apart, repeats, r.timeMs(), -r.levelDb(), where);
        if (r.second().isPresent()) {
            said += format(" Another after %.1f ms, %.1f dB under.", r.second().get().timeMs(),
                    -r.second().get().levelDb());
        }
        String dark = r.character().darkerDb() > 2.5
                ? format("; darker by %.0f dB in the highs", r.character().darkerDb())
                : "";
        String sways = r.character().steady() ? "" : "; their time sways";
        return found("Echo", e.echo(), said, value + dark + sways);
    }

    private static String space(ReverbReading r) {
        String level = r.levelDb().isPresent()
                ? format(", %.0f dB under the dry sound", -r.levelDb().getAsDouble())
                : "";
        String late = r.preDelayMs().isPresent() && r.preDelayMs().getAsDouble() >= 10
                ? format(", %.0f ms late", r.preDelayMs().getAsDouble())
                : "";
        return format("Decays in %.1f s%s%s.", r.decayS(), level, late);
    }

    private static String movement(ModulationReading m) {
        String kind = Character.toUpperCase(m.kind().words().charAt(0)) + m.kind().words().substring(1);
        String rate = m.rateHz().isPresent() ? format(" at %.2f Hz", m.rateHz().getAsDouble()) : "";
        String depth = m.depthPercent().isPresent() ? format(", %.0f %% deep", m.depthPercent().getAsDouble()) : "";
        return kind + rate + depth + (m.kind().isMovingComb() ? ", most likely." : ".");
    }

    private static String dirt(SaturationReading r) {
        String word = r.index() < 0.15
                ? "Clean"
                : r.index() < 0.35
                        ? "Lightly driven"
                        : r.index() < 0.6
                                ? "Crunchy"
                                : r.index() < 0.85 ? "Heavily driven" : "Saturated";
        return format("%s: index %.2f.", word, r.index());
    }

    private static EvidenceSentences colour(SpectrumReading s) {
        double presence = mean(s, 2000, 4000) - expected(s, 2000, 4000);
        double body = mean(s, 160, 400) - expected(s, 160, 400);
        String word = presence > 2 ? "bright" : presence < -2 ? "dark" : "even";
        String fullness = body > 2 ? "full" : body < -2 ? "lean" : "balanced";
        String sentence = format("Centre of energy %.0f Hz, falling %.1f dB an octave.", s.centroidHz(),
                -s.tiltDbPerOctave());
        String remark = format("%s, %s: %+.1f dB at 2–4 kHz, %+.1f dB at 160–400 Hz against its own slope", word,
                fullness, presence, body);
        double[] hz = s.bandCentresHz();
        double[] octaves = new double[hz.length];
        for (int i = 0; i < hz.length; i++) octaves[i] = hz[i];
        Plot plot = new Plot("third-octave level, dB", "Hz", octaves, s.levelDb(), new double[0]);
        return new EvidenceSentences("Colour", sentence, remark, "long-term level in third octaves",
                OptionalDouble.empty(), Presence.PRESENT,
                Optional.of(plot));
    }

    private static double mean(SpectrumReading s, double fromHz, double toHz) {
        double sum = 0;
        int n = 0;
        for (int i = 0; i < s.bandCentresHz().length; i++) {
            if (s.bandCentresHz()[i] < fromHz || s.bandCentresHz()[i] > toHz) continue;
            sum += s.levelDb()[i];
            n++;
        }
        return n == 0 ? 0 : sum / n;
    }

    /** What the straight line through the spectrum from 100 Hz to 8 kHz reads there. */
    private static double expected(SpectrumReading s, double fromHz, double toHz) {
        double middle = Math.sqrt(fromHz * toHz);
        return mean(s, 95, 8500) + s.tiltDbPerOctave() * Math.log(middle / Math.sqrt(100.0 * 8000)) / Math.log(2);
    }

    private static String dynamics(Evidence e) {
        String spread = format("loud to soft spans %.0f dB", e.dynamics().envelopeSpreadDb());
        if (e.dynamics().sustainDbPerS().isEmpty()) return Sentence.begun(spread) + ".";
        double slope = e.dynamics().sustainDbPerS().getAsDouble();
        return format("Notes %s %.0f dB/s; %s.", slope < 0 ? "fall" : "swell", Math.abs(slope), spread);
    }

    private static String pitch(double cents) {
        if (Math.abs(cents) < 1.5) return "In tune with 440 Hz.";
        return format("%.0f cents %s of 440 Hz.", Math.abs(cents), cents > 0 ? "sharp" : "flat");
    }

    private static EvidenceSentences width(Evidence e) {
        String said = e.channels() == 1
                ? "Mono."
                : format("Left and right correlate %.2f, side %.0f dB against the middle.", e.stereo().correlation(),
                        e.stereo().sideToMidDb());
        String remark = e.channels() == 1
                ? "one channel"
                : Math.abs(e.stereo().offsetMs()) > 0.3
                        ? format("right is %.1f ms %s", Math.abs(e.stereo().offsetMs()),
                                e.stereo().offsetMs() > 0 ? "later" : "earlier")
                        : e.stereo().correlation() > 0.98 ? "as good as mono" : "sides differ";
        return new EvidenceSentences("Width", said, remark, "", OptionalDouble.empty(), Presence.PRESENT,
                Optional.empty());
    }

    private static EvidenceSentences level(LevelReading l) {
        String lufs = l.integratedLufs().isPresent() ? format("%.1f LUFS, ", l.integratedLufs().getAsDouble()) : "";
        String clipped = l.clippedSamples() == 0 ? "nothing is clipped" : l.clippedSamples() + " samples are clipped";
        return new EvidenceSentences("Level",
                format("%strue peak %.1f dBTP, crest %.1f dB.", lufs, l.truePeakDbtp(), l.crestFactorDb()), clipped, "",
                OptionalDouble.empty(), Presence.PRESENT, Optional.empty());
    }

    static String format(String pattern, Object... values) {
        return Figures.read(pattern, values);
    }
}
