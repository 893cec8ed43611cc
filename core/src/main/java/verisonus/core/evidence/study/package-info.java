/**
 * Where in a recording is it worth listening, and is the guitar alone there? A recording comes in; its course, passages with reasons and
 * ways of hearing the guitar through what surrounds it go out. Open {@link verisonus.core.evidence.study.PassageFinder} first.
 *
 * <p>Limits were set on the made-up songs of AloneReport in {@code bench}, weights by AloneTraining on other seeds; bands follow from the
 * guitar's range, 80 Hz to 5 kHz, and from what bass and cymbals have outside it.
 */
@NullMarked
package verisonus.core.evidence.study;

import org.jspecify.annotations.NullMarked;
