/** What may a foot move, and how far? Open {@link verisonus.core.perform.foot.PedalRangeFinder} first. */
@NullMarked
package verisonus.core.perform.foot;

import org.jspecify.annotations.NullMarked;
