package verisonus.core.plan;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import verisonus.core.rig.Block;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Model;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.work.Figures;

/**
 * Can a tone be set up on a rig, and what does it take?
 *
 * @param faults what stands against it, in words; empty where nothing does
 * @param price of what it needs, as far as known
 * @param weightKg of it
 * @param setupMinutes of it
 */
public record RigCheck(List<String> faults, double price, double weightKg, double setupMinutes) {
    private static final double HEAVY_KG = 25;

    public static RigCheck of(Tone tone, Rig rig) {
        List<String> faults = new ArrayList<>();
        Map<Model, Integer> used = new LinkedHashMap<>();
        Map<GearKind, Integer> kinds = new LinkedHashMap<>();
        double price = 0;
        double weight = 0;
        double minutes = 0;
        int blocks = 0;
        for (Block b : tone.blocks()) {
            if (!b.on()) continue;
            blocks++;
            used.merge(b.model(), 1, Integer::sum);
            kinds.merge(b.model().kind(), 1, Integer::sum);
            Rig.Practical p = rig.practical(b.model());
            price += p.price();
            weight += p.weightKg();
            minutes += p.setupMinutes();
            if (p.weightKg() > HEAVY_KG) {
                faults.add(Figures.of("%s weighs %.0f kg: lift it with two", b.model().name(),
                        p.weightKg()));
            }
        }
        used.forEach((m, n) -> {
            int owned = rig.count(m);
            if (n > owned) {
                faults.add(owned == 0
                        ? "no " + m.name() + " is owned"
                        : "it needs " + n + " of " + m.name() + ", owned: " + owned);
            }
        });
        kinds.forEach((k, n) -> {
            if (n > 1 && rig.once().contains(k)) faults.add("only one " + k.word() + " is allowed, it has " + n);
        });
        if (blocks > rig.mostBlocks()) faults.add("it has " + blocks + " blocks, at most " + rig.mostBlocks());
        return new RigCheck(List.copyOf(faults), price, weight, minutes);
    }
}
