package verisonus.core.trial;

import verisonus.core.sound.Sound;

/**
 * Something to be heard beside others.
 *
 * @param name what the listener calls it
 */
public record Candidate(String name, Sound sound) {}
