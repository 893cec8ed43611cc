package verisonus.core.rig;

import static verisonus.core.rig.Control.choice;
import static verisonus.core.rig.Control.number;

import java.util.ArrayList;
import java.util.List;
import verisonus.core.rig.Control.Attribute;
import verisonus.core.rig.Control.Range;

/** Equalizers, movement, echoes, spaces, looper and utilities. */
final class EffectGear {
    private static final Control LEVEL = number(ControlNames.LEVEL, "dB", Range.of(-20, 20, 0), Attribute.LOUDNESS,
            "output; changes loudness only");

    private static final Control MIX_LAW = choice(MixLaw.CONTROL, MixLaw.allWords(), Attribute.SPACE,
            "how the device's mix divides dry and wet: a property of the device, not a setting").seldom();

    static final List<Model> EQUALIZERS = List.of(
            new Model("parametric equalizer", Voice.Equalizer.PARAMETRIC, "two cuts, two shelves and four peaks",
                    parametric()),
            new Model("octave graphic", Voice.Equalizer.OCTAVE_GRAPHIC, "ten fixed bands, an octave apart", graphic()));

    static final List<Model> MOVEMENTS = List.of(
            movement("chorus", Voice.MovingDelay.CHORUS,
                    "a copy whose delay sways beside the dry sound: shimmer, slight detuning", 0.8, 40, 50,
                    0),
            movement("wide chorus", Voice.MovingDelay.WIDE_CHORUS,
                    "two copies that sway against each other, left and right: wide, and no audible sweep in the sum",
                    0.5,
                    50, 50, 100),
            movement("flanger", Voice.MovingDelay.FLANGER, "a very short swaying delay: a comb that sweeps", 0.3, 60,
                    50, 0),
            new Model("four-stage phaser", Voice.Phaser.FOUR_STAGE, "two moving notches beside the dry sound",
                    List.of(rate(0.5), depth(60, "how far the notches move"), feedback(20),
                            mix(50, "half way the notches are deepest; 0 is the dry sound"), spread(0))),
            movement("vibrato", Voice.MovingDelay.VIBRATO, "the pitch sways, no dry sound beside it", 5, 30, 100, 0),
            tremolo("bias tremolo", Voice.Tremolo.BIAS, "the level sways softly, uneven as a valve's idle point moved"),
            tremolo("optical tremolo", Voice.Tremolo.OPTICAL,
                    "the level sways in a lopsided pulse, as a lamp and a light cell make it"),
            tremolo("harmonic tremolo", Voice.Tremolo.HARMONIC,
                    "lows and highs sway against each other: softer than a level that sways"),
            new Model("rotary", Voice.Rotary.HORN_AND_DRUM,
                    "turning horn and drum: level, pitch and sides sway; from slow to fast it takes its time",
                    List.of(choice(ControlNames.SPEED, List.of("slow", "fast"), Attribute.MOVEMENT,
                            "horn 0.8 or 6.7 turns a second, drum a little less"),
                            number(ControlNames.INERTIA, "s", Range.of(0.1, 5, 1.2), Attribute.MOVEMENT,
                                    "time to come to speed from standing still"),
                            depth(60, "how deep level and pitch sway"), mix(0, "0 is the dry sound"), spread(70))));

    static final List<Model> ECHOES = List.of(
            echo("clean echo", Voice.Echo.CLEAN, "repeats as they came, darker or thinner by its cuts",
                    20000, 0, 0),
            echo("tape-like echo", Voice.Echo.TAPE_LIKE,
                    "repeats lose highs, sway a little and saturate with each round", 4500, 25, 4),
            echo("analogue-like echo", Voice.Echo.ANALOGUE_LIKE, "repeats darken and blur with each round", 2500, 0, 3),
            echo("modulated echo", Voice.Echo.MODULATED, "repeats that sway in pitch", 9000, 60, 0),
            echo("dual echo", Voice.Echo.DUAL, "two echoes at once, the second at a share of the first one's time",
                    20000, 0, 0));

    static final List<Model> SPACES = List.of(
            space("plain hall", Voice.Space.HALL, "even decaying space behind the sound", 1.5, 10, 8000),
            space("room", Voice.Space.ROOM, "early reflections close by, short tail", 0.5, 4, 7000),
            space("plate", Voice.Space.PLATE, "dense from the start, bright, no walls", 1.8, 1, 12000),
            space("spring", Voice.Spring.TWO_SPRINGS, "drips and flutters: a pulse comes back smeared from high to low",
                    2.2, 1, 5000),
            space("ambience", Voice.Space.AMBIENCE, "mostly early reflections: air round the sound without a tail", 0.3,
                    2, 10000));

    static final List<Model> UTILITIES = List.of(
            new Model("looper", Voice.Looper.FIRST_STRETCH,
                    "records the first length of what comes before it and plays it on and on beneath the playing",
                    List.of(number(ControlNames.LENGTH, "s", Range.of(0.5, 60, 4), Attribute.TIME,
                            "how much it records"),
                            number(ControlNames.LEVEL, "%", Range.of(0, 100, 0), Attribute.LOUDNESS,
                                    "of the loop; 0: none"))),
            new Model("volume", Voice.Utility.VOLUME, "level and pan at this place of the chain",
                    List.of(number(ControlNames.LEVEL, "dB", Range.of(-60, 20, 0), Attribute.LOUDNESS, "at this place"),
                            number(ControlNames.PAN, "%", Range.of(-100, 100, 0), Attribute.WIDTH,
                                    "left to right, equal power; 0 leaves the sound as it is"))),
            new Model("doubler", Voice.Utility.DOUBLER,
                    "two performances panned apart; never one that is copied: it needs a second take",
                    List.of(number(ControlNames.SPREAD, "%", Range.of(0, 100, 80), Attribute.WIDTH,
                            "how far apart they stand"),
                            number(ControlNames.SECOND_TAKE, "dB", Range.of(-12, 12, 0), Attribute.LOUDNESS,
                                    "level of the second against the first"))));

    private EffectGear() {}

    private static Control rate(double start) {
        return number(ControlNames.RATE, "Hz", Range.of(0.05, 12, start), Attribute.MOVEMENT, "sweeps a second");
    }

    private static Control depth(double start, String about) {
        return number(ControlNames.DEPTH, "%", Range.of(0, 100, start), Attribute.MOVEMENT, about);
    }

    private static Control feedback(double start) {
        return number(ControlNames.FEEDBACK, "%", Range.of(0, 90, start), Attribute.COLOUR, "up: sharper, more vocal");
    }

    private static Control mix(double start, String about) {
        return number(ControlNames.MIX, "%", Range.of(0, 100, start), Attribute.SPACE, about);
    }

    private static Control spread(double start) {
        return number(ControlNames.SPREAD, "%", Range.of(0, 100, start), Attribute.WIDTH,
                "how far the sides sway apart in phase; 0 keeps a mono sound mono");
    }

    private static Model movement(String name, Voice voice, String about, double rateHz, double depth, double mix,
            double spread) {
        return new Model(name, voice, about,
                List.of(rate(rateHz), depth(depth, "how far it sways"),
                        feedback(voice == Voice.MovingDelay.FLANGER ? 40 : 0),
                        mix(mix, "0 is the dry sound, half way both are as loud"), spread(spread)));
    }

    private static Model tremolo(String name, Voice voice, String about) {
        return new Model(name, voice, about,
                List.of(rate(4), depth(50, "100: down to silence"), spread(0)));
    }

    private static Model echo(String name, Voice voice, String about, double highCutHz, double wow, double drive) {
        boolean second = voice == Voice.Echo.DUAL;
        return new Model(name, voice, about, List.of(
                number(ControlNames.TIME, "ms", Range.of(20, 2000, 400), Attribute.TIME,
                        "from a note to its first repeat"),
                number(ControlNames.FEEDBACK, "%", Range.of(0, 95, 25), Attribute.TIME,
                        "each repeat against the one before; up: more repeats"),
                number(ControlNames.MIX, "%", Range.of(0, 100, 0), Attribute.SPACE,
                        "0 is dry; half way the first repeat is as loud as the note"),
                number(ControlNames.LOW_CUT, "Hz", Range.of(20, 1000, 20), Attribute.LOWS, "thins the repeats")
                        .seldom(),
                number(ControlNames.HIGH_CUT, "Hz", Range.of(1000, 20000, highCutHz), Attribute.HIGHS,
                        "darkens the repeats")
                        .seldom(),
                choice(ControlNames.SIDES, List.of("centre", "ping-pong"), Attribute.WIDTH,
                        "whether repeats change sides"),
                number(ControlNames.WOW, "%", Range.of(0, 100, wow), Attribute.MOVEMENT,
                        "how far the repeats' time sways, 100: 4 ms to either side at 0.6 Hz").seldom(),
                Control.knob(ControlNames.DRIVE, drive, Attribute.SATURATION,
                        "saturation in the loop; up: repeats get denser")
                        .seldom(),
                number(ControlNames.SECOND_TAP, "%", Range.of(0, 200, second ? 50 : 0), Attribute.TIME,
                        "another repeat at this share of the time; 0: none").seldom(),
                number(ControlNames.SPREAD, "%", Range.of(0, 100, second ? 50 : 0), Attribute.WIDTH,
                        "first and second tap to either side").seldom(),
                MIX_LAW,
                choice(ControlNames.DRY, List.of("passed", "killed"), Attribute.SPACE,
                        "killed: only repeats come out, for a branch of its own").seldom()));
    }

    private static Model space(String name, Voice voice, String about, double decayS, double preDelayMs,
            double highCutHz) {
        return new Model(name, voice, about, List.of(
                number(ControlNames.DECAY, "s", Range.of(0.2, 8, decayS), Attribute.SPACE, "time to fall by 60 dB"),
                number(ControlNames.PRE_DELAY, "ms", Range.of(0, 150, preDelayMs), Attribute.SPACE,
                        "gap before the space answers; up: clearer attack"),
                number(ControlNames.LOW_CUT, "Hz", Range.of(20, 1000, 100), Attribute.LOWS,
                        "keeps lows out of the space")
                        .seldom(),
                number(ControlNames.HIGH_CUT, "Hz", Range.of(1000, 20000, highCutHz), Attribute.HIGHS,
                        "darkens the space")
                        .seldom(),
                number(ControlNames.MIX, "%", Range.of(0, 100, 0), Attribute.SPACE, "0 is the dry sound"),
                number(ControlNames.DENSITY, "%", Range.of(0, 100, 0), Attribute.SPACE,
                        "up: the answer is smeared before it enters the space; single echoes vanish").seldom(),
                MIX_LAW,
                choice(ControlNames.DRY, List.of("passed", "killed"), Attribute.SPACE,
                        "killed: only the space comes out, for a branch of its own").seldom()));
    }

    private static List<Control> parametric() {
        List<Control> out = new ArrayList<>();
        out.add(number(ControlNames.LOW_CUT, "Hz", Range.of(20, 400, 20), Attribute.LOWS, "removes what lies below"));
        out.add(gain(ControlNames.LOW_SHELF, Attribute.LOWS, "raises or lowers all below its corner"));
        out.add(number(ControlNames.LOW_CORNER, "Hz", Range.of(60, 400, 120), Attribute.LOWS,
                "corner of the low shelf"));
        double[] middles = {250, 700, 1800, 4000};
        for (int p = 1; p <= 4; p++) {
            out.add(gain(ControlNames.peak(p), Attribute.COLOUR, "raises or lowers around its frequency"));
            out.add(number(ControlNames.peakFrequency(p), "Hz", Range.of(60, 12000, middles[p - 1]), Attribute.COLOUR,
                    "middle of peak " + p));
            out.add(number(ControlNames.peakWidth(p), "Q", Range.of(0.3, 5, 1), Attribute.COLOUR, "up: narrower"));
        }
        out.add(gain(ControlNames.HIGH_SHELF, Attribute.HIGHS, "raises or lowers all above its corner"));
        out.add(number(ControlNames.HIGH_CORNER, "Hz", Range.of(1500, 12000, 5000), Attribute.HIGHS,
                "corner of the high shelf"));
        out.add(number(ControlNames.HIGH_CUT, "Hz", Range.of(2000, 20000, 20000), Attribute.HIGHS,
                "removes what lies above"));
        out.add(LEVEL);
        return out;
    }

    private static Control gain(String name, Attribute moves, String about) {
        return number(name, "dB", Range.of(-15, 15, 0), moves, about);
    }

    private static List<Control> graphic() {
        List<Control> out = new ArrayList<>();
        for (int hz = 31; hz <= 16000; hz = hz == 31 ? 62 : hz == 62 ? 125 : 2 * hz) {
            String name = hz < 1000 ? hz + " Hz" : hz / 1000 + " kHz";
            out.add(number(name, "dB", Range.of(-12, 12, 0),
                    hz < 200 ? Attribute.LOWS : hz < 2500 ? Attribute.MIDDLE : Attribute.HIGHS,
                    "the octave round " + name));
        }
        out.add(LEVEL);
        return out;
    }
}
