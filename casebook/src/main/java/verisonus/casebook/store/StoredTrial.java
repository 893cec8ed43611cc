package verisonus.casebook.store;

import verisonus.core.compare.blind.BlindTrial;

/**
 * A blind trial of a case.
 *
 * @param passage what was heard, on what, in words
 */
public record StoredTrial(long id, BlindTrial trial, String passage) {}
