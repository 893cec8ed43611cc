/**
 * What became of answers, drawn: means on their ruled scale, scores over days. It knows results, and nothing of how they were asked.
 */
@NullMarked
package verisonus.desktop.trial.drawn;

import org.jspecify.annotations.NullMarked;
