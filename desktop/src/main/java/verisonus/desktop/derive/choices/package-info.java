/**
 * How the player wants a tone searched for. Open {@link verisonus.desktop.derive.choices.SearchChoices} first.
 */
@NullMarked
package verisonus.desktop.derive.choices;

import org.jspecify.annotations.NullMarked;
