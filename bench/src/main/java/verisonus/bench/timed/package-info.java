/**
 * Times of the inner parts, measured in forks of their own after a warm-up: a block of the chain, a question of the evidence, a
 * search. {@link verisonus.bench.timed.Timings} runs them; the reports of the package above measure whole processes.
 */
@NullMarked
package verisonus.bench.timed;

import org.jspecify.annotations.NullMarked;
