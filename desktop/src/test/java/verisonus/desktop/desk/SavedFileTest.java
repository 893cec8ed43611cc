package verisonus.desktop.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import verisonus.core.work.OutputFault;

class SavedFileTest {
    @TempDir
    private Path dir;

    private static byte[] bytes(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }

    private long files() throws IOException {
        try (Stream<Path> all = Files.list(dir)) {
            return all.count();
        }
    }

    @Test
    void aFileOfThePlayersThatIsCalledAlikeIsLeftAlone() throws IOException {
        Path own = Files.writeString(dir.resolve("sheet.pdf.part"), "mine");
        SavedFile.write(dir.resolve("sheet.pdf"), bytes("sheet"));
        assertThat(own).hasContent("mine");
        assertThat(dir.resolve("sheet.pdf")).hasContent("sheet");
        assertThat(files()).isEqualTo(2);
    }

    @Test
    void aFaultLeavesTheOldOneAndNothingBesideIt() throws IOException {
        Path taken = dir.resolve("taken");
        Path folder = Files.createDirectories(taken.resolve("full"));
        assertThatThrownBy(() -> SavedFile.write(taken, bytes("sheet"))).isInstanceOf(OutputFault.class);
        assertThat(files()).isEqualTo(1);
        assertThat(folder).isDirectory();
    }
}
