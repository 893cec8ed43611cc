package verisonus.desktop.walk;

import java.util.function.BooleanSupplier;
import java.util.function.Function;
import verisonus.desktop.desk.Desk;

/**
 * One thing to do.
 *
 * @param words what to do and what will be seen or heard
 * @param watch asked when the step begins: what tells that it was done
 */
record WalkStep(String words, Function<Desk, BooleanSupplier> watch) {}
