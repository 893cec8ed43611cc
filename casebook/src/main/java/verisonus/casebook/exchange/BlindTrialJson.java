package verisonus.casebook.exchange;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import verisonus.core.trial.blind.BlindTrial;
import verisonus.core.trial.blind.SealedOrder;
import verisonus.core.trial.blind.StoppingRule;
import verisonus.core.trial.blind.TrialForm;
import verisonus.core.trial.blind.TrialResult;
import verisonus.core.work.InputFault;

/** A blind trial as it is kept, and its result as {@code verisonus.trial/1}. */
public final class BlindTrialJson {
    private BlindTrialJson() {}

    public static ObjectNode write(BlindTrial t) {
        ObjectNode out = Json.object().put("form", t.order().form().id()).put("most", t.rule().most())
                .put("sequential", t.rule().sequential()).put("seed", t.order().seed());
        ArrayNode answers = out.putArray("answers");
        t.answers().forEach(answers::add);
        ArrayNode left = out.putArray("left_out");
        t.leftOut().forEach(left::add);
        return out;
    }

    /** @param name stands in errors */
    public static BlindTrial read(String name, JsonNode n) {
        try {
            StoppingRule rule = new StoppingRule(n.path("most").asInt(), n.path("sequential").asBoolean());
            TrialForm form = TrialForm.valueOf(n.path("form").asString("").toUpperCase(Locale.ROOT));
            List<Boolean> answers = new ArrayList<>();
            for (JsonNode a : n.path("answers")) answers.add(a.asBoolean());
            List<Integer> left = new ArrayList<>();
            for (JsonNode l : n.path("left_out")) left.add(l.asInt());
            return new BlindTrial(new SealedOrder(form, rule.most(), n.path("seed").asLong()), rule, answers, left);
        } catch (IllegalArgumentException e) {
            throw new InputFault(name, "a blind trial in it cannot be read (" + e.getMessage() + ")", "begin it anew",
                    e);
        }
    }

    /**
     * What a trial came to.
     *
     * @param gaveAway differences that a listener is likely to have heard, most audible first
     */
    public static ObjectNode result(BlindTrial t, List<String> gaveAway) {
        ObjectNode out = Json.object("verisonus.trial/1").put("form", t.order().form().id()).put("right", t.right())
                .put("of", t.of());
        if (t.result().isPresent()) {
            TrialResult r = t.result().get();
            Json.put(out, "chance", r.chance(), 4);
            ArrayNode interval = out.putArray("interval");
            interval.add(Math.rint(1e4 * r.low()) / 1e4).add(Math.rint(1e4 * r.high()) / 1e4);
            out.put("told_apart", r.toldApart()).put("words", r.words()).put("seed", t.order().seed());
        }
        out.put("sealed", t.order().seal());
        ArrayNode gave = out.putArray("gave_away");
        gaveAway.forEach(gave::add);
        return out;
    }
}
