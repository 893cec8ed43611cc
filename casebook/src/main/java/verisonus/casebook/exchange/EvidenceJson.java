package verisonus.casebook.exchange;

import java.util.EnumMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.function.ToDoubleFunction;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import verisonus.core.evidence.Circumstances;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.echo.EchoReading;
import verisonus.core.evidence.gear.CabinetReading;
import verisonus.core.evidence.gear.PickupReading;
import verisonus.core.evidence.level.DynamicsReading;
import verisonus.core.evidence.level.HumReading;
import verisonus.core.evidence.level.LevelReading;
import verisonus.core.evidence.level.SpectrumReading;
import verisonus.core.evidence.level.StereoReading;
import verisonus.core.evidence.movement.ModulationReading;
import verisonus.core.evidence.notes.PlayedNote;
import verisonus.core.evidence.notes.TempoCourse;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.evidence.signs.Presence;
import verisonus.core.evidence.space.ReverbReading;
import verisonus.core.evidence.words.Claim;
import verisonus.core.evidence.words.Trait;
import verisonus.core.evidence.words.Word;
import verisonus.core.plan.NoteValue;
import verisonus.core.plan.Repeats;

/** Evidence as the document {@code verisonus.evidence/1}. Questions without an answer are null with confidence 0. */
public final class EvidenceJson {
    /** An echo counts as a note value when it is this near to one. */
    public static final double NOTE_TOLERANCE = 0.02;
    /** A tempo less sure than this supports no note value. */
    public static final double TEMPO_NEEDED = 0.5;

    private EvidenceJson() {}

    public static ObjectNode write(String file, double fromS, double toS, int rateHz, double fileDurationS,
            Evidence e) {
        ObjectNode out = Json.object("verisonus.evidence/1").put("file", file);
        ObjectNode region = out.putObject("region");
        Json.put(region, "from_s", fromS, 3);
        Json.put(region, "to_s", toS, 3);
        ObjectNode studied = out.putObject("studied");
        Json.put(studied, "from_s", fromS + e.excerpt().fromS(), 3);
        Json.put(studied, "to_s", fromS + e.excerpt().toS(), 3);
        ObjectNode format = out.putObject("format").put("sample_rate_hz", rateHz).put("channels", e.channels());
        Json.put(format, "duration_s", fileDurationS, 4);
        findings(out, e);
        return out;
    }

    /** The findings alone, into a document. */
    public static void findings(ObjectNode out, Evidence e) {
        level(out.putObject("level"), e.level(), e.noise().levelDbfs());
        hum(out.putObject("hum"), e.hum());
        spectrum(out.putObject("spectrum"), e.spectrum());
        ObjectNode tuning = out.putObject("tuning");
        e.tuning().value().ifPresentOrElse(v -> Json.put(tuning, "offset_cents", v.offsetCents(), 1),
                () -> tuning.putNull("offset_cents"));
        confidence(tuning, e.tuning());
        ObjectNode tempo = out.putObject("tempo");
        e.tempo().value().ifPresentOrElse(v -> {
            Json.put(tempo, "bpm", v.bpm(), 2);
            Json.put(tempo, "alternative_bpm", v.alternativeBpm(), 2);
        }, () -> tempo.putNull("bpm"));
        confidence(tempo, e.tempo());
        dynamics(out.putObject("dynamics"), e.dynamics());
        ObjectNode saturation = out.putObject("saturation");
        e.saturation().value().ifPresentOrElse(v -> Json.put(saturation, "index", v.index(), 3),
                () -> saturation.putNull("index"));
        confidence(saturation, e.saturation());
        echo(out.putObject("echo"), e);
        reverb(out.putObject("reverb"), e.reverb());
        modulation(out.putObject("modulation"), e.modulation());
        stereo(out.putObject("stereo"), e.stereo());
        circumstances(out, e);
    }

    private static void circumstances(ObjectNode out, Evidence e) {
        Circumstances c = e.circumstances();
        ObjectNode company = out.putObject("company");
        Json.put(company, "probability", c.company().probability(), 2);
        Json.put(company, "pan_degrees", c.company().panDegrees(), 1);
        ObjectNode cabinet = out.putObject("cabinet");
        presence(cabinet, c.cabinet());
        Json.put(cabinet, "fall_db_per_octave", number(c.cabinet(), CabinetReading::fallDbPerOctave), 1);
        Json.put(cabinet, "corner_hz", number(c.cabinet(), CabinetReading::cornerHz), 0);
        ObjectNode taken = out.putObject("taken_at");
        taken.put("place", c.takenAt().value().map(t -> t.name().toLowerCase(Locale.ROOT).replace('_', ' '))
                .orElse(null));
        confidence(taken, c.takenAt());
        ObjectNode pickup = out.putObject("pickup");
        pickup.put("character", c.pickup().value().map(v -> v.bright() ? "bright" : "dark").orElse(null));
        Json.put(pickup, "bite_db", number(c.pickup(), PickupReading::biteDb), 1);
        confidence(pickup, c.pickup());
        ObjectNode clipping = out.putObject("clipping");
        Json.put(clipping, "lopsided_db", c.clipping().lopsidedDb(), 2);
        Json.put(clipping, "bass_leads", c.clipping().bassLeads(), 3);
        ObjectNode gate = out.putObject("gate");
        presence(gate, c.control().gate());
        ObjectNode compressor = out.putObject("compressor");
        presence(compressor, c.control().compressor());
        Json.put(compressor, "narrower_db", number(c.control().compressor(), v -> v), 1);
        ObjectNode width = out.putObject("width");
        width.put("kind", c.width().value().map(v -> v.kind().name().toLowerCase(Locale.ROOT)).orElse(null));
        confidence(width, c.width());
        ObjectNode pulse = out.putObject("tempo_course");
        pulse.set("at_s", Json.array(c.pulse().map(TempoCourse::atS).orElse(new double[0]), 2));
        pulse.set("bpm", Json.array(c.pulse().map(TempoCourse::bpm).orElse(new double[0]), 2));
        Json.put(pulse, "drift_percent", c.pulse().filter(p -> p.bpm().length > 2)
                .map(p -> OptionalDouble.of(p.driftPercent())).orElse(OptionalDouble.empty()), 2);
        ArrayNode notes = out.putArray("notes");
        for (PlayedNote n : c.notes()) {
            ObjectNode note = notes.addObject();
            Json.put(note, "at_s", n.atS(), 3);
            Json.put(note, "strength", n.strength(), 2);
            note.put("by_echo", n.byEcho());
        }
        ArrayNode words = out.putArray("words");
        for (Word.Fit f : Word.fitting(Word.shipped(), Trait.of(e))) {
            ObjectNode word = words.addObject().put("word", f.word().name());
            Json.put(word, "strength", f.strength(), 2);
        }
        ObjectNode claims = out.putObject("claims");
        for (Claim.Says says : Claim.Says.values()) {
            Claim.Judgement j = new Claim(says, "", Claim.Certainty.LIKELY).judge(e);
            claims.putObject(says.name().toLowerCase(Locale.ROOT)).put("says", says.words())
                    .put("verdict", j.standing().words()).put("why", j.why());
        }
        ObjectNode traits = out.putObject("traits");
        Trait.of(e).forEach((t, v) -> Json.put(traits, t.name().toLowerCase(Locale.ROOT), v, 2));
    }

    /** Traits of a document that {@link #write} made; what it does not hold is left out. */
    public static Map<Trait, Double> traits(String name, String document) {
        Map<Trait, Double> out = new EnumMap<>(Trait.class);
        JsonNode node = Json.parse(name, document).path("traits");
        for (Trait t : Trait.values()) {
            JsonNode v = node.path(t.name().toLowerCase(Locale.ROOT));
            if (v.isNumber()) out.put(t, v.asDouble());
        }
        return out;
    }

    /** What a document says to a claim; undecided where it was written before claims were judged. */
    public static Claim.Judgement judgement(String name, String document, Claim.Says says) {
        JsonNode node = Json.parse(name, document).path("claims").path(says.name().toLowerCase(Locale.ROOT));
        for (Claim.Standing v : Claim.Standing.values()) {
            if (v.words().equals(node.path("verdict").asString(""))) {
                return new Claim.Judgement(v, node.path("why").asString(""));
            }
        }
        return new Claim.Judgement(Claim.Standing.UNDECIDED, "measure the region again");
    }

    private static <T> OptionalDouble number(Finding<T> f, ToDoubleFunction<T> of) {
        return f.value().isPresent() ? OptionalDouble.of(of.applyAsDouble(f.value().get())) : OptionalDouble.empty();
    }

    private static void reverb(ObjectNode out, Finding<ReverbReading> f) {
        presence(out, f);
        f.value().ifPresentOrElse(r -> {
            Json.put(out, "decay_s", r.decayS(), 2);
            Json.put(out, "pre_delay_ms", r.preDelayMs(), 1);
            Json.put(out, "level_db", r.levelDb(), 1);
            out.set("decay_by_octave_s", Json.array(r.octavesS(), 2));
        }, () -> out.putNull("decay_s").putNull("pre_delay_ms").putNull("level_db"));
    }

    private static void modulation(ObjectNode out, Finding<ModulationReading> f) {
        presence(out, f);
        f.value().ifPresentOrElse(m -> {
            out.put("kind", m.kind().words());
            Json.put(out, "rate_hz", m.rateHz(), 3);
            Json.put(out, "depth_percent", m.depthPercent(), 0);
        }, () -> out.putNull("kind").putNull("rate_hz").putNull("depth_percent"));
    }

    /** What cannot be told has no confidence: none was measured, and a 0 would read as "surely wrong". */
    private static void confidence(ObjectNode out, Finding<?> finding) {
        Json.put(out, "confidence", finding.stated(), 2);
        out.put("reason", finding.reason());
    }

    private static void presence(ObjectNode out, Finding<?> finding) {
        if (finding.presence() == Presence.UNKNOWN) {
            out.putNull("present");
        } else {
            out.put("present", finding.isPresent());
        }
        confidence(out, finding);
    }

    private static void level(ObjectNode out, LevelReading l, double noiseFloorDbfs) {
        Json.put(out, "integrated_lufs", l.integratedLufs(), 2);
        Json.put(out, "loudness_range_lu", l.loudnessRangeLu(), 2);
        Json.put(out, "true_peak_dbtp", l.truePeakDbtp(), 2);
        Json.put(out, "sample_peak_dbfs", l.samplePeakDbfs(), 2);
        Json.put(out, "crest_factor_db", l.crestFactorDb(), 2);
        Json.put(out, "noise_floor_dbfs", noiseFloorDbfs, 1);
        out.put("clipped_samples", l.clippedSamples());
    }

    private static void hum(ObjectNode out, Finding<HumReading> hum) {
        presence(out, hum);
        hum.value().ifPresentOrElse(h -> {
            Json.put(out, "frequency_hz", h.frequencyHz(), 1);
            Json.put(out, "level_dbfs", h.levelDbfs(), 1);
        }, () -> out.putNull("frequency_hz").putNull("level_dbfs"));
    }

    private static void spectrum(ObjectNode out, SpectrumReading s) {
        out.set("band_centres_hz", Json.array(s.bandCentresHz(), 1));
        out.set("level_db", Json.array(s.levelDb(), 2));
        out.set("trust", Json.array(s.trust(), 2));
        Json.put(out, "centroid_hz", s.centroidHz(), 0);
        Json.put(out, "tilt_db_per_octave", s.tiltDbPerOctave(), 2);
    }

    private static void dynamics(ObjectNode out, DynamicsReading d) {
        Json.put(out, "envelope_spread_db", d.envelopeSpreadDb(), 1);
        Json.put(out, "attack_ms", d.attackMs(), 1);
        Json.put(out, "sustain_db_per_s", d.sustainDbPerS(), 1);
    }

    private static void echo(ObjectNode out, Evidence e) {
        presence(out, e.echo());
        Optional<EchoReading> echo = e.echo().value();
        if (echo.isEmpty()) {
            for (String key : new String[]{"time_ms", "feedback_percent", "level_db", "audible_repeats", "ping_pong",
                    "note_value", "second"}) {
                out.putNull(key);
            }
            return;
        }
        repeats(out, e, echo.get());
        echo.get().second().ifPresentOrElse(second -> {
            ObjectNode node = out.putObject("second").put("present", true);
            Json.put(node, "confidence", e.echo().confidence(), 2);
            repeats(node, e, second);
            node.putNull("second");
        }, () -> out.putNull("second"));
    }

    private static void repeats(ObjectNode out, Evidence e, EchoReading r) {
        Json.put(out, "time_ms", r.timeMs(), 2);
        Json.put(out, "feedback_percent", r.feedbackPercent(), 1);
        Json.put(out, "level_db", r.levelDb(), 1);
        OptionalInt audible = new Repeats(r.levelDb(), Repeats.DEFAULT_FLOOR_DB).audible(r.feedbackPercent());
        out.put("audible_repeats", audible.isPresent() ? Integer.valueOf(audible.getAsInt()) : null);
        out.put("ping_pong", r.pingPong());
        out.put("note_value", noteValue(e, r.timeMs()).map(NoteValue::name).orElse(null));
        Json.put(out, "darker_db", r.character().darkerDb(), 1);
        out.put("steady", r.character().steady());
    }

    /** The note value of an echo time, where the tempo is sure enough to support one. */
    public static Optional<NoteValue> noteValue(Evidence e, double timeMs) {
        return e.tempo().value().filter(_ -> e.tempo().confidence() >= TEMPO_NEEDED)
                .flatMap(t -> NoteValue.near(timeMs, t.bpm(), NOTE_TOLERANCE));
    }

    private static void stereo(ObjectNode out, StereoReading s) {
        Json.put(out, "correlation", s.correlation(), 3);
        Json.put(out, "side_to_mid_db", s.sideToMidDb(), 1);
        Json.put(out, "offset_ms", s.offsetMs(), 2);
    }
}
