package verisonus.cli;

import java.util.OptionalInt;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.ArgGroup;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import tools.jackson.databind.node.ObjectNode;
import verisonus.casebook.exchange.Json;
import verisonus.cli.files.CommonOptions;
import verisonus.cli.files.JsonOption;
import verisonus.core.plan.Repeats;
import verisonus.core.work.InputFault;

@Command(name = "repeats", mixinStandardHelpOptions = true, description = "Feedback to audible repeats, and back.")
final class RepeatsCommand extends CommonOptions implements Callable<Integer> {
    /** One of the two is asked for. */
    static final class Given {
        @Option(names = "--feedback-percent", required = true, paramLabel = "F", description = "each repeat's amplitude against the one before")
        private @Nullable Double feedbackPercent;

        @Option(names = "--count", required = true, paramLabel = "N", description = "audible repeats wanted")
        private @Nullable Integer count;
    }

    @ArgGroup(multiplicity = "1")
    private Given given = new Given();

    @Option(names = "--floor-db", paramLabel = "D", description = "below this a repeat is not heard (default: -40)")
    private double floorDb = Repeats.DEFAULT_FLOOR_DB;

    @Option(names = "--level-db", paramLabel = "L", description = "first repeat against the sound (default: 0)")
    private double levelDb;

    @Mixin
    private final JsonOption json = new JsonOption();

    @Override
    public Integer call() {
        if (!(floorDb < 0))
            throw new InputFault("--floor-db " + floorDb, "it is not below 0", "give a level under the sound");
        if (!(levelDb > floorDb && levelDb <= 20))
            throw new InputFault("--level-db " + levelDb, "it is not between the floor and 20 dB",
                    "give the first repeat's level");
        Repeats repeats = new Repeats(levelDb, floorDb);
        double feedback;
        if (given.feedbackPercent != null) {
            feedback = given.feedbackPercent;
            if (!(feedback >= 0 && feedback <= 100))
                throw new InputFault("--feedback-percent " + feedback, "it is outside 0 to 100", "give per cent");
        } else {
            int count = given.count == null ? 0 : given.count;
            if (count < 1 || count > 1000)
                throw new InputFault("--count " + count, "it is outside 1 to 1000", "give how many repeats are heard");
            feedback = Math.ceil(repeats.leastFeedbackPercent(count) * 100) / 100;
        }
        OptionalInt audible = repeats.audible(feedback);
        if (json.asked()) {
            ObjectNode out = Json.object("verisonus.repeats/1");
            Json.put(out, "feedback_percent", feedback, 2);
            out.put("audible_repeats", audible.isPresent() ? Integer.valueOf(audible.getAsInt()) : null);
            Json.put(out, "floor_db", floorDb, 1);
            Json.put(out, "level_db", levelDb, 1);
            json.print(out);
        } else {
            System.out.printf("feedback %.2f %%: %s above %.0f dB%n", feedback,
                    audible.isPresent() ? audible.getAsInt() + " audible repeats" : "endless repeats", floorDb);
        }
        return 0;
    }
}
