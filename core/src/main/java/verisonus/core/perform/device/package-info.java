/** The same tone on other or less gear. Open {@link verisonus.core.perform.device.Translator} first. */
@NullMarked
package verisonus.core.perform.device;

import org.jspecify.annotations.NullMarked;
