package verisonus.casebook.store;

/**
 * One signature sound under study.
 *
 * @param name what the player calls it
 * @param artist whose sound it is, with the recording
 * @param note what the player wrote about it
 */
public record CaseEntry(long id, String name, String artist, String note) {}
