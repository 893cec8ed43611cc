package verisonus.core.perform.device;

import java.util.ArrayList;
import java.util.List;
import verisonus.core.feel.FairSwap;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Model;
import verisonus.core.rig.Tone;
import verisonus.core.sound.Sound;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

/**
 * One pedal in front of another amp: how the pedal must be turned there so that the tone is as dirty and as loud as it was, everything
 * behind the amp as it stands. Differences of colour between the amps remain and are told.
 *
 * @param amp the other amp, at its neutral settings
 * @param tone with that amp and the pedal turned
 * @param beforeJnd how far the tone lies from itself with the amp exchanged and nothing turned
 * @param afterJnd the same with the pedal turned
 * @param turned "drive 4.0 to 6.2"; empty where it may stay as it is
 */
public record DriveTrim(Model amp, Tone tone, double beforeJnd, double afterJnd, List<String> turned) {
    private static final double MOVED = 0.1;

    public DriveTrim {
        turned = List.copyOf(turned);
    }

    /**
     * The pedal's settings on each of these amps.
     *
     * @param amps the tone's own is left out
     * @throws InputFault where the tone has no amp or no pedal that is on
     */
    public static List<DriveTrim> of(Tone tone, List<Model> amps, Sound phrase, Progress progress) {
        Block amp = tone.first(GearKind.AMP).filter(Block::on)
                .orElseThrow(() -> new InputFault(tone.name(), "it has no amp that is on", "put one in"));
        Block pedal = tone.first(GearKind.DRIVE).filter(Block::on).orElseThrow(
                () -> new InputFault(tone.name(), "it has no pedal that is on", "name a tone that uses one"));
        TonePlayed wanted = new TonePlayed(tone, phrase);
        FairSwap fair = new FairSwap(phrase);
        List<DriveTrim> out = new ArrayList<>();
        for (Model m : amps) {
            if (m.kind() != GearKind.AMP || m.voice().equals(amp.model().voice())) continue;
            progress.step(out.size() / (double) amps.size(), "the pedal on " + m.name());
            Tone there = tone.with(amp.exchangedFor(m));
            Tone trimmed = fair.balanced(tone, there, pedal.id());
            double before = wanted.gapJnd(there);
            double after = wanted.gapJnd(trimmed);
            // What brings nothing nearer is not asked of the player.
            boolean helps = after < before;
            out.add(new DriveTrim(m, helps ? trimmed : there, before, helps ? after : before,
                    helps ? turned(pedal, trimmed) : List.of()));
        }
        return out;
    }

    private static List<String> turned(Block pedal, Tone trimmed) {
        List<String> out = new ArrayList<>();
        for (Block b : trimmed.blocks()) {
            if (!b.id().equals(pedal.id())) continue;
            for (Control c : b.model().turnable()) {
                double from = pedal.get(c.name());
                double to = b.get(c.name());
                if (Math.abs(to - from) >= MOVED)
                    out.add(c.name() + " " + c.display(from) + " to " + c.display(to));
            }
        }
        return out;
    }

    /** For the player. */
    public String words() {
        if (turned.isEmpty())
            return Figures.of("%s: leave the pedal as it is, no turn of it helps; %.1f JND from the tone", amp.name(),
                    afterJnd);
        return Figures.of("%s: %s; %.1f JND from the tone, %.1f if the pedal stayed as it is", amp.name(),
                String.join(", ", turned), afterJnd, beforeJnd);
    }
}
