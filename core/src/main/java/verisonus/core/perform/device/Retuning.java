package verisonus.core.perform.device;

import java.util.ArrayList;
import java.util.List;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.Tone;
import verisonus.core.work.Progress;

/**
 * Turns what can be turned until a tone is as near to another as it gets: one control after the other, steps halved round by round
 * (compass search; R. Hooke and T. Jeeves 1961), every step rendered. A control that gained nothing that is heard goes back.
 */
final class Retuning {
    private static final double FIRST_STEP = 0.16;
    private static final int ROUNDS = 4;
    private static final double LEAST_GAIN_JND = 0.01;
    private static final double WORTH_JND = 0.05;
    private static final double MARGIN = 0.06;

    private final TonePlayed heard;

    Retuning(TonePlayed heard) {
        this.heard = heard;
    }

    private static boolean isTurned(Block b, Control c) {
        if (!b.on() || c.isChoice()) return false;
        return switch (b.model().kind()) {
            case AMP -> switch (c.name()) {
                case ControlNames.GAIN, ControlNames.BASS, ControlNames.MID, ControlNames.TREBLE, ControlNames.PRESENCE,
                        ControlNames.MASTER ->
                    true;
                default -> false;
            };
            case DRIVE -> true;
            case MICROPHONE -> c.name().equals(ControlNames.POSITION) || c.name().equals(ControlNames.DISTANCE);
            case EQUALIZER -> c.unit().equals("dB") && !c.name().equals(ControlNames.LEVEL);
            case ECHO -> c.name().equals(ControlNames.MIX) || c.name().equals(ControlNames.FEEDBACK);
            case REVERB -> c.name().equals(ControlNames.MIX) || c.name().equals(ControlNames.DECAY);
            default -> false;
        };
    }

    Tone nearest(Tone from, Progress progress) {
        List<ControlPlace> places = new ArrayList<>();
        for (Block b : from.blocks())
            for (Control c : b.model().turnable()) if (isTurned(b, c)) places.add(ControlPlace.of(b, c.name()));
        Tone now = from;
        double gap = heard.gapJnd(now);
        double step = FIRST_STEP;
        for (int round = 0; round < ROUNDS; round++, step /= 2) {
            for (ControlPlace p : places) {
                progress.step((round + 0.5) / ROUNDS, "turning " + p);
                for (int way : new int[]{1, -1}) {
                    Tone tried = moved(now, p, way * step);
                    double g = heard.gapJnd(tried);
                    if (g < gap - LEAST_GAIN_JND) {
                        now = tried;
                        gap = g;
                        break;
                    }
                }
            }
        }
        return withoutIdleTurns(from, now, places, gap);
    }

    private static Tone moved(Tone t, ControlPlace p, double by) {
        Block b = t.find(p.block()).orElseThrow();
        Control c = b.model().control(p.control());
        double from = c.position(b.get(p.control()));
        // An end of the track is left to the player: there is nothing beyond it to turn to.
        double v = c.valueAt(Math.clamp(from + by, Math.min(from, MARGIN), Math.max(from, 1 - MARGIN)));
        double step = switch (c.unit()) {
            case "0-10", "dB" -> 0.1;
            case "s" -> 0.05;
            default -> 1;
        };
        return t.with(b.with(p.control(), c.clamp(step * Math.rint(v / step))));
    }

    private Tone withoutIdleTurns(Tone from, Tone turned, List<ControlPlace> places, double gap) {
        Tone now = turned;
        double least = gap;
        for (ControlPlace p : places) {
            double was = from.find(p.block()).orElseThrow().get(p.control());
            Block b = now.find(p.block()).orElseThrow();
            if (Math.abs(was - b.get(p.control())) < 1e-9) continue;
            Tone back = now.with(b.with(p.control(), was));
            double g = heard.gapJnd(back);
            if (g < least + WORTH_JND) {
                now = back;
                least = g;
            }
        }
        return now;
    }
}
