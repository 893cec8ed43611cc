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
            knob(ControlNames.GAIN, 5, Attribute.SATURATION,
                    "how hard the first stages are driven; up: dirtier and more compressed, listen to soft notes")
                    .tapered(Taper.AUDIO),
            knob(ControlNames.BASS, 5, Attribute.LOWS,
                    "lows of the tone network before the power stage; up: thicker, later looser")
                    .tapered(Taper.AUDIO),
            knob(ControlNames.MID, 5, Attribute.MIDDLE,
                    "middle of the tone network; up: fuller and more forward, down: hollow"),
            knob(ControlNames.TREBLE, 5, Attribute.HIGHS,
                    "highs of the tone network; up: brighter, also lets more highs clip"),
            knob(ControlNames.PRESENCE, 5, Attribute.HIGHS,
                    "highs above 2 kHz after the power stage; up: closer and sharper"),
            knob(ControlNames.MASTER, 4, Attribute.SATURATION,
                    "how hard the power stage is driven; past the middle it adds its own saturation")
                    .tapered(Taper.AUDIO),
            knob(ControlNames.SAG, 3, Attribute.FEEL,
                    "how far the power supply gives way under loud notes; up: softer attack that blooms back"),
            knob(ControlNames.TREBLE_CUT, 0, Attribute.HIGHS,
                    "runs backwards: up takes highs away after the power stage")
                    .tapered(Taper.REVERSED),
            choice(ControlNames.BRIGHT, List.of("off", "on"), Attribute.HIGHS,
                    "on: highs pass round the gain control, most when it is low"),
            knob(ControlNames.RIPPLE, 0, Attribute.NOISE,
                    "mains left on the supply; up: loud notes carry a low ghost note beside them"),
            knob(ControlNames.IDLE_CURRENT, 5, Attribute.FEEL,
                    "of the output valves; down: cold, buzzing at low level, up: warm and softer. Simulated only: in real"
                            + " valve gear lethal voltages stay after switching off, leave it to a qualified technician"),
            knob(ControlNames.ATTACK_SOFTENING, 0, Attribute.FEEL,
                    "up: the pick's edge is rounded before the first stage"),
            knob(ControlNames.LOW_RESONANCE, 0, Attribute.LOWS,
                    "lift where the loudspeaker resonates and the power stage cannot hold it; up: thump"),
            number(ControlNames.RESONANCE_CENTRE, "Hz", Range.of(60, 200, 95), Attribute.LOWS, "where that lift lies"),
            number(ControlNames.TREBLE_CENTRE, "Hz", Range.of(1200, 6000, 2400), Attribute.HIGHS,
                    "from where presence works"),
            number(ControlNames.LOWS_BEFORE_CLIPPING, "dB", Range.of(-15, 15, 0), Attribute.FEEL,
                    "shelf at 200 Hz before the first stage; down: tighter and clearer chords"),
            number(ControlNames.MIDDLE_BEFORE_CLIPPING, "dB", Range.of(-15, 15, 0), Attribute.SATURATION,
                    "peak at 800 Hz before the first stage; up: sings, saturates more"),
            number(ControlNames.HIGHS_BEFORE_CLIPPING, "dB", Range.of(-15, 15, 0), Attribute.SATURATION,
                    "shelf at 2 kHz before the first stage; up: fizz, pick noise"),
            number(ControlNames.LOWS_AFTER_CLIPPING, "dB", Range.of(-15, 15, 0), Attribute.LOWS,
                    "shelf at 150 Hz after the last stage; changes colour only"),
            number(ControlNames.HIGHS_AFTER_CLIPPING, "dB", Range.of(-15, 15, 0), Attribute.HIGHS,
                    "shelf at 3 kHz after the last stage; changes colour only"),
            choice(ControlNames.TONE_NETWORK, List.of("its own", "bright", "forward", "scooped"), Attribute.COLOUR,
                    "which values the bass, middle and treble network has"),
            choice(ControlNames.OUTPUT_VALVES, List.of("its own", "small, early", "large, late", "beam, firm"),
                    Attribute.FEEL,
                    "small ones break up early and softly, large ones late, beam ones abruptly"),
            choice(ControlNames.TRANSFORMER, List.of("its own", "small, soft", "large, firm"), Attribute.LOWS,
                    "a small one saturates on lows and holds loud notes back, a large one stays open"),
            choice(ControlNames.GAIN_RANGE, List.of("its own", "low", "high"), Attribute.SATURATION,
                    "8 dB less or more in front"),
            choice(ControlNames.BODY, List.of("off", "on"), Attribute.MIDDLE,
                    "on: lower middle goes into the first stage louder")));

    static final List<Model> AMPS = List.of(
            new Model("open clean", Voice.Amp.OPEN_CLEAN, "wide and even, stays clean to the end of its gain",
                    CONTROLS),
            new Model("chiming edge", Voice.Amp.CHIMING_EDGE, "bright amp that stays clear and breaks up late",
                    CONTROLS),
            new Model("small combo", Voice.Amp.SMALL_COMBO,
                    "one valve of everything: lopsided, soft, breaks up with its power stage",
                    CONTROLS),
            new Model("mid-forward crunch", Voice.Amp.MID_FORWARD_CRUNCH,
                    "two cascaded stages, forward middle, crunches early", CONTROLS),
            new Model("tight saturated", Voice.Amp.TIGHT_SATURATED,
                    "three cascaded stages with trimmed lows, saturates and stays tight",
                    CONTROLS));

    private AmpGear() {}

    private static List<Control> shown(List<Control> all) {
        List<Control> out = new ArrayList<>(all.subList(0, ALWAYS_SHOWN));
        all.subList(ALWAYS_SHOWN, all.size()).forEach(c -> out.add(c.seldom()));
        return List.copyOf(out);
    }
}
