package verisonus.core.perform.device;

import java.util.ArrayList;
import java.util.List;
import verisonus.core.compare.Driven;
import verisonus.core.compare.HeardChange;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.take.LoudestPart;
import verisonus.core.travel.NamedBand;
import verisonus.core.travel.PassageSpectra;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

/**
 * What a drive leaves of the amp's own sound: the tone with it against the tone without it, where the amp's gain makes as much dirt,
 * as loud as each other.
 *
 * @param drive id
 * @param gainAt where the amp's gain makes as much dirt
 * @param gain value it has there
 * @param equal whether the amp alone can make as much
 * @param dirtWith how far the playing is held back with the drive
 * @param dirtWithout how far it is with the amp alone
 * @param heard what is left between the two
 * @param bandsDb named bands with the drive against without, dB, loudness taken out
 */
public record Transparency(String drive, ControlPlace gainAt, double gain, boolean equal, double dirtWith,
        double dirtWithout, HeardChange heard, List<Band> bandsDb) {
    private static final double PLAYED_S = 6;
    private static final int HALVINGS = 9;
    private static final double EQUAL = 0.03;
    private static final double SAID_DB = 1;
    private static final double TRANSPARENT_JND = 1.5;

    /** A named band and its change. */
    public record Band(NamedBand band, double changeDb) {}

    public Transparency {
        bandsDb = List.copyOf(bandsDb);
    }

    /** @throws InputFault where the tone has no such drive that is on, or no amp behind it */
    public static Transparency of(Tone tone, String drive, Sound phrase) {
        Block d = tone.find(drive).filter(b -> b.on() && b.model().kind() == GearKind.DRIVE)
                .orElseThrow(() -> new InputFault(drive, "the tone has no drive of that name that is on",
                        "name one of its drives"));
        Block amp = tone.first(GearKind.AMP).filter(Block::on)
                .orElseThrow(() -> new InputFault(drive, "there is no amp behind it", "put an amp in"));
        Sound dry = phrase.atRate(Sound.WORKING_RATE_HZ);
        Sound part = LoudestPart.of(dry, PLAYED_S).cut(dry);
        Sound with = played(tone, part);
        double wanted = driven(tone, part);
        Tone off = tone.with(d.switched(false));
        double low = 0;
        double high = 10;
        for (int i = 0; i < HALVINGS; i++) {
            double middle = (low + high) / 2;
            if (driven(off.with(amp.with(ControlNames.GAIN, middle)), part) < wanted) low = middle;
            else high = middle;
        }
        double gain = Math.rint(50 * (low + high)) / 100;
        Tone alone = off.with(amp.with(ControlNames.GAIN, gain));
        Sound without = played(alone, part);
        double reached = driven(alone, part);
        HeardChange heard = HeardChange.between(HeardChange.Moments.of(without), HeardChange.Moments.of(with));
        return new Transparency(drive, ControlPlace.of(amp, ControlNames.GAIN), gain,
                Math.abs(reached - wanted) <= EQUAL, wanted, reached, heard, bands(without, with));
    }

    private static double driven(Tone t, Sound dry) {
        return Driven.of(dry, played(t.withoutTails(), dry));
    }

    private static Sound played(Tone t, Sound dry) {
        return Renderer.render(t, dry, Quality.SEARCH, Progress.NONE);
    }

    private static List<Band> bands(Sound without, Sound with) {
        double[] a = PassageSpectra.of(without).power(2);
        double[] b = PassageSpectra.of(with).power(2);
        double loudness = 10 * Math.log10(PassageSpectra.weighted(b) / PassageSpectra.weighted(a));
        List<Band> out = new ArrayList<>();
        for (NamedBand n : NamedBand.values()) {
            if (PassageSpectra.isEmpty(n, a) && PassageSpectra.isEmpty(n, b)) continue;
            out.add(new Band(n, 10 * Math.log10((PassageSpectra.bandPower(n, b) + 1e-20)
                    / (PassageSpectra.bandPower(n, a) + 1e-20)) - loudness));
        }
        return out;
    }

    /** As a musician says it. */
    public String words() {
        String dirt = equal
                ? Figures.of("the amp alone makes as much dirt with %s at %.1f", gainAt, gain)
                : Figures.of("the amp alone comes to a dirt of %.2f, the drive to %.2f", dirtWithout,
                        dirtWith);
        List<String> bands = bandsDb.stream().filter(b -> Math.abs(b.changeDb) >= SAID_DB)
                .map(b -> Figures.read("%s %+.1f dB", b.band.words(), b.changeDb))
                .toList();
        String left = heard.jnd() < TRANSPARENT_JND ? "hardly another sound" : "another sound";
        return Figures.of("%s; against that the drive is %s (%.1f JND)%s", dirt, left, heard.jnd(),
                bands.isEmpty() ? "" : ": " + String.join(", ", bands));
    }
}
