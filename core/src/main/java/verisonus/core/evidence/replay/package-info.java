/**
 * What a recording has more than the same phrase played again through a dry tone: repeats, a space, movement. In come the recording and
 * the dry tone played on the take; out go findings and what stays unexplained. Everything works on powers, so that other hands and some
 * milliseconds do not matter. Open {@link verisonus.core.evidence.replay.ReplayExamination} first.
 */
@NullMarked
package verisonus.core.evidence.replay;

import org.jspecify.annotations.NullMarked;
