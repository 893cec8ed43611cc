/** Which variant stands where in a song, and what does changing cost? Open {@link verisonus.core.perform.song.SongMap} first. */
@NullMarked
package verisonus.core.perform.song;

import org.jspecify.annotations.NullMarked;
