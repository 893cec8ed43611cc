package verisonus.core.search;

import java.util.Comparator;
import java.util.List;
import verisonus.core.rig.Block;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.LoudnessMeter;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;

/**
 * What is aimed at where a recording says nothing of its guitar: the known tone that lies in the middle of the cleaner half of all that
 * suit the player, for the tone from which the fewest are far is the safest guess. Its sound is aimed at, so that whatever gear there is comes near it.
 */
final class UsualTone {
    /** Clean and dirty tones lie apart; those with nothing in front of the amp are the many. */
    private static final List<GearKind> IN_FRONT = List.of(GearKind.DRIVE, GearKind.COMPRESSOR);

    private UsualTone() {}

    /** The tone in the middle of those that can be set up; of all that ship where none can. */
    static StartingTone among(SearchOptions options) {
        List<StartingTone> suits = StartingTones.on(options.rig(), options.wishes().known()).stream()
                .filter(t -> allowed(t, options)).toList();
        return middle(suits.isEmpty() ? StartingTones.ALL : suits);
    }

    private static boolean allowed(StartingTone t, SearchOptions options) {
        return t.tone().blocks().stream().allMatch(b -> options.allowed(b.model().kind()).contains(b.model())
                || options.rig().units().stream().anyMatch(u -> u.model().equals(b.model())));
    }

    private record Printed(StartingTone tone, Fingerprint print) {}

    /** Of the cleaner half: dirt that is not on the record is heard at once, and a little more is soon turned up. */
    private static StartingTone middle(List<StartingTone> tones) {
        List<StartingTone> plain = tones.stream()
                .filter(t -> IN_FRONT.stream().allMatch(k -> t.tone().first(k).isEmpty())).toList();
        List<StartingTone> from = plain.isEmpty() ? tones : plain;
        List<Printed> cleaner = from.stream().map(t -> new Printed(t, Fingerprint.of(t)))
                .sorted(Comparator.comparingDouble(p -> p.print.heldBack())).limit((from.size() + 1) / 2).toList();
        return cleaner.stream().min(Comparator.comparingDouble(
                p -> cleaner.stream().mapToDouble(o -> p.print.distance(o.print)).sum())).orElseThrow().tone;
    }

    /**
     * How a take sounds through what the usual tone has more than the take has been through, as loud as the reference.
     *
     * @param dry the take at the working rate
     */
    static float[] aim(SearchOptions options, float[] dry, Sound reference) {
        List<Block> more = among(options).tone().blocks().stream()
                .filter(b -> isAhead(b.model().kind(), options.wishes().track())).toList();
        Sound take = Sound.mono(dry, Sound.WORKING_RATE_HZ);
        Sound out = more.isEmpty()
                ? take
                : Renderer.render(new Tone("usual", more), take, Quality.FINAL, Progress.NONE);
        double has = LoudnessMeter.integratedLufs(out).orElse(0);
        double wants = LoudnessMeter.integratedLufs(reference).orElse(has);
        return out.gained(wants - has).mid();
    }

    private static boolean isAhead(GearKind kind, SearchOptions.Track track) {
        return switch (track) {
            case DRY -> true;
            case THROUGH_AMP -> kind == GearKind.CABINET || kind == GearKind.MICROPHONE;
            case THROUGH_AMP_AND_CABINET -> false;
        };
    }
}
