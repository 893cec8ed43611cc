/**
 * What to turn next, how it feels, what stays out of reach. Open {@link verisonus.desktop.derive.advice.AdviceModel} first.
 */
@NullMarked
package verisonus.desktop.derive.advice;

import org.jspecify.annotations.NullMarked;
