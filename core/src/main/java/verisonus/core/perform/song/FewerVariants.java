package verisonus.core.perform.song;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import verisonus.core.compare.HeardChange;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Variant;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.take.LoudestPart;
import verisonus.core.work.Progress;

/**
 * Which variant could a song do without, and at what audible price?
 *
 * @param dropped variant that goes
 * @param instead what is played in its sections
 * @param priceJnd how far the two lie apart on the player's phrase, loudness included
 * @param movesSaved foot moves fewer in the whole song
 */
public record FewerVariants(String dropped, String instead, double priceJnd, int movesSaved) {
    private static final double PLAYED_S = 8;

    /** Every pair, the cheapest first; only what saves a move. */
    public static List<FewerVariants> of(SongMap map, Tone tone, List<Variant> variants, SwitchWay way, Sound phrase,
            Progress progress) {
        Sound dry = phrase.atRate(Sound.WORKING_RATE_HZ);
        Sound part = LoudestPart.of(dry, PLAYED_S).cut(dry);
        Map<String, HeardChange.Moments> heard = new LinkedHashMap<>();
        heard.put(tone.name(), played(tone, part));
        for (Variant v : variants) {
            progress.step(heard.size() / (variants.size() + 1.0), "playing " + v.name());
            heard.put(v.name(), played(v.on(tone), part));
        }
        List<FewerVariants> out = new ArrayList<>();
        for (Variant v : variants) {
            HeardChange.Moments own = Objects.requireNonNull(heard.get(v.name()));
            for (Map.Entry<String, HeardChange.Moments> e : heard.entrySet()) {
                String other = e.getKey();
                if (other.equals(v.name()) || map.parts().stream().noneMatch(p -> p.variant().equals(v.name())))
                    continue;
                List<SongMap.Part> parts = map.parts().stream()
                        .map(p -> p.variant().equals(v.name()) ? new SongMap.Part(p.section(), other) : p).toList();
                int saved = map.moves() - SongMap.of(parts, tone, variants, way).moves();
                double price = HeardChange.between(own, e.getValue()).withLoudnessJnd();
                if (saved > 0) out.add(new FewerVariants(v.name(), other, price, saved));
            }
        }
        out.sort(Comparator.comparingDouble(FewerVariants::priceJnd));
        return out;
    }

    private static HeardChange.Moments played(Tone t, Sound dry) {
        return HeardChange.Moments.of(Renderer.render(t, dry, Quality.SEARCH, Progress.NONE));
    }
}
