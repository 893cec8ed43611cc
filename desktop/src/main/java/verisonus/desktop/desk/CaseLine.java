package verisonus.desktop.desk;

import java.util.Optional;
import verisonus.casebook.store.CaseEntry;

/**
 * A case as the margin lists it.
 *
 * @param gapJnd most audible remaining difference; empty where no tone was derived, or where none could be measured
 * @param derived whether it has a tone
 */
public record CaseLine(CaseEntry entry, Optional<Double> gapJnd, boolean derived) {}
