package verisonus.bench.band;

import java.util.List;
import java.util.stream.LongStream;
import verisonus.bench.Effects;
import verisonus.bench.OtherChain;
import verisonus.core.evidence.replay.EchoOdds;
import verisonus.core.sound.Sound;

/**
 * Fits what {@link EchoOdds} weighs its signs by: each time that stands out of a made song is right or wrong. The replay is the take
 * through a chain that is not the record's, as a derived core never is. {@link BandEffectsReport} looks at other songs.
 */
final class EchoOddsTraining {
    private static final long OTHER_CHAIN = 777_000;
    private static final double LEAST_MS = 8;
    private static final double NEAR = 0.03;
    private static final int MULTIPLES = 4;

    private EchoOddsTraining() {}

    /** @param args first and last seed */
    public static void main(String[] args) {
        List<Logistic.Row> rows = LongStream.rangeClosed(Long.parseLong(args[0]), Long.parseLong(args[1])).parallel()
                .boxed().flatMap(seed -> rows(EffectSong.of(seed)).stream()).toList();
        System.out.println(Logistic.text(Logistic.fitted(rows, Logistic.Weighing.AS_THEY_COME)));
    }

    private static List<Logistic.Row> rows(EffectSong song) {
        double ms = song.echo().map(Effects.Echo::timeMs).orElse(-1.0);
        // A repeat of a repeat is neither right nor wrong.
        return EchoOdds.signs(song.mix(), replay(song)).stream()
                .filter(s -> ms < 0 || isNear(s.ms(), ms) || !isMultiple(s.ms(), ms))
                .map(s -> new Logistic.Row(s.values(), ms > 0 && isNear(s.ms(), ms))).toList();
    }

    private static boolean isNear(double ms, double wantedMs) {
        return Math.abs(ms - wantedMs) <= Math.max(LEAST_MS, NEAR * wantedMs);
    }

    private static boolean isMultiple(double ms, double ofMs) {
        for (int n = 2; n <= MULTIPLES; n++) if (isNear(ms, n * ofMs)) return true;
        return false;
    }

    private static Sound replay(EffectSong song) {
        float[] x = new OtherChain.Settings(song.seed() + OTHER_CHAIN).play(song.take().mid(),
                OtherChain.Spoiling.NOTHING);
        float[] laid = new float[song.mix().frames()];
        int at = (int) Math.round(song.takeBeginsS() * Effects.RATE_HZ);
        System.arraycopy(x, 0, laid, at, Math.min(x.length, laid.length - at));
        return Sound.mono(laid, Effects.RATE_HZ);
    }
}
