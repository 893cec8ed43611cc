package verisonus.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Collectors;
import verisonus.core.search.Fingerprint;
import verisonus.core.search.StartingTones;

/** Measures the shipped starting tones anew and writes their fingerprints: after a change of the simulated gear. */
final class FingerprintFile {
    private FingerprintFile() {}

    public static void main(String[] args) throws IOException {
        Path file = Path
                .of(args.length > 0 ? args[0] : "core/src/main/resources/verisonus/core/search/fingerprints.txt");
        Files.writeString(file, StartingTones.ALL.stream().map(t -> Fingerprint.of(t.tone()).line(t.words()))
                .collect(Collectors.joining("\n", "", "\n")));
    }
}
