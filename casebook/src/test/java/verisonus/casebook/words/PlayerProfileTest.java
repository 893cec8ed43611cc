package verisonus.casebook.words;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import verisonus.casebook.store.Casebook;
import verisonus.core.feel.TouchCurve;

class PlayerProfileTest {
    private static TouchCurve curve(double outPerIn, double droop, double breakUp) {
        return new TouchCurve(List.of(), OptionalDouble.of(breakUp), outPerIn, droop, 0);
    }

    @Test
    void isKeptInTheCasebookAndTakenBackByUndo(@TempDir Path dir) {
        try (Casebook book = Casebook.create(dir.resolve("a.casebook"))) {
            assertThat(book.judgements().profile()).isEmpty();
            book.judgements().keepProfile(PlayerProfile.of(curve(0.4, 1, -14)));
            book.judgements().keepProfile(PlayerProfile.of(curve(0.6, 2, -8)));
            assertThat(book.judgements().profile()).contains(new PlayerProfile(0.6, 2, Optional.of(-8.0)));
            book.undo();
            assertThat(book.judgements().profile()).contains(new PlayerProfile(0.4, 1, Optional.of(-14.0)));
        }
    }

    @Test
    void saysHowAToneFeelsOtherwiseAndNothingWhereItDoesNot() {
        PlayerProfile liked = PlayerProfile.of(curve(0.4, 1, -14));
        assertThat(liked.against(curve(0.42, 1.2, -13))).isEmpty();
        assertThat(liked.against(curve(0.7, 3, -4))).hasSize(3).anyMatch(s -> s.contains("more openly"))
                .anyMatch(s -> s.contains("softer")).anyMatch(s -> s.contains("breaks up 4 dB"));
        assertThat(liked.against(curve(0.2, 1, -14))).singleElement().asString().contains("more flatly");
    }
}
