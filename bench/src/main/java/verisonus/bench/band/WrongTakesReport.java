package verisonus.bench.band;

import java.util.Locale;
import java.util.Map;
import java.util.stream.LongStream;
import verisonus.bench.Tally;
import verisonus.core.sound.Sound;
import verisonus.core.take.Pairing;
import verisonus.core.take.SeenTake;

/** How often a take is believed to be of a song's phrase: right ones, and wrong ones over the same chords, in another order, over others. */
final class WrongTakesReport {
    private static final double IN_PLACE_S = 0.15;

    private WrongTakesReport() {}

    /** @param args first and last seed */
    public static void main(String[] args) {
        Tally tally = new Tally();
        LongStream.rangeClosed(Long.parseLong(args[0]), Long.parseLong(args[1])).parallel().forEach(seed -> {
            HarmonySong song = HarmonySong.of(seed);
            for (Map.Entry<HarmonySong.Take, Sound> e : song.takes().entrySet())
                one(song, e.getKey(), e.getValue(), tally);
        });
        System.out.print(tally.text());
    }

    private static void noted(Tally tally, HarmonySong.Take what, boolean believed, boolean inPlace) {
        if (what.isRight()) {
            tally.share("right take kept", believed);
            tally.share("and laid where it belongs", believed && inPlace);
        } else {
            tally.share("wrong take refused", !believed);
        }
        tally.share(what.name().toLowerCase(Locale.ROOT).replace('_', ' ') + " believed", believed);
    }

    private static void one(HarmonySong song, HarmonySong.Take what, Sound take, Tally tally) {
        SeenTake seen = SeenTake.in(song.mix(), take.mid());
        boolean believed = seen.alignment().pairing() != Pairing.OTHER_PLAYING;
        double atS = (double) seen.alignment().offsetSamples() / song.mix().rateHz();
        boolean inPlace = what.isRight() && Math.abs(atS - song.beginS().getOrDefault(what, Double.NaN)) < IN_PLACE_S;
        noted(tally, what, believed, inPlace);
    }
}
