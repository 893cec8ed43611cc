package verisonus.casebook.store;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The program dies in the middle of writing: what was said to be done is there, and nothing is half there. */
class KillTest {
    @TempDir
    private Path dir;

    @ParameterizedTest
    @ValueSource(ints = {1, 7, 30})
    void losesAtMostTheChangeUnderWay(int changes) throws IOException, InterruptedException {
        Path file = dir.resolve("killed.casebook");
        Process writer = new ProcessBuilder(Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "--enable-native-access=ALL-UNNAMED", "-cp", System.getProperty("java.class.path"),
                KilledWriter.class.getName(), file.toString()).redirectError(ProcessBuilder.Redirect.DISCARD).start();
        int done = 0;
        try (BufferedReader out = new BufferedReader(
                new InputStreamReader(writer.getInputStream(), StandardCharsets.UTF_8))) {
            while (done < changes) done = Integer.parseInt(out.readLine());
            writer.toHandle().destroyForcibly();
            for (String line = out.readLine(); line != null; line = out.readLine()) done = Integer.parseInt(line);
        }
        assertThat(writer.waitFor(20, TimeUnit.SECONDS)).isTrue();
        try (Casebook book = Casebook.open(file)) {
            Medium medium = book.recordings().media(book.cases().get(0).id()).get(0);
            assertThat(book.recordings().regions(medium.id()).size()).isBetween(done, done + 1);
            assertThat(book.logbook()).hasSize(book.recordings().regions(medium.id()).size() + 2);
            assertThat(book.recordings().sound(medium.hash()).frames()).isEqualTo(48000 * 30);
        }
    }
}
