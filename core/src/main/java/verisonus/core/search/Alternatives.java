package verisonus.core.search;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Other voicings and cabinets with what they cost in the search's own error. */
final class Alternatives {
    private final LinearPart linear;
    private final Objective objective;

    Alternatives(LinearPart linear, Objective objective) {
        this.linear = linear;
        this.objective = objective;
    }

    List<Alternative> of(Objective.Point best, List<Objective.Point> ranked) {
        List<Alternative> out = new ArrayList<>();
        for (Objective.Point p : ranked) {
            if (!p.knobs().pair().equals(best.knobs().pair()) && p.knobs().amp().isPresent())
                out.add(new Alternative(words(p.knobs()), worse(best, p.score())));
        }
        String chosen = linear.dictionary().entry(best.curve()).cabinetName();
        Map<String, Double> cabinets = new LinkedHashMap<>();
        double[] colours = objective.colourErrors(best);
        for (int k = 0; k < colours.length; k++)
            cabinets.merge(linear.dictionary().entry(k).cabinetName(), colours[k], Math::min);
        cabinets.forEach((name, error) -> {
            if (!name.equals(chosen))
                out.add(new Alternative(name, Math.max(0, Math.sqrt(error) - Math.sqrt(colours[best.curve()]))));
        });
        out.sort(Comparator.comparingDouble(Alternative::worseDb));
        return out;
    }

    static String words(Knobs k) {
        return k.ampName() + k.driveName().map(d -> " behind a " + d).orElse("")
                + k.compressor().map(c -> " and a " + c.model().name()).orElse("");
    }

    private static double worse(Objective.Point best, double score) {
        return Math.max(0, Math.sqrt(score) - Math.sqrt(best.score()));
    }
}
