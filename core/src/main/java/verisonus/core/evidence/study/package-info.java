/**
 * Where in a recording is it worth listening, and is the guitar alone there? A recording comes in; its course, passages with reasons and
 * ways of hearing the guitar through what surrounds it go out. Open {@link verisonus.core.evidence.study.PassageFinder} first.
 */
@NullMarked
package verisonus.core.evidence.study;

import org.jspecify.annotations.NullMarked;
