/**
 * Which variant stands where in a song, and what does changing cost? Open {@link verisonus.core.perform.song.SongMap} first.
 *
 * <p>Limits were set on made-up songs (SectionReport in {@code bench}) and checked on others.
 */
@NullMarked
package verisonus.core.perform.song;

import org.jspecify.annotations.NullMarked;
