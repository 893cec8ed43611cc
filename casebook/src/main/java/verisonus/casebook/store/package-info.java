/**
 * The casebook file: one SQLite database with cases, recordings, regions, evidence, tones and a logbook. Every change is a
 * logbook entry in the same transaction, and can be undone, also after a restart. Open
 * {@link verisonus.casebook.store.Casebook} first.
 */
@NullMarked
package verisonus.casebook.store;

import org.jspecify.annotations.NullMarked;
