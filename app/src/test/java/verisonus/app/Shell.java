package verisonus.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;

/**
 * The program run as a process, as a shell would.
 *
 * @param status exit status
 */
record Shell(int status, String out, String err) {
    private static final long LONGEST_S = 120;

    /** One line that names the fault, the status of its kind, no stack trace, nothing on standard output. */
    static void refused(Shell s, int status, String... parts) {
        assertThat(s.status()).isEqualTo(status);
        assertThat(s.out()).isEmpty();
        assertThat(s.err().lines().filter(l -> l.startsWith("verisonus: "))).hasSize(1);
        for (String part : parts) assertThat(s.err()).contains(part);
        assertThat(s.err()).doesNotContain("\tat ").doesNotContain("Exception in");
    }

    static Shell run(String... args) throws IOException, InterruptedException {
        List<String> command = new ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(), "-XX:TieredStopAtLevel=1",
                "-XX:+UseSerialGC", "-Djava.awt.headless=true", "-Dglass.platform=Headless",
                "-Dprism.order=sw", "--enable-native-access=ALL-UNNAMED", "-cp",
                System.getProperty("java.class.path"), "verisonus.app.Main"));
        command.addAll(List.of(args));
        Path out = Files.createTempFile("verisonus", ".out");
        Path err = Files.createTempFile("verisonus", ".err");
        Process p = new ProcessBuilder(command).redirectOutput(out.toFile()).redirectError(err.toFile()).start();
        p.getOutputStream().close();
        if (!p.waitFor(LONGEST_S, TimeUnit.SECONDS)) {
            p.destroyForcibly();
            throw new AssertionError("still running: " + String.join(" ", args));
        }
        Shell s = new Shell(p.exitValue(), Files.readString(out, StandardCharsets.UTF_8),
                Files.readString(err, StandardCharsets.UTF_8));
        Files.delete(out);
        Files.delete(err);
        return s;
    }
}
