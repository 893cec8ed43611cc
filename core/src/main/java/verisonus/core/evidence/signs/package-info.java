/**
 * What several estimators share: the form of a finding, the small network that weighs features to confidences, and curves that more than one
 * question reads (beginnings of notes, third-octave levels, cepstrum). Open {@link verisonus.core.evidence.signs.Finding} first.
 */
@NullMarked
package verisonus.core.evidence.signs;

import org.jspecify.annotations.NullMarked;
