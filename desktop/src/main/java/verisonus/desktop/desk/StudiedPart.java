package verisonus.desktop.desk;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Consumer;
import verisonus.casebook.store.Medium;
import verisonus.casebook.store.Region;
import verisonus.core.evidence.study.Course;
import verisonus.core.evidence.study.Passage;
import verisonus.core.evidence.study.PassageFinder;
import verisonus.core.sound.Sound;
import verisonus.core.take.LoudestPart;
import verisonus.core.take.SeenTake;
import verisonus.core.work.Figures;

/**
 * The part of the open case's reference that is studied. Where nobody has marked one, the best is found, marked and said, so that what needs
 * one can go on; it is a region like any other, and can be moved or taken back.
 */
public final class StudiedPart {
    /** A recording that is no longer is studied whole where no passage stands out. */
    private static final double SHORT_S = 30;
    /** Of a longer one as much, where neither a passage stands out nor a take tells where it plays. */
    private static final double PART_S = 20;

    private final Desk desk;

    /** @param why what is said of it */
    private record Part(double fromS, double toS, String why, int others) {
        String words() {
            String more = others == 0
                    ? ""
                    : others == 1 ? " One other passage stands on Listen." : " " + others + " others stand on Listen.";
            return Figures.of("Studied: %.1f–%.1f s, %s.%s", fromS, toS, why, more);
        }
    }

    public StudiedPart(Desk desk) {
        this.desk = desk;
    }

    /** Goes on once a part is marked; needs a reference that has been read. @param say told which part it is, where it was found here */
    public void have(Consumer<String> say, Runnable then) {
        CaseAsItStands c = desk.asItStands().orElseThrow();
        if (c.region().isPresent()) {
            then.run();
            return;
        }
        Medium medium = c.open().first(Medium.Role.REFERENCE).orElseThrow();
        Sound reference = c.sounds().reference().orElseThrow();
        Optional<Course> kept = desk.book().recordings().course(medium.hash());
        desk.forCase("Looking for the best passage", _ -> {
            Course course = kept.orElseGet(() -> {
                Course made = DrawnCourse.of(reference);
                desk.book().recordings().keepCourse(medium.hash(), made);
                return made;
            });
            return part(PassageFinder.in(course), reference, c.sounds().di(), c.open().laidS());
        }).keep(p -> {
            // One that was marked meanwhile is the player's.
            if (desk.book().recordings().regions(medium.id()).isEmpty())
                desk.book().recordings().addRegion(medium.id(), Region.Role.CORE_TONE, p.fromS,
                        Math.min(p.toS, medium.durationS()));
        }).show(p -> {
            say.accept(p.words());
            then.run();
        });
    }

    private static Part part(List<Passage> found, Sound reference, Optional<Sound> di, OptionalDouble laidS) {
        List<Passage> cores = found.stream().filter(p -> p.purpose() == Passage.Purpose.CORE_TONE)
                .sorted(Comparator.comparingDouble((Passage p) -> -p.score())).toList();
        if (!cores.isEmpty()) {
            Passage best = cores.getFirst();
            return new Part(best.fromS(), best.toS(), best.reason(), cores.size() - 1);
        }
        double end = reference.durationS();
        if (end <= SHORT_S) return new Part(0, end, "all of it: nowhere does the guitar surely stand alone", 0);
        return di.flatMap(d -> underTheTake(reference, d, laidS)).orElseGet(() -> {
            LoudestPart loudest = LoudestPart.of(reference, PART_S);
            return new Part(loudest.fromS(), loudest.toS(),
                    "where it is loudest: nowhere does the guitar surely stand alone", 0);
        });
    }

    private static Optional<Part> underTheTake(Sound reference, Sound di, OptionalDouble laidS) {
        double at;
        if (laidS.isPresent()) {
            at = laidS.getAsDouble();
        } else {
            var found = SeenTake.in(reference, di.atRate(reference.rateHz()).mid()).alignment();
            if (!found.pairing().isSamePhrase()) return Optional.empty();
            at = found.offsetSamples() / (double) reference.rateHz();
        }
        double from = Math.max(0, at);
        double to = Math.min(reference.durationS(), at + di.durationS());
        return to - from < 1 ? Optional.empty() : Optional.of(new Part(from, to, "where your take plays", 0));
    }
}
