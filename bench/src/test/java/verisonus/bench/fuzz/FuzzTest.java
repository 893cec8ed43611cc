package verisonus.bench.fuzz;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.concurrent.atomic.AtomicBoolean;
import org.junit.jupiter.api.Test;

/** Two hundred hostile files of each kind are read or refused; none hangs, none throws, none asks for the machine's memory. */
class FuzzTest {
    private static final int MANY = 200;

    @Test
    void hostileFilesEndInSoundOrInOneLine() throws IOException {
        for (FuzzReport.Line line : FuzzReport.lines(MANY, 5000)) {
            assertThat(line.faults()).as(line.text()).isEmpty();
            assertThat(line.isClean()).isTrue();
        }
    }

    @Test
    void aFileThatIsNotDamagedIsRead() {
        HostileFiles files = new HostileFiles();
        for (HostileFiles.Kind k : HostileFiles.Kind.values()) {
            Watched w = Watched.reading(() -> verisonus.core.sound.codec.SoundReader.decode("good", files.base(k)), 10);
            assertThat(w.outcome()).as(k.name()).isEqualTo(Watched.Outcome.READ);
        }
    }

    @Test
    void whatNeverEndsIsLeftBehindAndSaid() {
        AtomicBoolean ended = new AtomicBoolean();
        Watched w = Watched.reading(() -> {
            while (!ended.get()) Thread.onSpinWait();
        }, 0.2);
        ended.set(true);
        assertThat(w.outcome()).isEqualTo(Watched.Outcome.ENDLESS);
    }
}
