package verisonus.casebook.exchange;

import java.time.DateTimeException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.function.Supplier;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import verisonus.core.compare.GapAttribute;
import verisonus.core.trial.blind.TrialForm;
import verisonus.core.trial.rate.Picking;
import verisonus.core.trial.rate.RatingTrial;
import verisonus.core.trial.step.StepSearch;
import verisonus.core.trial.step.ToldApart;
import verisonus.core.trial.train.Score;
import verisonus.core.trial.train.Skill;
import verisonus.core.work.InputFault;

/** What ears answered, as it is kept. */
public final class ListeningJson {
    private ListeningJson() {}

    public static ObjectNode write(RatingTrial t) {
        ObjectNode out = Json.object().put("rounds", t.rounds()).put("seed", t.seed());
        ArrayNode names = out.putArray("names");
        t.names().forEach(names::add);
        ArrayNode given = out.putArray("given");
        for (List<Integer> round : t.given()) {
            ArrayNode one = given.addArray();
            round.forEach(one::add);
        }
        return out;
    }

    public static RatingTrial rating(String name, JsonNode n) {
        return read(name, "a rating", () -> {
            List<List<Integer>> given = new ArrayList<>();
            for (JsonNode round : n.path("given")) {
                List<Integer> one = new ArrayList<>();
                for (JsonNode v : round) one.add(v.asInt());
                given.add(one);
            }
            return new RatingTrial(texts(n.path("names")), n.path("rounds").asInt(), n.path("seed").asLong(), given);
        });
    }

    public static ObjectNode write(Picking p) {
        ObjectNode out = Json.object().put("seed", p.seed());
        ArrayNode features = out.putArray("features");
        p.features().forEach(features::add);
        ArrayNode candidates = out.putArray("candidates");
        for (Picking.Measured m : p.candidates()) {
            ArrayNode values = candidates.addObject().put("name", m.name()).putArray("measures");
            for (double v : m.measures()) values.add(Math.rint(1000 * v) / 1000);
        }
        ArrayNode said = out.putArray("said");
        for (Picking.Answer a : p.said()) said.addObject().put("candidate", a.candidate()).put("kept", a.kept());
        return out;
    }

    public static Picking picking(String name, JsonNode n) {
        return read(name, "a picking", () -> {
            List<Picking.Measured> candidates = new ArrayList<>();
            List<String> features = texts(n.path("features"));
            for (JsonNode c : n.path("candidates")) {
                double[] values = new double[features.size()];
                for (int i = 0; i < values.length; i++) values[i] = c.path("measures").path(i).asDouble();
                candidates.add(new Picking.Measured(c.path("name").asString(""), values));
            }
            List<Picking.Answer> said = new ArrayList<>();
            for (JsonNode a : n.path("said")) {
                int candidate = a.path("candidate").asInt(-1);
                if (candidate < 0 || candidate >= candidates.size())
                    throw new IllegalArgumentException("an answer to nothing");
                said.add(new Picking.Answer(candidate, a.path("kept").asBoolean()));
            }
            return new Picking(candidates, features, said, n.path("seed").asLong());
        });
    }

    /** A search for the smallest step of something. */
    public record NamedStep(String what, String unit, StepSearch search) {}

    public static ObjectNode write(NamedStep s) {
        ObjectNode out = Json.object().put("what", s.what).put("unit", s.unit).put("smallest", s.search.smallest())
                .put("largest", s.search.largest());
        ArrayNode answers = out.putArray("answers");
        for (StepSearch.Answer a : s.search.answers())
            answers.addObject().put("step", a.step()).put("right", a.right());
        return out;
    }

    public static NamedStep step(String name, JsonNode n) {
        return read(name, "a step", () -> {
            List<StepSearch.Answer> answers = new ArrayList<>();
            for (JsonNode a : n.path("answers")) {
                double step = a.path("step").asDouble();
                if (!(step > 0)) throw new IllegalArgumentException("a step of " + step);
                answers.add(new StepSearch.Answer(step, a.path("right").asBoolean()));
            }
            return new NamedStep(n.path("what").asString(""), n.path("unit").asString(""),
                    new StepSearch(n.path("smallest").asDouble(), n.path("largest").asDouble(), answers));
        });
    }

    public static ObjectNode write(Score s) {
        return Json.object().put("at", s.at().toString()).put("skill", s.skill().name().toLowerCase(Locale.ROOT))
                .put("attribute", s.attribute()).put("size", s.size()).put("right", s.right());
    }

    public static Score score(String name, JsonNode n) {
        return read(name, "a training's answer", () -> new Score(Instant.parse(n.path("at").asString("")),
                Skill.valueOf(n.path("skill").asString("").toUpperCase(Locale.ROOT)), n.path("attribute").asString(""),
                n.path("size").asDouble(), n.path("right").asBoolean()));
    }

    public static ObjectNode ticked(Set<String> places) {
        ObjectNode out = Json.object();
        ArrayNode list = out.putArray("ticked");
        places.forEach(list::add);
        return out;
    }

    public static Set<String> ticked(JsonNode n) {
        return new LinkedHashSet<>(texts(n.path("ticked")));
    }

    /** The most audible difference a trial turned on, in the document of the trial. */
    public static void put(ObjectNode trial, GapAttribute attribute, double jnd) {
        trial.putObject("turned_on").put("attribute", attribute.words()).put("jnd", jnd);
    }

    /** Empty where the trial's document does not say what it turned on, or holds no answer. */
    public static List<ToldApart> told(JsonNode trial, int right, int of) {
        JsonNode n = trial.path("turned_on");
        if (of == 0) return List.of();
        boolean whichIsX = trial.path("form").asString("").equals(TrialForm.ABX.id());
        return GapAttribute.of(n.path("attribute").asString(""))
                .map(a -> List.of(new ToldApart(a, n.path("jnd").asDouble(), right, of, whichIsX))).orElse(List.of());
    }

    private static List<String> texts(JsonNode array) {
        List<String> out = new ArrayList<>();
        for (JsonNode n : array) out.add(n.asString(""));
        return out;
    }

    private static <T> T read(String name, String what, Supplier<T> reading) {
        try {
            return reading.get();
        } catch (IllegalArgumentException | DateTimeException e) {
            throw new InputFault(name, what + " in it cannot be read (" + e.getMessage() + ")", "make it anew", e);
        }
    }
}
