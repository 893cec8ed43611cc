/**
 * The arithmetic of a performance: echo times from a tempo, repeats from feedback.
 * Open {@link verisonus.core.plan.NoteValue} first.
 */
@NullMarked
package verisonus.core.plan;

import org.jspecify.annotations.NullMarked;
