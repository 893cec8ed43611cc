package verisonus.core.work;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

class FaultTest {
    @Test
    void anInputFaultSaysWhatIsWrongAndWhatToDo() {
        InputFault f = new InputFault("take.wav", "it is empty", "export it again", new IOException("x"));
        assertThat(f.getMessage()).isEqualTo("take.wav: it is empty; export it again");
        assertThat(f.input()).isEqualTo("take.wav");
        assertThat(f.fault()).isEqualTo("it is empty");
        assertThat(f.remedy()).isEqualTo("export it again");
        assertThat(f).hasCauseInstanceOf(IOException.class);
    }

    @Test
    void anOutputFaultReadsTheSameWay() {
        assertThat(new OutputFault("a.wav", "the disk is full", "make room"))
                .hasMessage("a.wav: the disk is full; make room");
    }

    @Test
    void stepsReportUntilTheyAreToldToStop() {
        List<String> said = new ArrayList<>();
        boolean[] stop = {false};
        Progress p = new Progress() {
            @Override
            public void at(double done, String doing) {
                said.add(doing);
            }

            @Override
            public boolean cancelled() {
                return stop[0];
            }
        };
        p.step(0.1, "one");
        stop[0] = true;
        assertThatThrownBy(() -> p.step(0.2, "two")).isInstanceOf(Cancelled.class);
        assertThat(said).containsExactly("one");
        assertThatCode(() -> Progress.NONE.step(1, "anything")).doesNotThrowAnyException();
    }
}
