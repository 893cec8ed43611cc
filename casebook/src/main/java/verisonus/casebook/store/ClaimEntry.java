package verisonus.casebook.store;

import verisonus.core.evidence.words.Claim;

/** A claim as the casebook keeps it. */
public record ClaimEntry(long id, Claim claim) {}
