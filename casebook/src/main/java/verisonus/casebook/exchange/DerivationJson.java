package verisonus.casebook.exchange;

import java.util.Optional;
import java.util.OptionalDouble;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import verisonus.core.advise.Sketch;
import verisonus.core.compare.GapLedger;
import verisonus.core.compare.GapRow;
import verisonus.core.compare.Verdict;
import verisonus.core.evidence.study.Excerpt;
import verisonus.core.rig.Rig;
import verisonus.core.search.Alternative;
import verisonus.core.search.ControlTrade;
import verisonus.core.search.Derivation;
import verisonus.core.search.StoppingPoint;
import verisonus.core.search.Tolerance;

/** Gaps as {@code verisonus.gap/1} and derivations as {@code verisonus.derivation/1}. */
public final class DerivationJson {
    private DerivationJson() {}

    private static OptionalDouble known(StoppingPoint enough, double jnd) {
        return enough.isKnown() ? OptionalDouble.of(jnd) : OptionalDouble.empty();
    }

    private static OptionalDouble measured(GapLedger gap, double jnd) {
        return gap.isMeasured() ? OptionalDouble.of(jnd) : OptionalDouble.empty();
    }

    public static ObjectNode gap(GapLedger gap) {
        ObjectNode out = Json.object("verisonus.gap/1");
        Json.put(out, "spectrum_rms_db", gap.spectrumRmsDb(), 2);
        Json.put(out, "score_jnd", measured(gap, gap.scoreJnd()), 2);
        Json.put(out, "distance_jnd", measured(gap, gap.distanceJnd()), 2);
        ArrayNode rows = out.putArray("rows");
        for (GapRow r : gap.rows()) {
            ObjectNode row = rows.addObject().put("attribute", r.attribute().words()).put("unit", r.unit());
            Json.put(row, "reference", r.reference(), 2);
            Json.put(row, "candidate", r.candidate(), 2);
            Json.put(row, "difference", r.difference(), 2);
            Json.put(row, "jnd", r.jnd(), 2);
            Json.put(row, "audibility", r.audibility(), 2);
            row.put("stage", r.stage()).put("advice", r.advice()).put("of_tone", r.ofTone());
            row.put("wanted_so", gap.wantedSo().contains(r.attribute()));
        }
        return out;
    }

    /** With how near it is, and what could not be told. */
    public static ObjectNode gap(GapLedger gap, Verdict verdict) {
        ObjectNode out = gap(gap);
        out.set("verdict", verdict(verdict));
        return out;
    }

    private static ObjectNode verdict(Verdict v) {
        ObjectNode out = Json.object().put("words", v.words()).put("near", v.near());
        v.missing().forEach(out.putArray("missing")::add);
        v.unjudged().forEach(out.putArray("unjudged")::add);
        return out;
    }

    /**
     * With whether it is more than a sketch, and what would help.
     *
     * @param part of the reference that was studied because the guitar stands alone there; empty where all of it was
     */
    public static ObjectNode derivation(Derivation d, Sketch sketch, Optional<Excerpt> part) {
        ObjectNode out = derivation(d).put("sketch", sketch.is());
        part.ifPresent(e -> {
            ObjectNode node = out.putObject("derived_from");
            Json.put(node, "from_s", e.fromS(), 2);
            Json.put(node, "to_s", e.toS(), 2);
        });
        sketch.helps().forEach(out.putArray("would_help")::add);
        return out;
    }

    public static ObjectNode derivation(Derivation d) {
        ObjectNode out = Json.object("verisonus.derivation/1").put("pairing", d.pairing().words())
                .put("performance", d.pairing().performance());
        Json.put(out, "seconds", d.seconds(), 2);
        out.put("candidates", d.candidates()).put("renders", d.renders()).put("stopped", d.stopped());
        out.set("verdict", verdict(d.verdict()));
        out.set("tone", ToneJson.write(d.tone()));
        ArrayNode tolerances = out.putArray("tolerances");
        for (Tolerance t : d.tolerances()) {
            ObjectNode node = tolerances.addObject().put("block", t.block()).put("control", t.control());
            Json.put(node, "value", t.value(), 2);
            Json.put(node, "low", t.low(), 2);
            Json.put(node, "high", t.high(), 2);
            node.put("why", t.why());
        }
        ArrayNode ties = out.putArray("ties");
        for (ControlTrade t : d.ties()) {
            ObjectNode node = ties.addObject().put("one", t.one().toString()).put("other", t.other().toString()).put(
                    "opposite",
                    t.opposite());
            Json.put(node, "ratio", t.ratio(), 2);
            Json.put(node, "left_jnd", t.leftJnd(), 2);
        }
        d.start().ifPresentOrElse(s -> {
            ObjectNode start = out.putObject("start").put("nearest", s.words());
            ArrayNode changed = start.putArray("changed");
            s.changesIn(d.tone(), Rig.everything()).forEach(changed::add);
        }, () -> out.putNull("start"));
        ObjectNode enough = out.putObject("enough").put("reached", d.enough().isReached()).put("words", d.enough()
                .words());
        Json.put(enough, "could_gain_jnd", known(d.enough(), d.enough().couldGain()), 2);
        Json.put(enough, "first_choice_worse_jnd", known(d.enough(), d.enough().firstChoice()), 2);
        ObjectNode residual = out.putObject("residual");
        Json.put(residual, "spectrum_rms_db", d.gap().spectrumRmsDb(), 2);
        Json.put(residual, "crest_factor_db",
                Math.abs(d.candidate().level().crestFactorDb() - d.reference().level().crestFactorDb()), 2);
        if (d.candidate().saturation().isPresent() && d.reference().saturation().isPresent()) {
            Json.put(residual, "saturation_index", Math.abs(d.candidate().saturation().value().orElseThrow().index()
                    - d.reference().saturation().value().orElseThrow().index()), 3);
        } else {
            residual.putNull("saturation_index");
        }
        ArrayNode alternatives = out.putArray("alternatives");
        for (Alternative a : d.alternatives()) {
            ObjectNode node = alternatives.addObject().put("what", a.what());
            Json.put(node, "worse_db", a.worseDb(), 2);
        }
        return out;
    }
}
