package verisonus.desktop.session;

import java.util.List;
import java.util.Optional;
import verisonus.casebook.store.DerivedTone;
import verisonus.casebook.store.Region;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.Examination;
import verisonus.core.rig.Block;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Tone;
import verisonus.core.search.ToneEvidence;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.take.MatchedTake;
import verisonus.core.take.Pairing;
import verisonus.core.work.Progress;
import verisonus.desktop.desk.Desk;
import verisonus.desktop.desk.Sounds;

/** Plays a changed tone and measures it as the studied part of the reference is measured, which is done once. */
final class HeardTone {
    private final Desk desk;
    private volatile Optional<Measured> reference = Optional.empty();

    /** What the reference was measured for: another take beside it, or another place of the take, shows something else. */
    private record Measured(Region region, double diStartS, Sound take, ToneEvidence evidence) {
        private boolean isFor(Place p) {
            return region.equals(p.region) && diStartS == p.before.search().diStartS()
                    && take == p.sounds.di().orElseThrow();
        }
    }

    /** Where a tone is heard: what it was before, the part of the reference that it is compared with, the sounds. */
    record Place(long caseId, DerivedTone before, Region region, Sounds sounds) {
        private Sound wanted() {
            return sounds.reference().orElseThrow().slice(region.fromS(), region.toS());
        }

        private boolean same() {
            return before.search().pairing().isSamePhrase();
        }

        private double takeFromS() {
            return region.fromS() - before.search().diStartS();
        }
    }

    HeardTone(Desk desk) {
        this.desk = desk;
    }

    ToneEvidence reference(Place p, Progress progress) {
        Measured m = reference.filter(k -> k.isFor(p)).orElseGet(() -> new Measured(p.region,
                p.before.search().diStartS(), p.sounds.di().orElseThrow(), ToneEvidence.of(laid(p), progress)));
        reference = Optional.of(m);
        return m.evidence;
    }

    private static MatchedTake laid(Place p) {
        Sound di = p.sounds.di().orElseThrow();
        return p.same()
                ? MatchedTake.at(p.wanted(), di, -p.takeFromS(), p.before.search().pairing())
                : new MatchedTake(p.wanted().atRate(Sound.WORKING_RATE_HZ), di, Pairing.OTHER_PLAYING);
    }

    /** All that a gap is made of, while the tone is heard. */
    Evidence whole(Tone tone, Place p, ToneEvidence aim, Progress progress) {
        return measured(tone, p, part -> aim.heard(tone, part, progress), progress);
    }

    /** The same after a change; what no block of its kind has changed is as it was, whatever is read of it. */
    Evidence after(Tone before, Evidence was, Tone tone, Place p, ToneEvidence aim, Progress progress) {
        if (!effects(before).equals(effects(tone))) return whole(tone, p, aim, progress);
        return measured(tone, p, part -> Examination.of(part, Examination.Depth.CONTROL, progress), progress)
                .behind(was);
    }

    private static List<Block> effects(Tone t) {
        return t.blocks().stream().filter(b -> b.model().kind() == GearKind.ECHO || b.model().kind() == GearKind.REVERB
                || b.model().kind() == GearKind.MODULATION).toList();
    }

    private interface Question {
        Evidence ask(Sound part);
    }

    /** Asks the part of the tone's sound that lies under the region. */
    private Evidence measured(Tone tone, Place p, Question question, Progress progress) {
        Sounds s = p.sounds;
        double startS = p.before.search().diStartS();
        Sound mine = Renderer.render(tone, s.di().orElseThrow(), s.second(), Quality.FINAL, progress);
        // Heard at once; the measuring takes longer.
        desk.hearMine(p.caseId, mine, startS);
        double from = p.takeFromS();
        try {
            return question.ask(p.same() ? mine.slice(from, from + p.region.lengthS()) : mine);
        } catch (RuntimeException e) {
            // The change is not kept, so what is heard must not be it.
            s.mine().ifPresent(old -> desk.hearMine(p.caseId, old, startS));
            throw e;
        }
    }
}
