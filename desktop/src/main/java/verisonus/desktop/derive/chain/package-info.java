/**
 * The tone as a chain on ruled scales: settings turned, locked and typed, blocks put in, moved and exchanged. Open
 * {@link verisonus.desktop.derive.chain.ChainModel} first.
 */
@NullMarked
package verisonus.desktop.derive.chain;

import org.jspecify.annotations.NullMarked;
