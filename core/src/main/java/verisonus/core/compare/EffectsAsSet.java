package verisonus.core.compare;

import java.util.Optional;
import java.util.OptionalDouble;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.echo.EchoReading;
import verisonus.core.evidence.movement.ModulationKind;
import verisonus.core.evidence.movement.ModulationReading;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.evidence.space.ReverbReading;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.MixLaw;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Voice;

/** Echo, space and movement of a tone of ours are known from its settings: nothing has to be estimated. */
public final class EffectsAsSet {
    private static final String WHY = "as set";

    private EffectsAsSet() {}

    public static Evidence in(Evidence heard, Tone tone) {
        return heard.with(echo(tone), reverb(tone), modulation(tone));
    }

    private static Optional<Block> on(Tone tone, GearKind kind) {
        return tone.blocks().stream().filter(b -> b.on() && b.model().kind() == kind)
                .filter(b -> b.model().find(ControlNames.MIX).isEmpty() || b.get(ControlNames.MIX) > 0).findFirst();
    }

    private static Finding<EchoReading> echo(Tone tone) {
        return on(tone, GearKind.ECHO).map(b -> Finding.present(new EchoReading(b.get(ControlNames.TIME),
                Math.clamp(b.get(ControlNames.FEEDBACK), 0, 100), MixLaw.of(b).wetDb(b.get(ControlNames.MIX)),
                b.get(ControlNames.SIDES) > 0.5), 1, WHY)).orElse(Finding.absent(1, WHY));
    }

    private static Finding<ReverbReading> reverb(Tone tone) {
        return on(tone, GearKind.REVERB).map(b -> Finding.present(new ReverbReading(b.get(ControlNames.DECAY),
                OptionalDouble.of(b.get(ControlNames.PRE_DELAY)), OptionalDouble.empty()), 1, WHY))
                .orElse(Finding.absent(1, WHY));
    }

    private static Finding<ModulationReading> modulation(Tone tone) {
        return on(tone, GearKind.MODULATION).map(b -> Finding.present(reading(b), 1, WHY))
                .orElse(Finding.absent(1, WHY));
    }

    private static ModulationReading reading(Block b) {
        ModulationKind kind = switch (b.model().voice()) {
            case Voice.MovingDelay v -> switch (v) {
                case CHORUS, WIDE_CHORUS -> ModulationKind.CHORUS;
                case FLANGER -> ModulationKind.FLANGER;
                case VIBRATO -> ModulationKind.VIBRATO;
            };
            case Voice.Tremolo v ->
                v == Voice.Tremolo.HARMONIC ? ModulationKind.HARMONIC_TREMOLO : ModulationKind.TREMOLO;
            case Voice.Phaser _ -> ModulationKind.PHASER;
            case Voice.Rotary _ -> ModulationKind.ROTARY;
            default -> throw new IllegalArgumentException(b.model().name() + " moves nothing");
        };
        boolean sways = kind == ModulationKind.TREMOLO || kind == ModulationKind.HARMONIC_TREMOLO;
        return new ModulationReading(kind, b.model().find(ControlNames.RATE).isPresent()
                ? OptionalDouble.of(b.get(ControlNames.RATE))
                : OptionalDouble.empty(),
                sways ? OptionalDouble.of(b.get(ControlNames.DEPTH)) : OptionalDouble.empty());
    }
}
