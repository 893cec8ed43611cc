package verisonus.core.rig;

import static verisonus.core.rig.Control.choice;
import static verisonus.core.rig.Control.knob;
import static verisonus.core.rig.Control.number;

import java.util.ArrayList;
import java.util.List;
import verisonus.core.rig.Control.Attribute;
import verisonus.core.rig.Control.Range;
import verisonus.core.rig.Control.Taper;

/** Amps. All have the same controls; what is neutral leaves the voicing as it is. */
final class AmpGear {
    private static final int ALWAYS_SHOWN = 7;
    private static final List<Control> CONTROLS = shown(List.of(
            knob("gain", 5, Attribute.SATURATION,
                    "how hard the first stages are driven; up: dirtier and more compressed, listen to soft notes")
                    .tapered(Taper.AUDIO),
            knob("bass", 5, Attribute.LOWS,
                    "lows of the tone network before the power stage; up: thicker, later looser")
                    .tapered(Taper.AUDIO),
            knob("mid", 5, Attribute.MIDDLE, "middle of the tone network; up: fuller and more forward, down: hollow"),
            knob("treble", 5, Attribute.HIGHS, "highs of the tone network; up: brighter, also lets more highs clip"),
            knob("presence", 5, Attribute.HIGHS, "highs above 2 kHz after the power stage; up: closer and sharper"),
            knob("master", 4, Attribute.SATURATION,
                    "how hard the power stage is driven; past the middle it adds its own saturation")
                    .tapered(Taper.AUDIO),
            knob("sag", 3, Attribute.FEEL,
                    "how far the supply droops under loud notes; up: softer attack that blooms back"),
            knob("treble cut", 0, Attribute.HIGHS, "runs backwards: up takes highs away after the power stage")
                    .tapered(Taper.REVERSED),
            choice("bright", List.of("off", "on"), Attribute.HIGHS,
                    "on: highs pass round the gain control, most when it is low"),
            knob("ripple", 0, Attribute.NOISE,
                    "mains left on the supply; up: loud notes carry a low ghost note beside them"),
            knob("idle current", 5, Attribute.FEEL,
                    "of the output valves; down: cold, buzzing at low level, up: warm and softer. Simulated only: in real"
                            + " valve gear lethal voltages stay after switching off, leave it to a qualified technician"),
            knob("attack softening", 0, Attribute.FEEL, "up: the pick's edge is rounded before the first stage"),
            knob("low resonance", 0, Attribute.LOWS,
                    "lift where the loudspeaker resonates and the power stage cannot hold it; up: thump"),
            number("resonance centre", "Hz", Range.of(60, 200, 95), Attribute.LOWS, "where that lift lies"),
            number("treble centre", "Hz", Range.of(1200, 6000, 2400), Attribute.HIGHS, "from where presence works"),
            number("lows before clipping", "dB", Range.of(-15, 15, 0), Attribute.FEEL,
                    "shelf at 200 Hz before the first stage; down: tighter and clearer chords"),
            number("middle before clipping", "dB", Range.of(-15, 15, 0), Attribute.SATURATION,
                    "peak at 800 Hz before the first stage; up: sings, saturates more"),
            number("highs before clipping", "dB", Range.of(-15, 15, 0), Attribute.SATURATION,
                    "shelf at 2 kHz before the first stage; up: fizz, pick noise"),
            number("lows after clipping", "dB", Range.of(-15, 15, 0), Attribute.LOWS,
                    "shelf at 150 Hz after the last stage; changes colour only"),
            number("highs after clipping", "dB", Range.of(-15, 15, 0), Attribute.HIGHS,
                    "shelf at 3 kHz after the last stage; changes colour only"),
            choice("tone network", List.of("its own", "bright", "forward", "scooped"), Attribute.COLOUR,
                    "which values the bass, middle and treble network has"),
            choice("output valves", List.of("its own", "small, early", "large, late", "beam, firm"), Attribute.FEEL,
                    "small ones break up early and softly, large ones late, beam ones abruptly"),
            choice("transformer", List.of("its own", "small, soft", "large, firm"), Attribute.LOWS,
                    "a small one saturates on lows and holds loud notes back, a large one stays open"),
            choice("gain range", List.of("its own", "low", "high"), Attribute.SATURATION, "8 dB less or more in front"),
            choice("body", List.of("off", "on"), Attribute.MIDDLE,
                    "on: lower middle goes into the first stage louder")));

    static final List<Model> AMPS = List.of(
            new Model("open clean", Kind.AMP, "wide and even, stays clean to the end of its gain", CONTROLS),
            new Model("chiming edge", Kind.AMP, "bright amp that stays clear and breaks up late", CONTROLS),
            new Model("small combo", Kind.AMP,
                    "one valve of everything: lopsided, soft, breaks up with its power stage",
                    CONTROLS),
            new Model("mid-forward crunch", Kind.AMP, "two cascaded stages, forward middle, crunches early", CONTROLS),
            new Model("tight saturated", Kind.AMP, "three cascaded stages with trimmed lows, saturates and stays tight",
                    CONTROLS));

    private AmpGear() {}

    private static List<Control> shown(List<Control> all) {
        List<Control> out = new ArrayList<>(all.subList(0, ALWAYS_SHOWN));
        all.subList(ALWAYS_SHOWN, all.size()).forEach(c -> out.add(c.seldom()));
        return List.copyOf(out);
    }
}
