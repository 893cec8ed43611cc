package verisonus.bench.band;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.LongStream;
import verisonus.core.sound.Sound;
import verisonus.core.take.Alignment;
import verisonus.core.take.Pairing;
import verisonus.core.take.PhraseOdds;

/**
 * Fits what {@link PhraseOdds} weighs its signs by (logistic regression; both answers count alike): right takes that were laid where they
 * belong against takes that only share harmony, tempo or notes. {@link WrongTakesReport} looks at other songs.
 */
final class PhraseOddsTraining {
    private static final double IN_PLACE_S = 0.15;

    private PhraseOddsTraining() {}

    /** @param args first and last seed */
    public static void main(String[] args) {
        List<Logistic.Row> rows = LongStream.rangeClosed(Long.parseLong(args[0]), Long.parseLong(args[1])).parallel()
                .boxed()
                .flatMap(seed -> rows(HarmonySong.of(seed)).stream()).toList();
        System.out.println(Logistic.text(Logistic.fitted(rows, Logistic.Weighing.EVEN)));
    }

    private static List<Logistic.Row> rows(HarmonySong song) {
        List<Logistic.Row> out = new ArrayList<>();
        for (Map.Entry<HarmonySong.Take, Sound> e : song.takes().entrySet()) {
            float[] mix = song.mix().mid();
            Alignment a = Alignment.find(mix, e.getValue().mid(), song.mix().rateHz());
            boolean right = e.getKey().isRight();
            double atS = (double) a.offsetSamples() / song.mix().rateHz();
            boolean inPlace = a.pairing() == Pairing.PLAYED_AGAIN && right
                    && Math.abs(atS - song.beginS().getOrDefault(e.getKey(), Double.NaN)) < IN_PLACE_S;
            if (right && !inPlace) continue;
            out.add(new Logistic.Row(PhraseOdds.signs(mix, e.getValue().mid(), song.mix().rateHz(), a.offsetSamples(),
                    a.likeness()), right));
        }
        return out;
    }
}
