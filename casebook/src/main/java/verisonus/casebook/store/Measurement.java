package verisonus.casebook.store;

import java.util.List;
import java.util.Optional;
import verisonus.casebook.words.EvidenceSentences;
import verisonus.core.evidence.Evidence;

/**
 * What was measured in a region.
 *
 * @param evidence all that was found, in full precision; empty where a program before this one kept its sentences only
 * @param findings as sentences with their plots, made anew whenever they are read
 * @param document the findings as {@code verisonus.evidence/1}
 */
public record Measurement(Optional<Evidence> evidence, List<EvidenceSentences> findings, String document) {
    public Measurement {
        findings = List.copyOf(findings);
    }

    public static Measurement of(Evidence evidence, String document) {
        return new Measurement(Optional.of(evidence), EvidenceSentences.of(evidence), document);
    }

    /** What an earlier program kept: sentences without what they were made of. */
    static Measurement ofSentences(List<EvidenceSentences> findings, String document) {
        return new Measurement(Optional.empty(), findings, document);
    }
}
