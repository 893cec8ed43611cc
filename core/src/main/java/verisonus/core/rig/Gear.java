package verisonus.core.rig;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Every model that can be simulated, described in this one place. */
public final class Gear {
    /** All models, in chain order. */
    public static final List<Model> MODELS = Stream.of(InputGear.INPUTS, InputGear.GUITARS, InputGear.GATES,
            InputGear.COMPRESSORS, InputGear.FILTERS, InputGear.DRIVES, AmpGear.AMPS, LoudspeakerGear.CABINETS,
            LoudspeakerGear.MICROPHONES, EffectGear.EQUALIZERS, EffectGear.MOVEMENTS, EffectGear.ECHOES,
            EffectGear.SPACES, EffectGear.UTILITIES).flatMap(List::stream).toList();

    private static final Map<String, Model> BY_NAME = MODELS.stream()
            .collect(Collectors.toMap(Model::name, Function.identity()));

    private Gear() {}

    public static Optional<Model> find(String name) {
        return Optional.ofNullable(BY_NAME.get(name));
    }

    /** The model of this name. @throws IllegalArgumentException where there is none */
    public static Model model(String name) {
        return find(name).orElseThrow(() -> new IllegalArgumentException("no model " + name));
    }

    /** The shipped model that a device of the player's own is one of; of a shipped one, itself. */
    public static Model baseOf(Model model) {
        Voice voice = model.voice().plain();
        return find(model.name()).orElseGet(() -> MODELS.stream().filter(m -> m.voice() == voice).findFirst()
                .orElseThrow());
    }

    public static List<Model> of(GearKind kind) {
        return MODELS.stream().filter(m -> m.kind() == kind).toList();
    }
}
