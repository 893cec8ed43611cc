/**
 * What commands take in and put out: audio, tones and rigs from files, regions of them, results moved into place in one step.
 * Open {@link verisonus.cli.files.AudioInput} first.
 */
@NullMarked
package verisonus.cli.files;

import org.jspecify.annotations.NullMarked;
