package verisonus.core.rig;

import static verisonus.core.rig.Control.choice;
import static verisonus.core.rig.Control.number;

import java.util.List;
import verisonus.core.rig.Control.Attribute;
import verisonus.core.rig.Control.Range;

/** Cabinets, impulse responses and microphones. */
final class LoudspeakerGear {
    private static final Control LOW_CUT = number(ControlNames.LOW_CUT, "Hz", Range.of(20, 300, 20), Attribute.LOWS,
            "removes what lies below; up: leaner").seldom();
    private static final Control HIGH_CUT = number(ControlNames.HIGH_CUT, "Hz", Range.of(3000, 20000, 20000),
            Attribute.HIGHS,
            "removes what lies above; down: darker");
    private static final List<String> SPEAKERS = List.of("its own", "smooth", "biting", "chiming", "worn");
    private static final List<Control> CABINET = List.of(LOW_CUT, HIGH_CUT,
            choice(ControlNames.SPEAKER, SPEAKERS, Attribute.COLOUR,
                    "cone and magnet: smooth falls early, biting lifts 3 kHz, chiming opens above, worn dips the middle")
                    .seldom(),
            choice(ControlNames.SECOND_SPEAKER, SPEAKERS, Attribute.COLOUR, "an unlike one in the same box").seldom(),
            number(ControlNames.SECOND_SHARE, "%", Range.of(0, 100, 0), Attribute.COLOUR,
                    "how much of what the microphone hears comes from the second speaker; 0: none").seldom());
    private static final List<Control> MICROPHONE = List.of(
            number(ControlNames.POSITION, "%", Range.of(0, 100, 30), Attribute.HIGHS,
                    "from the cone's centre (0) to its edge (100); outwards: darker and softer"),
            number(ControlNames.DISTANCE, "cm", Range.of(1, 60, 5), Attribute.LOWS,
                    "from the cloth; further: less low-end lift, a little less edge"),
            number(ControlNames.LEVEL, "dB", Range.of(-40, 40, 0), Attribute.LOUDNESS,
                    "output after the microphone; changes loudness only"),
            number(ControlNames.ANGLE, "°", Range.of(0, 60, 0), Attribute.HIGHS,
                    "turned off the axis; up: softer highs")
                    .seldom(),
            choice(ControlNames.PHASE, List.of("as it is", "turned"), Attribute.COLOUR,
                    "turned: heard only beside a second microphone or branch; the fuller sum is usually right")
                    .seldom());

    static final List<Model> CABINETS = List.of(
            new Model("1×8 open", Voice.Cabinet.OPEN_1X8, "a small box: honking middle, hardly any lows", CABINET),
            new Model("1×10 open", Voice.Cabinet.OPEN_1X10, "quick and middling, light lows", CABINET),
            new Model("1×12 open", Voice.Cabinet.OPEN_1X12,
                    "small open-backed cabinet, light lows, forward upper middle",
                    CABINET),
            new Model("2×12 open", Voice.Cabinet.OPEN_2X12, "open-backed pair, airy highs, loose lows", CABINET),
            new Model("2×12 closed", Voice.Cabinet.CLOSED_2X12, "closed pair, firm lows, even middle", CABINET),
            new Model("4×12 closed", Voice.Cabinet.CLOSED_4X12, "closed stack, thick low end, steep fall above 5 kHz",
                    CABINET),
            new Model("impulse response", Voice.Cabinet.IMPULSE_RESPONSE,
                    "a cabinet and microphone measured once, from a WAV file",
                    List.of(LOW_CUT, HIGH_CUT,
                            number(ControlNames.LEVEL, "dB", Range.of(-40, 40, 0), Attribute.LOUDNESS,
                                    "changes loudness only"),
                            number(ControlNames.LENGTH, "ms", Range.of(5, 1000, 1000), Attribute.SPACE,
                                    "cut off after that; down: drier, less low end"),
                            choice(ControlNames.MINIMUM_PHASE, List.of("off", "on"), Attribute.TIME,
                                    "on: same colour without its own delay, so that it adds to others cleanly"))));

    static final List<Model> MICROPHONES = List.of(
            new Model("dynamic microphone", Voice.Microphone.DYNAMIC, "lift around 5 kHz, little below 100 Hz",
                    MICROPHONE),
            new Model("ribbon microphone", Voice.Microphone.RIBBON,
                    "smooth falling highs, strong lows close up; phantom power can destroy a ribbon, switch it off first",
                    MICROPHONE),
            new Model("condenser microphone", Voice.Microphone.CONDENSER, "wide and even, a little air on top",
                    MICROPHONE));

    private LoudspeakerGear() {}
}
