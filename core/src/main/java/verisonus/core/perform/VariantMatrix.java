package verisonus.core.perform;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import verisonus.core.compare.HeardChange;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Variant;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.take.LoudestPart;
import verisonus.core.travel.NamedBand;
import verisonus.core.travel.PassageSpectra;
import verisonus.core.work.Progress;

/**
 * A tone and its variants side by side by what a listener notices, on one phrase.
 *
 * @param rows the tone itself first
 */
public record VariantMatrix(List<Row> rows) {
    private static final double PLAYED_S = 8;

    /**
     * One of them.
     *
     * @param name of the tone or the variant
     * @param reading loudness, dirt and headroom
     * @param change against the tone
     * @param bandsDb named bands that the tone has, against the tone, dB, loudness taken out
     * @param ringsS how long repeats or space ring on, s
     * @param notices what a listener notices of it
     */
    public record Row(String name, PlayedReading reading, HeardChange change, Map<NamedBand, Double> bandsDb,
            double ringsS, ToneNotices notices) {}

    public VariantMatrix {
        rows = List.copyOf(rows);
    }

    /** How much louder each is than the tone, LU; the tone first. */
    public Map<String, Double> louderLu() {
        Map<String, Double> out = new LinkedHashMap<>();
        for (Row r : rows) out.put(r.name, r.reading.loudnessLufs() - rows.getFirst().reading.loudnessLufs());
        return out;
    }

    public static VariantMatrix of(Tone tone, List<Variant> variants, Sound phrase, Progress progress) {
        Sound dry = phrase.atRate(Sound.WORKING_RATE_HZ);
        Sound part = LoudestPart.of(dry, PLAYED_S).cut(dry);
        List<Tone> tones = new ArrayList<>(List.of(tone));
        for (Variant v : variants) tones.add(v.on(tone));
        Sound first = Renderer.render(tone, part, Quality.SEARCH, Progress.NONE);
        HeardChange.Moments moments = HeardChange.Moments.of(first);
        List<Row> out = new ArrayList<>();
        for (Tone t : tones) {
            progress.step(out.size() / (double) tones.size(), "playing " + t.name());
            Sound played = out.isEmpty() ? first : Renderer.render(t, part, Quality.SEARCH, Progress.NONE);
            PlayedReading reading = PlayedReading.of(t, dry);
            out.add(new Row(t.name(), reading, HeardChange.between(moments, HeardChange.Moments.of(played)),
                    bands(first, played), t.blocks().stream().mapToDouble(Ringing::seconds).max().orElse(0),
                    ToneNotices.of(t, dry, reading)));
        }
        return new VariantMatrix(out);
    }

    private static Map<NamedBand, Double> bands(Sound first, Sound played) {
        double[] a = PassageSpectra.of(first).power(2);
        double[] b = PassageSpectra.of(played).power(2);
        double loudness = 10 * Math.log10(PassageSpectra.weighted(b) / PassageSpectra.weighted(a));
        Map<NamedBand, Double> out = new EnumMap<>(NamedBand.class);
        for (NamedBand n : NamedBand.values()) {
            if (PassageSpectra.isEmpty(n, a) && PassageSpectra.isEmpty(n, b)) continue;
            out.put(n, 10 * Math.log10((PassageSpectra.bandPower(n, b) + 1e-20)
                    / (PassageSpectra.bandPower(n, a) + 1e-20)) - loudness);
        }
        return out;
    }
}
