package verisonus.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import verisonus.demo.DemoCasebook;

/** The commands that work on a casebook, as processes. */
class CasebookCommandsTest {
    @TempDir
    private Path dir;

    @Test
    void sheetIsWrittenInEveryFormat() throws Exception {
        Path book = dir.resolve("demo.casebook");
        DemoCasebook.writeTo(book);
        for (String end : List.of("html", "json")) {
            Path out = dir.resolve("sheet." + end);
            Shell s = Shell.run("sheet", book.toString(), "--case", "Glass Harbour", "--out", out.toString());
            assertThat(s.status()).as(s.err()).isZero();
            assertThat(Files.readString(out)).contains("Glass Harbour").contains("mid-forward crunch");
        }
        Shell.refused(Shell.run("sheet", book.toString(), "--case", "Nope", "--out", dir.resolve("n.md").toString()), 3,
                "Salt and Static");
    }

    @Test
    void openRefusesWhatIsNoCasebook() throws Exception {
        Path letter = Files.writeString(dir.resolve("letter.casebook"), "dear sir, this is a letter");
        Shell.refused(Shell.run("open", letter.toString()), 3, "no casebook");
    }

    @Test
    void demoDrawsEveryViewWithoutAScreen() throws Exception {
        Path pictures = dir.resolve("pictures");
        Shell s = Shell.run("demo", "--offscreen", pictures.toString());
        assertThat(s.status()).as(s.err()).isZero();
        assertThat(s.out()).contains(pictures.toString());
        for (String view : List.of("listen", "measure", "derive", "travel", "sheet")) {
            assertThat(Files.size(pictures.resolve(view + ".png"))).as(view).isGreaterThan(20_000);
        }
        assertThat(pictures.resolve("tone-sheet.html")).exists();
    }
}
