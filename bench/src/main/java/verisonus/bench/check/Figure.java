package verisonus.bench.check;

import java.util.function.DoubleSupplier;
import verisonus.core.work.Figures;

/**
 * One printed figure with how far it was off.
 *
 * @param name what is printed
 * @param truth what it was held against
 * @param unit of the error
 */
final class Figure {
    private final String name;
    private final String truth;
    private final String unit;
    private double allowed;
    private double worst;
    private double sum;
    private int cases;

    Figure(String name, String truth, String unit, double allowed) {
        this.name = name;
        this.truth = truth;
        this.unit = unit;
        this.allowed = allowed;
    }

    /** One case more. */
    void add(double printed, double independent) {
        double off = Math.abs(printed - independent);
        // What is NaN on one side only is as wrong as can be.
        if (Double.isNaN(off)) off = Double.isNaN(printed) && Double.isNaN(independent) ? 0 : Double.POSITIVE_INFINITY;
        worst = Math.max(worst, off);
        sum += off;
        cases++;
    }

    void add(DoubleSupplier printed, DoubleSupplier independent) {
        add(printed.getAsDouble(), independent.getAsDouble());
    }

    Figure allowing(double error) {
        allowed = error;
        return this;
    }

    boolean holds() {
        return cases > 0 && worst <= allowed;
    }

    String row() {
        return Figures.of("%-44s %-46s %5d cases  worst %10.4g %-7s mean %10.4g  allowed %8.4g  %s", name, truth, cases,
                worst, unit, cases == 0 ? Double.NaN : sum / cases, allowed, holds() ? "holds" : "DOES NOT HOLD");
    }
}
