/**
 * What of a recording is the guitar's, as far as a take of the same phrase tells? A recording and a take laid under it come in; a soft
 * mask to listen through ({@link verisonus.core.evidence.guided.GuidedIsolation}) and the guitar's own third octaves with what they may be
 * off by ({@link verisonus.core.evidence.guided.GuidedReading}) go out. Open {@link verisonus.core.evidence.guided.LaidSpectra} first.
 *
 * <p>Weights of the parts and the expected error were fitted by GuidedTraining in {@code bench} on made songs and looked at on others.
 */
@NullMarked
package verisonus.core.evidence.guided;

import org.jspecify.annotations.NullMarked;
