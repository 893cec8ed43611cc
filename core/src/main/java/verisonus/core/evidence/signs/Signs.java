package verisonus.core.evidence.signs;

import java.util.Arrays;
import java.util.List;
import java.util.function.ToDoubleFunction;
import java.util.stream.Stream;

/**
 * Figures that speak for or against an answer, each by its name; units as each name's comment says. Made from one exhaustive switch, so
 * that a sign without a figure does not compile, and laid out in the order of its kind for a {@link Network}. What a recording does not
 * show is not a number.
 *
 * @param <S> the kinds of sign, in the order in which the weights were trained
 */
public final class Signs<S extends Enum<S>> {
    private final Class<S> kind;
    private final double[] values;

    private Signs(Class<S> kind, double[] values) {
        this.kind = kind;
        this.values = values;
    }

    public static <S extends Enum<S>> Signs<S> of(Class<S> kind, ToDoubleFunction<S> figure) {
        return new Signs<>(kind, Arrays.stream(kind.getEnumConstants()).mapToDouble(figure).toArray());
    }

    public double get(S sign) {
        return values[sign.ordinal()];
    }

    /** As a network takes them: a copy. */
    public double[] values() {
        return values.clone();
    }

    /** How each differs from the other's, in the same order. */
    public Signs<S> less(Signs<S> other) {
        return of(kind, s -> get(s) - other.get(s));
    }

    /** Names of a kind's signs, as the weights' file spells them. */
    public static List<String> names(Class<? extends Enum<?>> kind) {
        return Arrays.stream(kind.getEnumConstants()).map(Enum::name).toList();
    }

    /** Names that say of what or against what the signs of a kind were read, {@code OF} {@code what}. */
    public static Stream<String> names(Class<? extends Enum<?>> kind, String what) {
        return names(kind).stream().map(n -> n + " " + what);
    }
}
