package verisonus.core.rig;

import static verisonus.core.rig.Control.choice;
import static verisonus.core.rig.Control.knob;
import static verisonus.core.rig.Control.number;

import java.util.List;
import verisonus.core.rig.Control.Attribute;
import verisonus.core.rig.Control.Range;

/** What the signal meets before the amp: input, guitar, gate, compressor, filters, drives. */
final class InputGear {
    private static final Control DRIVE = knob(ControlNames.DRIVE, 4, Attribute.SATURATION,
            "gain into the clipper; up: dirtier, soft notes too");
    private static final Control TONE = knob(ControlNames.TONE, 5, Attribute.HIGHS,
            "treble after the clipper; up: brighter");
    private static final Control LEVEL = knob(ControlNames.LEVEL, 5, Attribute.LOUDNESS,
            "output; up drives the amp harder, much as gain does");
    private static final Control BASS = knob(ControlNames.BASS, 5, Attribute.LOWS,
            "lows after the clipper; up: thicker");
    private static final Control TREBLE = knob(ControlNames.TREBLE, 5, Attribute.HIGHS,
            "highs after the clipper; up: sharper");
    private static final Control FILTER_MIX = number(ControlNames.MIX, "%", Range.of(0, 100, 100), Attribute.COLOUR,
            "0 is the dry sound");

    static final List<Model> INPUTS = List.of(new Model("instrument input", Voice.Input.INSTRUMENT,
            "the socket: what it loads, how much level it adds before anything else",
            List.of(number(ControlNames.LEVEL, "dB", Range.of(-24, 24, 0), Attribute.LOUDNESS,
                    "raises or lowers all that follows; up: every clipper is hit harder"),
                    choice(ControlNames.PAD, List.of("off", "on"), Attribute.LOUDNESS,
                            "on: 12 dB less, for loud pickups"),
                    number(ControlNames.IMPEDANCE, "kΩ", Range.of(10, 10000, 1000), Attribute.HIGHS,
                            "load on a passive pickup; down: duller, its resonance is damped"))));

    static final List<Model> GUITARS = List.of(new Model("passive guitar", Voice.Guitar.PASSIVE,
            "volume and tone controls and the cable, against full volume and a cable of 500 pF",
            List.of(knob(ControlNames.VOLUME, 10, Attribute.SATURATION,
                    "down: cleaner, and duller too where no treble is passed round it").tapered(Control.Taper.AUDIO),
                    knob(ControlNames.TONE, 10, Attribute.HIGHS,
                            "down: highs are led to earth; listen to the pick's click"),
                    choice(ControlNames.TREBLE_BYPASS, List.of("off", "on"), Attribute.HIGHS,
                            "on: a small capacitor keeps highs when the volume goes down"),
                    number(ControlNames.CABLE, "pF", Range.of(100, 2500, 500), Attribute.HIGHS,
                            "capacitance of the cable; up: resonance of the pickup lower and darker"),
                    number(ControlNames.PICKUP_OUTPUT, "dB", Range.of(-12, 12, 0), Attribute.SATURATION,
                            "against the recorded pickup; up: drives more"))));

    static final List<Model> GATES = List.of(new Model("noise gate", Voice.Gate.NOISE,
            "lowers what lies below its threshold; opens 4 dB above where it closes, so that it does not flutter",
            List.of(number(ControlNames.THRESHOLD, "dB", Range.of(-90, -10, -70), Attribute.NOISE,
                    "level under which it closes; up: gaps are cleaner, tails are cut"),
                    number(ControlNames.DEPTH, "dB", Range.of(0, 80, 0), Attribute.NOISE,
                            "how far it lowers; 0 does nothing"),
                    number(ControlNames.HOLD, "ms", Range.of(0, 500, 40), Attribute.DYNAMICS, "stays open that long"),
                    number(ControlNames.RELEASE, "ms", Range.of(5, 1000, 100), Attribute.DYNAMICS,
                            "time to close; up: tails fade instead of being cut"))));

    static final List<Model> COMPRESSORS = List.of(
            compressor("soft-knee compressor", Voice.Compressor.SOFT_KNEE,
                    "quick and exact: evens out and adds sustain", 10, 120),
            compressor("slow optical compressor", Voice.Compressor.SLOW_OPTICAL,
                    "gentle: its release slows down after long loud passages, as a lamp and a light cell do", 20,
                    300));

    static final List<Model> FILTERS = List.of(new Model("pedal filter", Voice.Filter.PEDAL,
            "resonant band that the foot sweeps; parked, it colours",
            List.of(number(ControlNames.POSITION, "%", Range.of(0, 100, 50), Attribute.MIDDLE,
                    "heel to toe: 350 Hz to 2.2 kHz"),
                    number(ControlNames.RESONANCE, "Q", Range.of(0.7, 8, 3), Attribute.MIDDLE, "up: more vocal"),
                    FILTER_MIX
                            .from(0))),
            new Model("envelope filter", Voice.Filter.ENVELOPE, "resonant band that the picking strength opens",
                    List.of(number(ControlNames.SENSITIVITY, "%", Range.of(0, 100, 50), Attribute.MOVEMENT,
                            "up: soft notes open it too"),
                            number(ControlNames.RESONANCE, "Q", Range.of(0.7, 8, 3), Attribute.MIDDLE,
                                    "up: more vocal"),
                            FILTER_MIX.from(0))),
            new Model("octave", Voice.Filter.OCTAVE, "adds the octave above and the octave below to single notes",
                    List.of(number(ControlNames.ABOVE, "%", Range.of(0, 100, 0), Attribute.HIGHS, "the octave above"),
                            number(ControlNames.BELOW, "%", Range.of(0, 100, 0), Attribute.LOWS, "the octave below"),
                            number(ControlNames.DRY, "%", Range.of(0, 100, 100), Attribute.LOUDNESS,
                                    "the note itself"))));

    static final List<Model> DRIVES = List.of(
            new Model("clean boost", Voice.Drive.CLEAN_BOOST,
                    "more level with hardly any colour; the amp makes the dirt",
                    List.of(DRIVE.from(0), TONE, LEVEL, BASS, TREBLE)),
            new Model("mid-hump overdrive", Voice.Drive.MID_HUMP,
                    "soft clipper that leaves lows clean and lifts the middle; tightens an amp behind it",
                    List.of(DRIVE, TONE, LEVEL)),
            new Model("transparent overdrive", Voice.Drive.TRANSPARENT,
                    "soft clipper with the dry sound beside it: keeps picking and colour, adds grit",
                    List.of(DRIVE, TONE, LEVEL, BASS, TREBLE)),
            new Model("hard-clip distortion", Voice.Drive.HARD_CLIP,
                    "diodes to earth: dense and buzzing, sustains by itself",
                    List.of(DRIVE, TONE, LEVEL)),
            new Model("two-transistor fuzz", Voice.Drive.FUZZ,
                    "nearly square and lopsided, cleans up when the guitar is turned down, splutters when it fades",
                    List.of(DRIVE.from(6), TONE, LEVEL)));

    private InputGear() {}

    private static Model compressor(String name, Voice voice, String about, double attackMs, double releaseMs) {
        return new Model(name, voice, about,
                List.of(number(ControlNames.THRESHOLD, "dB", Range.of(-60, 0, -24), Attribute.DYNAMICS,
                        "level from which it holds back; down: holds back more of the playing"),
                        number(ControlNames.RATIO, ":1", Range.of(1, 20, 1), Attribute.DYNAMICS,
                                "1 does nothing; up: louder notes grow less"),
                        number(ControlNames.ATTACK, "ms", Range.of(0.5, 100, attackMs), Attribute.FEEL,
                                "up: the pick comes through before it holds back"),
                        number(ControlNames.RELEASE, "ms", Range.of(20, 1500, releaseMs), Attribute.DYNAMICS,
                                "down: it lets go between notes and may pump"),
                        number(ControlNames.LEVEL, "dB", Range.of(-12, 24, 0), Attribute.LOUDNESS,
                                "makes good what it took"),
                        number(ControlNames.MIX, "%", Range.of(0, 100, 100), Attribute.DYNAMICS,
                                "less: the dry sound stands beside it")));
    }
}
