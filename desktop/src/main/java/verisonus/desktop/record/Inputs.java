package verisonus.desktop.record;

import java.util.Optional;
import java.util.OptionalInt;
import java.util.function.IntFunction;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;
import verisonus.desktop.player.SoundOutput;

/** Opens what to record from: the sound card's input where there is one, a simulated guitarist where there is none. */
public final class Inputs {
    private static final int VIRTUAL_LATENCY = 617;

    private final IntFunction<Sound> guitarist;
    private final boolean alwaysSimulated;
    private final boolean atOnce;
    private String name = "";

    /** @param guitarist what the stand-in plays in take 0, 1, … */
    public Inputs(IntFunction<Sound> guitarist) {
        this(guitarist, false, false);
    }

    /** @param atOnce as fast as it can, for tests */
    public Inputs(IntFunction<Sound> guitarist, boolean alwaysSimulated, boolean atOnce) {
        this.guitarist = guitarist;
        this.alwaysSimulated = alwaysSimulated;
        this.atOnce = atOnce;
    }

    /** An input and an output for a while. */
    static final class Open implements AutoCloseable {
        private final SoundOutput output;
        private final SoundInput input;
        private final Optional<VirtualCard> stand;

        private Open(SoundOutput output, SoundInput input, Optional<VirtualCard> stand) {
            this.output = output;
            this.input = input;
            this.stand = stand;
        }

        SoundOutput output() {
            return output;
        }

        SoundInput input() {
            return input;
        }

        Recorder recorder() {
            return new Recorder(output, input, Sound.WORKING_RATE_HZ);
        }

        OptionalInt latency(Progress progress) {
            stand.ifPresent(s -> s.plugCable(true));
            return recorder().latency(progress);
        }

        /** The stand-in holds its microphone before a loudspeaker; a real one is held there by hand. */
        void beforeLoudspeaker() {
            stand.ifPresent(VirtualCard::holdBeforeLoudspeaker);
        }

        @Override
        public void close() {
            input.close();
            output.close();
        }
    }

    Open open() {
        return open(4096);
    }

    /** @param bufferFrames how much may wait in the output */
    Open open(int bufferFrames) {
        Optional<SoundInput> card = alwaysSimulated ? Optional.empty() : SoundCardInput.open(Sound.WORKING_RATE_HZ);
        if (card.isPresent()) {
            name = card.get().name();
            return new Open(SoundOutput.best(Sound.WORKING_RATE_HZ, bufferFrames), card.get(), Optional.empty());
        }
        VirtualCard stand = new VirtualCard(Sound.WORKING_RATE_HZ, VIRTUAL_LATENCY, guitarist, atOnce);
        name = "simulated guitarist: no input was found";
        return new Open(stand.output(), stand.input(), Optional.of(stand));
    }

    String name() {
        return name;
    }
}
