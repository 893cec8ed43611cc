/**
 * Files of sound, read and written: what kind a file is, is told by its content. Libraries decode what is compressed, within a budget that
 * no file can go beyond. Knows the sound and faults. Open {@link verisonus.core.sound.codec.SoundReader} first.
 */
@NullMarked
package verisonus.core.sound.codec;

import org.jspecify.annotations.NullMarked;
