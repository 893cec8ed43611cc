package verisonus.core.evidence.replay;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verisonus.core.evidence.echo.EchoReading;
import verisonus.core.evidence.movement.ModulationKind;
import verisonus.core.evidence.movement.ModulationReading;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.evidence.signs.Presence;
import verisonus.core.sound.Sound;

/** Several takes of one phrase are asked together. */
class AgreedReplaysTest {
    private static final EchoReading ECHO = new EchoReading(380, 30, -12, false, new EchoReading.Character(0, true),
            Optional.empty());

    private static ReplayExamination saying(Finding<EchoReading> echo) {
        return new ReplayExamination(echo, Finding.unknown("?"), Finding.unknown("?"), Finding.unknown("?"),
                Finding.unknown("?"), Finding.unknown("?"));
    }

    private static Finding<EchoReading> of(char said) {
        return switch (said) {
            case 'y' -> Finding.present(ECHO, 0.7, "heard");
            case 'Y' -> Finding.present(ECHO, 0.95, "heard clearly");
            case 'n' -> Finding.absent(0.75, "not heard");
            default -> Finding.unknown("cannot be told");
        };
    }

    @ParameterizedTest
    @CsvSource({"y, PRESENT", "yy, PRESENT", "yyn, PRESENT", "y?, PRESENT", "nn, ABSENT", "nny, ABSENT", "n?, ABSENT",
            "??, UNKNOWN", "yn, UNKNOWN", "yn?, UNKNOWN"})
    void whatMostOfThoseThatCanTellSayIsBelieved(String each, Presence together) {
        List<ReplayExamination> all = each.chars().mapToObj(c -> saying(of((char) c))).toList();
        assertThat(ReplayExamination.agreed(all).echo().presence()).isEqualTo(together);
    }

    @Test
    void theSurestOfThemIsTaken() {
        assertThat(ReplayExamination.agreed(List.of(saying(of('y')), saying(of('Y')))).echo().confidence())
                .isEqualTo(0.95);
    }

    @Test
    void disagreementIsSaid() {
        assertThat(ReplayExamination.agreed(List.of(saying(of('y')), saying(of('n')))).echo().reason())
                .contains("do not agree");
    }

    @Test
    void topicsAreAskedApart() {
        ReplayExamination sways = new ReplayExamination(of('n'), Finding.unknown("?"),
                Finding.present(new ModulationReading(ModulationKind.TREMOLO, OptionalDouble.of(4),
                        OptionalDouble.of(0.5)), 0.9, "sways"),
                Finding.unknown("?"), Finding.unknown("?"), Finding.unknown("?"));
        ReplayExamination both = ReplayExamination.agreed(List.of(sways, saying(of('n'))));
        assertThat(both.echo().presence()).isEqualTo(Presence.ABSENT);
        assertThat(both.movements()).hasSize(1);
    }

    @Test
    void aRecordingTooShortSaysSoWhateverTheTakes() {
        Sound brief = Sound.mono(new float[48_000], 48_000);
        ReplayExamination one = ReplayExamination.of(brief, brief, ReplayExamination.Setting.ALONE);
        assertThat(ReplayExamination.agreed(List.of(one, one)).echo().reason()).contains("too short");
        assertThat(ReplayExamination.agreed(List.of(one))).isSameAs(one);
    }
}
