/** How is a comparison shown to others? Excerpts in a row, equally loud. Open {@link verisonus.core.trial.clip.Clip} first. */
@NullMarked
package verisonus.core.trial.clip;

import org.jspecify.annotations.NullMarked;
