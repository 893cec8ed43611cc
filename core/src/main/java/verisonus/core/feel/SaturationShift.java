package verisonus.core.feel;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import verisonus.core.compare.Driven;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.StageSaturation;
import verisonus.core.sound.Sound;
import verisonus.core.take.LoudestPart;
import verisonus.core.work.Figures;

/**
 * The same amount of dirt made elsewhere: one gain is moved, another is turned until the playing is held back as far as before
 * ({@link Driven}), and the loudness is brought back.
 */
public final class SaturationShift {
    /** One way. */
    public record Shift(String words, Tone tone, StageSaturation dirt) {}

    private static final double STEP = 2.5;
    private static final double LONGEST_S = 5;

    private final Sound di;
    private final EqualSaturation dirt;
    private final FairSwap fair;

    public SaturationShift(Sound di) {
        this.di = LoudestPart.of(di, LONGEST_S).cut(di);
        dirt = new EqualSaturation(this.di);
        fair = new FairSwap(this.di);
    }

    /** From first stages to power stage and back, and where a drive stands from it to the amp and back. */
    public List<Shift> of(Tone tone) {
        List<Shift> out = new ArrayList<>();
        Optional<Block> amp = tone.first(GearKind.AMP);
        if (amp.isEmpty()) return out;
        Optional<Block> drive = tone.first(GearKind.DRIVE).filter(Block::on);
        double held = dirt.of(tone);
        shift(tone, amp.get(), ControlNames.MASTER, STEP, amp.get(), ControlNames.GAIN, held,
                "more of it in the power stage").ifPresent(
                        out::add);
        shift(tone, amp.get(), ControlNames.MASTER, -STEP, amp.get(), ControlNames.GAIN, held,
                "more of it in the first stages").ifPresent(
                        out::add);
        drive.ifPresent(d -> {
            shift(tone, d, ControlNames.DRIVE, STEP, amp.get(), ControlNames.GAIN, held, "more of it in the drive")
                    .ifPresent(out::add);
            shift(tone, d, ControlNames.DRIVE, -STEP, amp.get(), ControlNames.GAIN, held, "more of it in the amp")
                    .ifPresent(out::add);
        });
        return out;
    }

    private Optional<Shift> shift(Tone tone, Block moved, String control, double by, Block other, String answer,
            double held, String where) {
        double to = moved.get(control) + by;
        if (to < 0 || to > 10) return Optional.empty();
        Tone changed = tone.with(moved.with(control, to));
        Block answering = changed.find(other.id()).orElseThrow();
        double found = Math.rint(10 * dirt.place(held, changed, answering, answer)) / 10;
        // At the end of its track the other control could not make up for it.
        if (found < 0.15 || found > 9.85) return Optional.empty();
        Tone same = fair.atConstantLoudness(tone, changed.with(answering.with(answer, found)));
        String words = Figures.of("%s %s %.1f → %.1f and %s %s %.1f → %.1f: %s", moved.id(), control,
                moved.get(control), to, other.id(), answer, other.get(answer), found, where);
        return Optional.of(new Shift(words, same, StageSaturation.of(same, di, 0)));
    }
}
