package verisonus.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.SplittableRandom;
import verisonus.core.perform.song.Section;
import verisonus.core.perform.song.SectionFinder;
import verisonus.core.sound.Sound;
import verisonus.core.work.Figures;
import verisonus.demo.Takes;

/**
 * Are the sections of made songs found within a bar? A song has verses, choruses and a break, each with its own playing, its own root
 * and its own members of the band; verses are alike, and so are choruses.
 */
final class SectionReport {
    private static final int RATE = Effects.RATE_HZ;
    private static final int[] FORM = {0, 1, 0, 1, 2, 1};
    private static final double BEAT_S = 0.5;

    private SectionReport() {}

    public static void main(String[] args) {
        long from = args.length > 0 ? Long.parseLong(args[0]) : 0;
        int songs = args.length > 1 ? Integer.parseInt(args[1]) : 5;
        int edges = 0;
        int found = 0;
        int extra = 0;
        int letters = 0;
        for (long seed = from; seed < from + songs; seed++) {
            List<Double> truth = new ArrayList<>();
            Sound song = song(seed, truth);
            List<Section> sections = SectionFinder.of(song);
            double bar = 4 * BEAT_S;
            for (double t : truth) {
                edges++;
                if (sections.stream().skip(1).anyMatch(s -> Math.abs(s.fromS() - t) <= bar)) found++;
            }
            extra += (int) sections.stream().skip(1)
                    .filter(s -> truth.stream().noneMatch(t -> Math.abs(s.fromS() - t) <= bar)).count();
            if (sections.size() == FORM.length && alike(sections)) letters++;
            System.out.printf(Locale.ROOT, "song %d: %s at %s, made at %s%n", seed,
                    String.join("", sections.stream().map(Section::name).toList()),
                    sections.stream().map(s -> Figures.of("%.1f", s.fromS())).toList(), truth);
        }
        System.out.printf(Locale.ROOT,
                "sections: %d of %d beginnings within a bar, %d extra; letters right in %d of %d%n",
                found, edges, extra, letters, songs);
    }

    private static boolean alike(List<Section> s) {
        for (int i = 0; i < FORM.length; i++)
            for (int k = i + 1; k < FORM.length; k++)
                if (s.get(i).name().equals(s.get(k).name()) != (FORM[i] == FORM[k])) return false;
        return true;
    }

    private static Sound song(long seed, List<Double> edges) {
        SplittableRandom r = new SplittableRandom(seed * 77 + 3);
        Sound[] parts = new Sound[3];
        double root = 36 + 10 * r.nextDouble();
        for (int kind = 0; kind < 3; kind++) {
            int bars = 6 + 2 * r.nextInt(2);
            int frames = (int) (bars * 4 * BEAT_S * RATE);
            Takes.Style style = Takes.Style.values()[(int) ((seed + 2 * kind) % Takes.Style.values().length)];
            float[] guitar = new OtherChain.Settings(seed + 500 + kind).play(
                    KnownTone.levelled(Takes.performed(style, seed * 3 + kind, seed + kind, Takes.Guitar.HUMBUCKER,
                            frames / (double) RATE + 1).sound().mid()).mid(),
                    OtherChain.Spoiling.NOTHING);
            MadeBand band = new MadeBand(seed * 5 + kind, frames, BEAT_S, root * new double[]{1, 1.335, 1.498}[kind]);
            float[][] out = new float[2][frames];
            add(out, new float[][]{guitar}, 1);
            add(out, band.bass(), kind == 2 ? 0 : 0.7);
            add(out, band.drums(), kind == 2 ? 0 : 0.7);
            add(out, band.keys(), kind == 1 ? 0.6 : 0);
            parts[kind] = new Sound(out, RATE);
        }
        int all = 0;
        for (int k : FORM) all += parts[k].frames();
        float[][] song = new float[2][all];
        int at = 0;
        for (int k : FORM) {
            if (at > 0) edges.add(at / (double) RATE);
            for (int c = 0; c < 2; c++) System.arraycopy(parts[k].channel(c), 0, song[c], at, parts[k].frames());
            at += parts[k].frames();
        }
        return new Sound(song, RATE);
    }

    private static void add(float[][] into, float[][] part, double gain) {
        double energy = 1e-9;
        for (float x : part[0]) energy += (double) x * x / part[0].length;
        for (int c = 0; c < 2; c++) {
            float[] p = part[c % part.length];
            for (int i = 0; i < Math.min(into[c].length, p.length); i++)
                into[c][i] += (float) (0.1 * gain / Math.sqrt(energy) * p[i]);
        }
    }
}
