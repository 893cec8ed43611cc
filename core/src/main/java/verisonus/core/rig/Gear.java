package verisonus.core.rig;

import java.util.List;
import java.util.Optional;

/** Every model that can be simulated, described in this one place. */
public final class Gear {
    private static final List<Control> AMP_CONTROLS = List.of(
            Control.knob("gain", 5,
                    "how hard the first stages are driven; up: dirtier and more compressed, listen to soft notes"),
            Control.knob("bass", 5, "lows of the tone network before the power stage; up: thicker, later looser"),
            Control.knob("mid", 5, "middle of the tone network; up: fuller and more forward, down: hollow"),
            Control.knob("treble", 5, "highs of the tone network; up: brighter, also lets more highs clip"),
            Control.knob("presence", 5, "highs above 2 kHz after the power stage; up: closer and sharper"),
            Control.knob("master", 4, "how hard the power stage is driven; past the middle it adds its own saturation"),
            Control.knob("sag", 3, "how far the supply droops under loud notes; up: softer attack that blooms back"));

    private static final List<Control> MICROPHONE_CONTROLS = List.of(
            Control.number("position", "%", 0, 100, 30,
                    "from the cone's centre (0) to its edge (100); outwards: darker and softer"),
            Control.number("distance", "cm", 1, 60, 5,
                    "from the cloth; further: less low-end lift, a little less edge"),
            Control.number("level", "dB", -40, 40, 0, "output after the microphone; changes loudness only"));

    private static final List<Control> CABINET_CONTROLS = List.of(
            Control.number("low cut", "Hz", 20, 300, 20, "removes what lies below; up: leaner"),
            Control.number("high cut", "Hz", 3000, 20000, 20000, "removes what lies above; down: darker"));

    /** All models, in chain order. */
    public static final List<Model> MODELS = List.of(
            new Model("mid-hump overdrive", Kind.DRIVE,
                    "soft clipper that leaves lows clean and lifts the middle; tightens an amp behind it",
                    List.of(Control.knob("drive", 4, "gain into the clipper; up: dirtier"),
                            Control.knob("tone", 5, "treble after the clipper; up: brighter"),
                            Control.knob("level", 5, "output; up drives the amp harder, much as gain does"))),
            new Model("chiming edge", Kind.AMP, "bright amp that stays clear and breaks up late", AMP_CONTROLS),
            new Model("mid-forward crunch", Kind.AMP, "two cascaded stages, forward middle, crunches early",
                    AMP_CONTROLS),
            new Model("tight saturated", Kind.AMP, "three cascaded stages with trimmed lows, saturates and stays tight",
                    AMP_CONTROLS),
            new Model("1×12 open", Kind.CABINET, "small open-backed cabinet, light lows, forward upper middle",
                    CABINET_CONTROLS),
            new Model("2×12 open", Kind.CABINET, "open-backed pair, airy highs, loose lows", CABINET_CONTROLS),
            new Model("4×12 closed", Kind.CABINET, "closed stack, thick low end, steep fall above 5 kHz",
                    CABINET_CONTROLS),
            new Model("dynamic microphone", Kind.MICROPHONE, "lift around 5 kHz, little below 100 Hz",
                    MICROPHONE_CONTROLS),
            new Model("ribbon microphone", Kind.MICROPHONE, "smooth falling highs, strong lows close up",
                    MICROPHONE_CONTROLS),
            new Model("condenser microphone", Kind.MICROPHONE, "wide and even, a little air on top",
                    MICROPHONE_CONTROLS),
            new Model("parametric equalizer", Kind.EQUALIZER, "two cuts, two shelves and four peaks",
                    List.of(Control.number("low cut", "Hz", 20, 400, 20, "removes what lies below"),
                            Control.number("low shelf", "dB", -15, 15, 0, "raises or lowers all below its corner"),
                            Control.number("low corner", "Hz", 60, 400, 120, "corner of the low shelf"),
                            Control.number("peak 1", "dB", -15, 15, 0, "raises or lowers around its frequency"),
                            Control.number("peak 1 frequency", "Hz", 60, 12000, 250, "middle of peak 1"),
                            Control.number("peak 1 width", "Q", 0.3, 5, 1, "up: narrower"),
                            Control.number("peak 2", "dB", -15, 15, 0, "raises or lowers around its frequency"),
                            Control.number("peak 2 frequency", "Hz", 60, 12000, 700, "middle of peak 2"),
                            Control.number("peak 2 width", "Q", 0.3, 5, 1, "up: narrower"),
                            Control.number("peak 3", "dB", -15, 15, 0, "raises or lowers around its frequency"),
                            Control.number("peak 3 frequency", "Hz", 60, 12000, 1800, "middle of peak 3"),
                            Control.number("peak 3 width", "Q", 0.3, 5, 1, "up: narrower"),
                            Control.number("peak 4", "dB", -15, 15, 0, "raises or lowers around its frequency"),
                            Control.number("peak 4 frequency", "Hz", 60, 12000, 4000, "middle of peak 4"),
                            Control.number("peak 4 width", "Q", 0.3, 5, 1, "up: narrower"),
                            Control.number("high shelf", "dB", -15, 15, 0, "raises or lowers all above its corner"),
                            Control.number("high corner", "Hz", 1500, 12000, 5000, "corner of the high shelf"),
                            Control.number("high cut", "Hz", 2000, 20000, 20000, "removes what lies above"),
                            Control.number("level", "dB", -20, 20, 0, "output; changes loudness only"))),
            new Model("four-stage phaser", Kind.MODULATION, "two moving notches beside the dry sound",
                    List.of(Control.number("rate", "Hz", 0.05, 8, 0.5, "sweeps a second"),
                            Control.number("depth", "%", 0, 100, 60, "how far the notches move"),
                            Control.number("feedback", "%", 0, 90, 20, "up: sharper, more vocal"),
                            Control.number("mix", "%", 0, 100, 50,
                                    "half way the notches are deepest; 0 is the dry sound"))),
            new Model("clean echo", Kind.ECHO,
                    "repeats as they came, darker or thinner by its cuts; dry held at full up to half mix",
                    List.of(Control.number("time", "ms", 20, 2000, 350, "from a note to its first repeat"),
                            Control.number("feedback", "%", 0, 95, 30,
                                    "each repeat against the one before; up: more repeats"),
                            Control.number("mix", "%", 0, 100, 0,
                                    "0 is dry; at 50 the first repeat is as loud as the note"),
                            Control.number("low cut", "Hz", 20, 1000, 20, "thins the repeats"),
                            Control.number("high cut", "Hz", 1000, 20000, 20000, "darkens the repeats"),
                            Control.choice("sides", List.of("centre", "ping-pong"), "whether repeats change sides"))),
            new Model("plain hall", Kind.REVERB,
                    "even decaying space behind the sound; dry held at full up to half mix",
                    List.of(Control.number("decay", "s", 0.2, 8, 1.5, "time to fall by 60 dB"),
                            Control.number("pre-delay", "ms", 0, 150, 10,
                                    "gap before the space answers; up: clearer attack"),
                            Control.number("low cut", "Hz", 20, 1000, 100, "keeps lows out of the space"),
                            Control.number("high cut", "Hz", 1000, 20000, 8000, "darkens the space"),
                            Control.number("mix", "%", 0, 100, 0, "0 is dry"))));

    private Gear() {}

    public static Optional<Model> find(String name) {
        return MODELS.stream().filter(m -> m.name().equals(name)).findFirst();
    }

    /** The model of this name. @throws IllegalArgumentException where there is none */
    public static Model model(String name) {
        return find(name).orElseThrow(() -> new IllegalArgumentException("no model " + name));
    }

    public static List<Model> of(Kind kind) {
        return MODELS.stream().filter(m -> m.kind() == kind).toList();
    }
}
