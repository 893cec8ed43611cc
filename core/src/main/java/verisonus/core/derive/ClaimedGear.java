package verisonus.core.derive;

import java.util.ArrayList;
import java.util.List;
import verisonus.core.evidence.Claim;
import verisonus.core.rig.Gear;

/** Which models a claim about a recording speaks for; what it says of playing or pickups speaks for none. */
public final class ClaimedGear {
    private ClaimedGear() {}

    /** All models that these claims speak for, each with how far it counts. */
    public static List<Wishes.ModelClaim> of(List<Claim> claims, Wishes.Use use) {
        List<Wishes.ModelClaim> out = new ArrayList<>();
        for (Claim c : claims) {
            // A rumour is not weighed; it counts only where the player honours what is said.
            if (use == Wishes.Use.WEIGHED && c.certainty() == Claim.Certainty.RUMOUR) continue;
            for (String model : models(c.says())) out.add(new Wishes.ModelClaim(Gear.model(model), use));
        }
        return out;
    }

    private static List<String> models(Claim.Says says) {
        return switch (says) {
            case CLEAN -> List.of("open clean", "chiming edge");
            case CRUNCH -> List.of("chiming edge", "small combo", "mid-forward crunch");
            case SATURATED -> List.of("mid-forward crunch", "tight saturated");
            case TREMOLO -> List.of("bias tremolo", "optical tremolo", "harmonic tremolo");
            case VIBRATO -> List.of("vibrato");
            case COMB -> List.of("chorus", "wide chorus", "flanger", "four-stage phaser");
            default -> List.of();
        };
    }
}
