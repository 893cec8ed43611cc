package verisonus.core.search;

/**
 * Another choice and what it costs.
 *
 * @param what the choice, in gear words
 * @param worseDb how much larger the search's error is than the chosen tone's, dB; of a replay the ratio of both
 */
public record Alternative(String what, double worseDb) {}
