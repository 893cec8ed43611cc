package verisonus.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import verisonus.core.evidence.study.AloneBars;
import verisonus.core.evidence.study.AloneFeatures;
import verisonus.core.evidence.study.Course;
import verisonus.core.evidence.study.Passage;
import verisonus.core.evidence.study.PassageFinder;

/** How well the bars are found in which a guitar stands alone, on made songs and solos that the weights have not seen. */
final class AloneReport {
    private AloneReport() {}

    private record Row(boolean solo, boolean melodic, int said, int right, int there, int found, int stretches,
            int stretchesRight, boolean accompanied) {}

    /** @param args first odd seed; how many songs, and as many solos */
    public static void main(String[] args) {
        long from = Long.parseLong(args[0]);
        int songs = Integer.parseInt(args[1]);
        List<Row> rows = IntStream.range(0, 2 * songs).parallel()
                .mapToObj(i -> row(i % 2 == 0 ? BandSong.Kind.SONG : BandSong.Kind.SOLO, from + 2L * (i / 2)))
                .toList();
        List<Row> with = rows.stream().filter(r -> !r.solo).toList();
        print("songs", with);
        print("songs without guitar and keys alone", with.stream().filter(r -> !r.melodic).toList());
        List<Row> solos = rows.stream().filter(Row::solo).toList();
        print("solos", solos);
        System.out.printf("solos said to have company: %d of %d; songs said to have none: %d of %d%n",
                solos.stream().filter(Row::accompanied).count(), solos.size(),
                with.stream().filter(r -> !r.accompanied && r.there < 60).count(), with.size());
    }

    private static void print(String what, List<Row> rows) {
        int said = rows.stream().mapToInt(Row::said).sum();
        int right = rows.stream().mapToInt(Row::right).sum();
        int there = rows.stream().mapToInt(Row::there).sum();
        System.out.printf("%s (%d): quarter seconds precision %.3f recall %.3f; stretches right %d of %d%n", what,
                rows.size(), right / (double) Math.max(1, said), right / (double) Math.max(1, there),
                rows.stream().mapToInt(Row::stretchesRight).sum(), rows.stream().mapToInt(Row::stretches).sum());
    }

    private static Row row(BandSong.Kind kind, long seed) {
        BandSong song = BandSong.of(kind, seed);
        AloneBars bars = AloneBars.of(song.mix());
        int n = Math.min(bars.logOdds().length, song.othersDb().length);
        int said = 0;
        int right = 0;
        int there = 0;
        boolean melodic = false;
        for (int i = 0; i < n; i++) {
            if (!bars.sounds()[i] || !song.isAlone(i) && !song.isAccompanied(i)) continue;
            boolean alone = bars.logOdds()[i] > AloneBars.ALONE;
            if (alone) said++;
            if (song.isAlone(i)) there++;
            if (alone && song.isAlone(i)) right++;
            melodic |= song.melodicOnly()[i];
        }
        List<Passage> stretches = new ArrayList<>(
                PassageFinder.in(Course.of(song.mix(), (int) (BandSong.LENGTH_S / 0.05)))
                        .stream().filter(p -> p.purpose() == Passage.Purpose.CORE_TONE).toList());
        int ok = 0;
        for (Passage p : stretches) {
            int from = (int) Math.ceil(p.fromS() / AloneFeatures.STEP_S);
            int to = Math.min(n, (int) (p.toS() / AloneFeatures.STEP_S));
            int others = 0;
            for (int i = from; i < to; i++) if (song.isAccompanied(i)) others++;
            if (others <= 0.1 * (to - from)) ok++;
        }
        return new Row(kind == BandSong.Kind.SOLO, melodic, said, right, there, right, stretches.size(), ok,
                bars.company() > 0.5);
    }
}
