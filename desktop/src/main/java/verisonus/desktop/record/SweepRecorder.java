package verisonus.desktop.record;

import java.util.ArrayList;
import java.util.List;
import verisonus.core.sound.Sound;
import verisonus.core.travel.sweep.ExponentialSweep;
import verisonus.core.travel.sweep.SweepReport;
import verisonus.core.work.Progress;

/** Plays the sweep and records what a microphone hears of it, several times. Runs on the caller's thread at the card's pace. */
public final class SweepRecorder {
    private final Inputs inputs;

    public SweepRecorder(Inputs inputs) {
        this.inputs = inputs;
    }

    /**
     * Fewer than asked for where it was cancelled.
     *
     * @param gainDb of the signal; a sweep is piercing, so it starts as low as everything else
     */
    public List<SweepReport.Run> runs(int many, double gainDb, Progress progress) {
        Sound signal = ExponentialSweep.STANDARD.signal().gained(gainDb);
        List<SweepReport.Run> out = new ArrayList<>();
        try (Inputs.Open open = inputs.open()) {
            open.beforeLoudspeaker();
            for (int r = 1; r <= many && !progress.cancelled(); r++) {
                String name = "run " + r;
                Sound heard = open.recorder().along(signal, progress, name + " of " + many);
                if (!progress.cancelled()) out.add(new SweepReport.Run(name, heard));
            }
        }
        return out;
    }

    /** What is recorded from. */
    public String source() {
        return inputs.name();
    }
}
