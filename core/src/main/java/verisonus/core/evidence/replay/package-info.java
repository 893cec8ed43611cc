/**
 * What a recording has more than the same phrase played again through a dry tone: repeats, a space, movement. In come the recording and
 * the dry tone played on the take; out go findings and what stays unexplained. Everything works on powers, so that other hands and some
 * milliseconds do not matter. Open {@link verisonus.core.evidence.replay.ReplayExamination} first.
 *
 * <p>Limits of acceptance were set on made-up replays of ReplayReport in {@code bench} (its even seeds) and checked on odd ones; bands, steps and
 * rates follow from what is sought: a guitar's range, and sways from 0.1 to 12 Hz.
 */
@NullMarked
package verisonus.core.evidence.replay;

import org.jspecify.annotations.NullMarked;
