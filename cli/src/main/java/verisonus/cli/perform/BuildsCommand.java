package verisonus.cli.perform;

import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import verisonus.casebook.exchange.Json;
import verisonus.casebook.exchange.ToneJson;
import verisonus.cli.files.CommonOptions;
import verisonus.cli.files.JsonOption;
import verisonus.cli.files.ToneInput;
import verisonus.core.perform.check.StageChecks;
import verisonus.core.perform.device.Build;
import verisonus.core.perform.device.SameEffect;
import verisonus.core.rig.Tone;
import verisonus.core.sound.Sound;
import verisonus.core.work.Figures;
import verisonus.core.work.Progress;

/** From the whole tone to its fewest parts. */
@Command(name = "builds", mixinStandardHelpOptions = true, description = "The same tone with fewer and fewer parts: what is missed least goes first, each with its gap, cables, money, weight and minutes; and what is there twice.")
public final class BuildsCommand extends CommonOptions implements Callable<Integer> {
    @Mixin
    private ToneWithTake played = new ToneWithTake();

    @Option(names = "--rig", paramLabel = "RIG.json", description = "your gear, for prices, weights and minutes")
    private @Nullable Path rig;

    @Mixin
    private final JsonOption json = new JsonOption();

    @Override
    public Integer call() {
        Tone tone = played.tone();
        Sound phrase = played.take();
        List<Build> builds = Build.ladder(tone, phrase, ToneInput.rig(rig), Progress.NONE);
        List<SameEffect> twice = SameEffect.in(tone, phrase);
        List<String> checks = StageChecks.of(tone, phrase, Progress.NONE);
        if (json.asked()) {
            ObjectNode doc = document(builds, twice);
            ArrayNode amiss = doc.putArray("checks");
            checks.forEach(amiss::add);
            json.print(doc);
            return 0;
        }
        for (Build b : builds)
            System.out.printf(Locale.ROOT, "%5.1f JND  %2d parts, %2d cables  %6s  %5s kg  %3s min  %s%n", b.gapJnd(),
                    b.order().size(), b.cables(), known("%.0f", b.check().price()),
                    known("%.1f", b.check().weightKg()), known("%.0f", b.check().setupMinutes()),
                    b.without().isEmpty() ? "all of it" : "without " + b.without());
        System.out.println("the last: " + String.join(" → ", builds.getLast().order()));
        for (SameEffect s : twice) System.out.println(s.first() + " and " + s.second() + ": " + s.words());
        checks.forEach(System.out::println);
        return 0;
    }

    /** A sum of which nothing is known is 0 and stands for nothing. */
    private static OptionalDouble known(double sum) {
        return sum > 0 ? OptionalDouble.of(sum) : OptionalDouble.empty();
    }

    private static String known(String pattern, double sum) {
        return sum > 0 ? Figures.of(pattern, sum) : "–";
    }

    private static ObjectNode document(List<Build> builds, List<SameEffect> twice) {
        ObjectNode doc = Json.object("verisonus.builds/1");
        ArrayNode list = doc.putArray("builds");
        for (Build b : builds) {
            ObjectNode one = list.addObject().put("without", b.without().isEmpty() ? null : b.without());
            Json.put(one, "gap_jnd", b.gapJnd(), 2);
            one.put("cables", b.cables());
            Json.put(one, "price", known(b.check().price()), 2);
            Json.put(one, "weight_kg", known(b.check().weightKg()), 2);
            Json.put(one, "setup_minutes", known(b.check().setupMinutes()), 1);
            ArrayNode order = one.putArray("order");
            b.order().forEach(order::add);
            one.set("tone", ToneJson.write(b.tone()));
        }
        ArrayNode same = doc.putArray("twice");
        for (SameEffect s : twice) {
            ObjectNode one = same.addObject().put("first", s.first()).put("second", s.second()).put("what", s.words());
            Json.put(one, "likeness", s.likeness(), 2);
        }
        return doc;
    }
}
