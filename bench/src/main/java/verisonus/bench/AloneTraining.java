package verisonus.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import verisonus.core.evidence.study.AloneFeatures;

/** Makes the weights by which a guitar that stands alone is told from one in company. */
final class AloneTraining {
    private static final int UNITS = 24;
    private static final int NETWORKS = 3;
    private static final double QUIET_DB = 35;

    private AloneTraining() {}

    /** @param args folder for the weights; songs to make, and half as many solos */
    public static void main(String[] args) throws IOException {
        int songs = Integer.parseInt(args[1]);
        List<NetworkFit.Sample> samples = IntStream.range(0, songs + songs / 2).parallel().boxed()
                .flatMap(i -> i < songs
                        ? samples(BandSong.Kind.SONG, 2L * i)
                        : samples(BandSong.Kind.SOLO, 2L * (i - songs)))
                .toList();
        System.out.printf("%d quarter seconds, %d alone%n", samples.size(),
                samples.stream().filter(s -> s.answer() == 1).count());
        for (int n = 1; n <= NETWORKS; n++) {
            Files.writeString(Path.of(args[0]).resolve("alone-" + n + ".csv"),
                    NetworkFit.text(NetworkFit.fit(samples, UNITS, 2, n), AloneFeatures.SIGN_NAMES));
        }
    }

    /** Every other sounding quarter second: neighbours are nearly the same. */
    private static Stream<NetworkFit.Sample> samples(BandSong.Kind kind, long seed) {
        BandSong song = BandSong.of(kind, seed);
        AloneFeatures f = AloneFeatures.of(song.mix().withoutEmptySide());
        double top = java.util.Arrays.stream(f.levelDb()).max().orElse(0);
        List<NetworkFit.Sample> out = new ArrayList<>();
        for (int i = (int) (seed % 4 / 2); i < Math.min(f.levelDb().length, song.othersDb().length); i += 2) {
            if (f.levelDb()[i] > top - QUIET_DB && (song.isAlone(i) || song.isAccompanied(i)))
                out.add(new NetworkFit.Sample(f.rows()[i], song.isAlone(i) ? 1 : 0));
        }
        return out.stream();
    }
}
