package verisonus.core.simulate.loudspeaker;

import java.util.Optional;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Voice;

/**
 * Magnitude response of cabinet and microphone as formula curves: low resonance and fall of the box, middle dip,
 * presence lift and break-up of the cone, steep fall above; proximity lift, presence and fall of the microphone;
 * darkening from the cone's centre to its edge. In decibels, so that all of them add.
 */
public final class LoudspeakerCurve {
    /** Shape of one cabinet: corner and lift of the lows, centre and depth of the dip, lift, and fall of the highs. */
    private enum Cabinet {
        TINY_OPEN(150, 3, 420, -1, 2000, 6, 4600, 4.5),
        QUICK_OPEN(120, 2, 430, -2, 2700, 4, 5600, 4.5),
        SMALL_OPEN(105,
                2.5,
                450, -2.5, 2400, 5, 5200, 5),
        PAIR_OPEN(85, 2, 380, -3.5, 3000, 4.5, 6000,
                4.5),
        PAIR_CLOSED(78, 3.5, 480, -1.5, 2600, 4, 5200, 5.5),
        STACK_CLOSED(72, 4.5, 520, -2,
                2700, 5.5, 4700, 6.5);

        private final double lowHz;
        private final double lowLiftDb;
        private final double dipHz;
        private final double dipDb;
        private final double liftHz;
        private final double liftDb;
        private final double fallHz;
        private final double fallOrder;

        Cabinet(double lowHz, double lowLiftDb, double dipHz, double dipDb, double liftHz, double liftDb, double fallHz,
                double fallOrder) {
            this.lowHz = lowHz;
            this.lowLiftDb = lowLiftDb;
            this.dipHz = dipHz;
            this.dipDb = dipDb;
            this.liftHz = liftHz;
            this.liftDb = liftDb;
            this.fallHz = fallHz;
            this.fallOrder = fallOrder;
        }

        static Optional<Cabinet> of(Voice.Cabinet voice) {
            return switch (voice) {
                case OPEN_1X8 -> Optional.of(TINY_OPEN);
                case OPEN_1X10 -> Optional.of(QUICK_OPEN);
                case OPEN_1X12 -> Optional.of(SMALL_OPEN);
                case OPEN_2X12 -> Optional.of(PAIR_OPEN);
                case CLOSED_2X12 -> Optional.of(PAIR_CLOSED);
                case CLOSED_4X12 -> Optional.of(STACK_CLOSED);
                case IMPULSE_RESPONSE -> Optional.empty();
            };
        }

        double gainDb(double hz) {
            return highPass(hz, lowHz, 2) + bump(hz, lowHz * 1.35, lowLiftDb, 0.5) + bump(hz, dipHz, dipDb, 0.8)
                    + bump(hz, liftHz, liftDb, 0.7)
                    + 1.5 * Math.cos(9 * Math.log(hz / liftHz)) / (1 + Math.pow(800 / hz, 2))
                    + lowPass(hz, fallHz, fallOrder);
        }
    }

    private LoudspeakerCurve() {}

    /** Gain of the cabinet alone, dB; of an impulse response only what its own cuts and level do. */
    public static double cabinetDb(Block cabinet, double hz) {
        double cuts = highPass(hz, cabinet.get(ControlNames.LOW_CUT), cabinet.get(ControlNames.LOW_CUT) <= 20 ? 0 : 2)
                + lowPass(hz, cabinet.get(ControlNames.HIGH_CUT), cabinet.get(ControlNames.HIGH_CUT) >= 20000 ? 0 : 2);
        return Cabinet.of((Voice.Cabinet) cabinet.model().voice())
                .map(c -> c.gainDb(hz) + speakersDb(cabinet, hz) + cuts)
                .orElseGet(() -> cuts + cabinet.get(ControlNames.LEVEL));
    }

    /** One speaker, or two unlike ones whose sounds add in step, each by its share. */
    private static double speakersDb(Block cabinet, double hz) {
        double first = speakerDb((int) Math.round(cabinet.get(ControlNames.SPEAKER)), hz);
        double share = cabinet.get(ControlNames.SECOND_SHARE) / 100;
        if (share <= 0) return first;
        double second = speakerDb((int) Math.round(cabinet.get(ControlNames.SECOND_SPEAKER)), hz);
        return 20 * Math.log10((1 - share) * Math.pow(10, first / 20) + share * Math.pow(10, second / 20));
    }

    /** Another speaker in the same box, against its own. */
    private static double speakerDb(int speaker, double hz) {
        return switch (speaker) {
            case 1 -> -4 / (1 + Math.pow(3200 / hz, 3)) + bump(hz, 250, 1, 0.8);
            case 2 -> bump(hz, 3000, 3.5, 0.6) - bump(hz, 200, 1.5, 0.8);
            case 3 -> bump(hz, 5200, 4, 0.6) - bump(hz, 900, 1.5, 0.7);
            case 4 -> bump(hz, 1200, -3, 0.7) + bump(hz, 130, 1.5, 0.6) - 2 / (1 + Math.pow(4200 / hz, 2));
            default -> 0;
        };
    }

    /** Gain of the microphone in front of the cone, its level left out, dB. */
    public static double microphoneDb(Block microphone, double hz) {
        double position = microphone.get(ControlNames.POSITION) / 100;
        double distance = microphone.get(ControlNames.DISTANCE);
        double near = 1 / (1 + distance / 8);
        Voice.Microphone voice = (Voice.Microphone) microphone.model().voice();
        double colour = switch (voice) {
            case DYNAMIC ->
                highPass(hz, 110, 1) + bump(hz, 5200, 5, 0.6) + proximity(hz, 7 * near) + lowPass(hz, 13000, 2);
            case RIBBON -> proximity(hz, 10 * near) + lowPass(hz, 5500, 0.9) + bump(hz, 1500, -1, 1);
            case CONDENSER -> highPass(hz, 30, 1) + proximity(hz, 4 * near) + bump(hz, 9500, 2.5, 0.7);
        };
        double edge = -position * (9 / (1 + Math.pow(2600 / hz, 2)) + bump(hz, 2200, 2, 0.6))
                + position * bump(hz, 300, 1.5, 0.9);
        double air = -distance / 60 * 2.5 / (1 + Math.pow(5000 / hz, 2));
        // Off the axis a ribbon loses highs most, a condenser least.
        double turned = switch (voice) {
            case DYNAMIC -> 8;
            case RIBBON -> 10;
            case CONDENSER -> 5;
        };
        double side = 1 - Math.cos(Math.toRadians(microphone.get(ControlNames.ANGLE)));
        return colour + edge + air - turned * side / (1 + Math.pow(4000 / hz, 2));
    }

    /** Presence of the amp's power stage with its centre in the middle, dB; it stands after the last clipper. */
    public static double presenceDb(double presence, double hz) {
        return presenceDb(presence, 2400, hz);
    }

    private static double presenceDb(double presence, double centreHz, double hz) {
        return (presence - 5) * 1.4 / (1 + Math.pow(centreHz / hz, 2));
    }

    /** All of an amp that follows its last clipper: presence, treble cut, resonance, shelves, what was learnt, dB. */
    public static double ampDb(Block amp, double hz) {
        double cut = amp.get(ControlNames.TREBLE_CUT);
        double resonance = amp.get(ControlNames.LOW_RESONANCE);
        return presenceDb(amp.get(ControlNames.PRESENCE), amp.get(ControlNames.TREBLE_CENTRE), hz)
                - cut * 1.6 / (1 + Math.pow(2000 / hz, 2))
                + bump(hz, amp.get(ControlNames.RESONANCE_CENTRE), 0.9 * resonance, 0.5)
                + amp.get(ControlNames.LOWS_AFTER_CLIPPING) / (1 + Math.pow(hz / 150, 2))
                + amp.get(ControlNames.HIGHS_AFTER_CLIPPING) / (1 + Math.pow(3000 / hz, 2))
                + (amp.model().voice() instanceof Voice.Learnt learnt ? learnt.afterDb(hz) : 0);
    }

    /** Whether an amp leaves what comes after its last clipper as it is. */
    public static boolean isFlatAfterClipping(Block amp) {
        return amp.model().voice() instanceof Voice.Amp && amp.get(ControlNames.PRESENCE) == 5
                && amp.get(ControlNames.TREBLE_CUT) == 0
                && amp.get(ControlNames.LOW_RESONANCE) == 0
                && amp.get(ControlNames.LOWS_AFTER_CLIPPING) == 0 && amp.get(ControlNames.HIGHS_AFTER_CLIPPING) == 0;
    }

    /** All that follows the last clipper up to the microphone's cable, its level included, dB. */
    public static double totalDb(Tone tone, double hz) {
        double db = 0;
        for (Block b : tone.main()) {
            if (!b.on()) continue;
            if (b.model().kind() == GearKind.CABINET) db += cabinetDb(b, hz);
            if (b.model().kind() == GearKind.MICROPHONE) db += microphoneDb(b, hz) + b.get(ControlNames.LEVEL);
            if (b.model().kind() == GearKind.AMP) db += ampDb(b, hz);
        }
        return db;
    }

    private static double bump(double hz, double centreHz, double gainDb, double octaves) {
        double u = Math.log(hz / centreHz) / Math.log(2) / octaves;
        return gainDb * Math.exp(-0.5 * u * u);
    }

    private static double proximity(double hz, double liftDb) {
        return liftDb / (1 + Math.pow(hz / 150, 2));
    }

    private static double highPass(double hz, double cornerHz, double order) {
        return order == 0 ? 0 : -10 * Math.log10(1 + Math.pow(cornerHz / hz, 2 * order));
    }

    private static double lowPass(double hz, double cornerHz, double order) {
        return order == 0 ? 0 : -10 * Math.log10(1 + Math.pow(hz / cornerHz, 2 * order));
    }
}
