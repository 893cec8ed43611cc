/**
 * How repeats and rooms sound: echo lines, networks of delays, springs. Open {@link verisonus.core.simulate.spaces.EchoLine} first.
 */
@NullMarked
package verisonus.core.simulate.spaces;

import org.jspecify.annotations.NullMarked;
