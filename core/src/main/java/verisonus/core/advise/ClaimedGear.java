package verisonus.core.advise;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import verisonus.core.evidence.Correction;
import verisonus.core.evidence.words.Claim;
import verisonus.core.rig.Gear;
import verisonus.core.search.Wishes;

/** What a claim about a recording asks of a tone: models that it speaks for, and what is said not to be there. What it says of playing
 * or pickups asks for nothing. */
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

    /** Findings that honoured claims set aside: what is said not to be there is not put into the chain. */
    public static List<Correction> absent(List<Claim> claims, Wishes.Use use) {
        if (use != Wishes.Use.HONOURED) return List.of();
        return claims.stream().flatMap(c -> switch (c.says()) {
            case NO_ECHO -> Stream.of(Correction.Topic.ECHO);
            case NO_SPACE -> Stream.of(Correction.Topic.SPACE);
            case STILL -> Stream.of(Correction.Topic.MOVEMENT);
            default -> Stream.<Correction.Topic>empty();
        }).distinct().map(t -> new Correction(t, OptionalDouble.empty())).toList();
    }

    /** Whether honoured claims say that no loudspeaker was taken. */
    public static boolean direct(List<Claim> claims, Wishes.Use use) {
        return use == Wishes.Use.HONOURED && claims.stream().anyMatch(c -> c.says() == Claim.Says.DIRECT);
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
