package verisonus.casebook.sheet;

import java.util.Arrays;
import java.util.List;
import verisonus.casebook.sheet.page.Drawing;
import verisonus.core.feel.TouchCurve;
import verisonus.core.sound.Bands;
import verisonus.core.sound.Sound;

/** The plots of a sheet: spectra of reference and mine, and how the tone answers to the hand. */
final class SheetDrawings {
    private static final Bands THIRDS = Bands.thirds(63, 12500);
    private static final double RANGE_DB = 50;

    private SheetDrawings() {}

    /** Third octaves of both, at the same loudness, 0 dB at the stronger one's peak. */
    static Drawing spectra(Sound reference, Sound mine) {
        double[] hz = THIRDS.centresHz();
        double[] r = levels(reference);
        double[] m = levels(mine);
        double apart = mean(r) - mean(m);
        for (int b = 0; b < m.length; b++) m[b] += apart;
        double top = Math.max(Arrays.stream(r).max().orElse(0), Arrays.stream(m).max().orElse(0));
        for (int b = 0; b < m.length; b++) {
            r[b] -= top;
            m[b] -= top;
        }
        return new Drawing("Spectrum of the record and of mine", "Hz", "dB", true,
                List.of(tick(63, "63"), tick(125, "125"), tick(250, "250"), tick(500, "500"), tick(1000, "1k"),
                        tick(2000, "2k"), tick(4000, "4k"), tick(8000, "8k"), tick(12500, "12.5k")),
                List.of(tick(-RANGE_DB, "−50"), tick(-40, "−40"), tick(-30, "−30"), tick(-20, "−20"), tick(-10, "−10"),
                        tick(0, "0")),
                List.of(new Drawing.Curve("the record", Drawing.Ink.REFERENCE, hz, r),
                        new Drawing.Curve("mine", Drawing.Ink.MINE, hz, m)));
    }

    private static double[] levels(Sound s) {
        return Arrays.stream(THIRDS.longTermPower(s.mid(), s.rateHz())).map(p -> 10 * Math.log10(p + 1e-12)).toArray();
    }

    /** Over the bands in which a guitar has most: 160 Hz to 4 kHz. */
    private static double mean(double[] db) {
        double sum = 0;
        int n = 0;
        for (int b = 0; b < db.length; b++) {
            if (THIRDS.centresHz()[b] < 150 || THIRDS.centresHz()[b] > 4100) continue;
            sum += db[b];
            n++;
        }
        return sum / n;
    }

    /** Loudness and dirt that come out, against how hard it is played. */
    static Drawing touch(TouchCurve touch) {
        double[] in = touch.points().stream().mapToDouble(TouchCurve.Point::inDb).toArray();
        double[] out = touch.points().stream().mapToDouble(p -> Math.max(-40, p.outDb())).toArray();
        double[] dirt = touch.points().stream().mapToDouble(p -> -40 + 40 * p.dirt().orElse(0)).toArray();
        return new Drawing("How the tone answers to the hand: " + touch.words(),
                "played softer or harder, dB against the hardest stroke", "dB", false,
                List.of(tick(-40, "−40"), tick(-30, "−30"), tick(-20, "−20"), tick(-10, "−10"), tick(0, "0")),
                List.of(tick(-40, "−40"), tick(-30, "−30"), tick(-20, "−20"), tick(-10, "−10"), tick(0, "0")),
                List.of(new Drawing.Curve("loudness that comes out", Drawing.Ink.MINE, in, out),
                        new Drawing.Curve("share of dirt (bottom: none, top: all)", Drawing.Ink.QUIET, in, dirt)));
    }

    private static Drawing.Tick tick(double at, String words) {
        return new Drawing.Tick(at, words);
    }
}
