package verisonus.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import verisonus.core.evidence.signs.Network;
import verisonus.core.evidence.study.AloneCourse;
import verisonus.core.evidence.study.AloneFeatures;

/**
 * Makes the weights by which a guitar that stands alone is told from one in company: of a moment, and, on further songs that the first have
 * not seen, of the course of what they say. More songs for the first made them surer of these songs and less of other makers' guitars.
 */
final class AloneTraining {
    private static final int UNITS = 24;
    private static final int UNITS_OF_THE_COURSE = 12;
    private static final int EPOCHS_OF_THE_COURSE = 40;
    private static final double QUIET_DB = 35;

    private AloneTraining() {}

    /**
     * A song or a solo.
     *
     * @param alone by quarter second 1 for a guitar alone, 0 for one in company, −1 where nothing is asked
     */
    record Piece(long seed, AloneFeatures features, int[] alone) {
        static Piece of(BandSong.Kind kind, long seed) {
            BandSong song = BandSong.of(kind, seed);
            AloneFeatures f = AloneFeatures.of(song.mix().withoutEmptySide());
            double top = Arrays.stream(f.levelDb()).max().orElse(0);
            int[] alone = new int[Math.min(f.levelDb().length, song.othersDb().length)];
            for (int i = 0; i < alone.length; i++)
                alone[i] = f.levelDb()[i] <= top - QUIET_DB ? -1 : song.isAlone(i) ? 1 : song.isAccompanied(i) ? 0 : -1;
            return new Piece(seed, f, alone);
        }

        /** Every other quarter second that is asked: neighbours are nearly the same. */
        private Stream<NetworkFit.Sample> samples(double[][] rows) {
            return IntStream.iterate((int) (seed % 4 / 2), i -> i < alone.length, i -> i + 2).filter(i -> alone[i] >= 0)
                    .mapToObj(i -> new NetworkFit.Sample(rows[i], alone[i]));
        }
    }

    /** @param args folder for the weights; songs to make for a moment, and half as many solos; further songs for the course, and solos */
    public static void main(String[] args) throws IOException {
        Path folder = Path.of(args[0]);
        int songs = Integer.parseInt(args[1]);
        List<Network> moment = moment(folder, made(0, songs, 0, songs / 2));
        course(folder, moment, made(songs, Integer.parseInt(args[2]), songs / 2, Integer.parseInt(args[3])));
    }

    private static List<Piece> made(int firstSong, int songs, int firstSolo, int solos) {
        return IntStream.range(0, songs + solos).parallel().mapToObj(i -> i < songs
                ? Piece.of(BandSong.Kind.SONG, 2L * (firstSong + i))
                : Piece.of(BandSong.Kind.SOLO, 2L * (firstSolo + i - songs))).toList();
    }

    private static List<Network> moment(Path folder, List<Piece> pieces) throws IOException {
        List<NetworkFit.Sample> samples = pieces.stream().flatMap(p -> p.samples(p.features.rows())).toList();
        tell(samples);
        return written(folder, AloneCourse.OF_A_MOMENT, AloneFeatures.SIGN_NAMES,
                n -> NetworkFit.fit(samples, UNITS, 2, n));
    }

    /** @param moment networks that have not seen these pieces */
    static void course(Path folder, List<Network> moment, List<Piece> pieces) throws IOException {
        List<NetworkFit.Sample> samples = pieces.stream()
                .flatMap(p -> p.samples(AloneCourse.rows(AloneCourse.logOdds(moment, p.features.rows())))).toList();
        tell(samples);
        written(folder, AloneCourse.OF_THE_COURSE, AloneCourse.SIGN_NAMES,
                n -> NetworkFit.fit(samples, UNITS_OF_THE_COURSE, 2, n, EPOCHS_OF_THE_COURSE));
    }

    private static void tell(List<NetworkFit.Sample> samples) {
        System.out.printf("%d quarter seconds, %d alone%n", samples.size(),
                samples.stream().filter(s -> s.answer() == 1).count());
    }

    private interface Fit {
        Network of(int seed);
    }

    private static List<Network> written(Path folder, List<String> files, List<String> signs, Fit fit)
            throws IOException {
        List<Network> made = IntStream.rangeClosed(1, files.size()).parallel().mapToObj(fit::of).toList();
        for (int n = 0; n < files.size(); n++)
            Files.writeString(folder.resolve(files.get(n)), NetworkFit.text(made.get(n), signs));
        return made;
    }
}
