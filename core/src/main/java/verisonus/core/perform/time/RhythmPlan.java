package verisonus.core.perform.time;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import verisonus.core.evidence.notes.PlayedNote;
import verisonus.core.plan.NoteValue;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.MixLaw;
import verisonus.core.work.Figures;

/**
 * What a phrase becomes with an echo: the notes that are played and those that the repeats add, on the grid of the beat.
 *
 * @param bpm tempo
 * @param grid length of one line of the grid, in quarter notes
 * @param firstLineS where the grid's first line stands in the take, s
 * @param notes played and added, in time order
 */
public record RhythmPlan(double bpm, double grid, double firstLineS, List<Note> notes) {
    /** An added note that falls this close to a played one is heard as part of it. */
    private static final double TOGETHER_S = TempoRange.FLAM_MS / 1000;
    /** A repeat softer than this against the loudest note makes no rhythm. */
    private static final double HEARD_DB = -26;
    private static final int MOST_REPEATS = 16;
    private static final double OFF_MS = 20;

    /**
     * One note.
     *
     * @param atS when, seconds from the take's start
     * @param levelDb against the strongest played note
     * @param repeat 0: played; else which repeat
     * @param of which played note, from 0
     * @param errorMs from the nearest line of the grid; positive: late
     */
    public record Note(double atS, double levelDb, int repeat, int of, double errorMs) {
        public boolean isPlayed() { return repeat == 0; }
    }

    /** What repeats, and how: from an echo's settings. */
    public record Echo(double timeMs, double feedbackPercent, double levelDb, double secondTapPercent) {
        public static Echo of(Block echo) {
            return new Echo(echo.get(ControlNames.TIME), echo.get(ControlNames.FEEDBACK),
                    MixLaw.of(echo).wetDb(echo.get(ControlNames.MIX)), echo.get(ControlNames.SECOND_TAP));
        }

        public Echo timed(double ms) {
            return new Echo(ms, feedbackPercent, levelDb, secondTapPercent);
        }
    }

    public RhythmPlan {
        notes = List.copyOf(notes);
    }

    /** @param played beginnings of the dry take, {@link NoteStarts} */
    public static RhythmPlan of(List<PlayedNote> played, Echo echo, double bpm) {
        TempoBinding.check(bpm);
        double[] at = played.stream().mapToDouble(PlayedNote::atS).toArray();
        double grid = grid(at, bpm);
        double first = phase(at, grid * 60 / bpm);
        List<Note> out = new ArrayList<>();
        for (int i = 0; i < at.length; i++) {
            double level = 20 * Math.log10(Math.max(1e-3, played.get(i).strength()));
            out.add(note(at[i], level, 0, i, grid, first, bpm));
            double repeat = level + echo.levelDb;
            double fall = 20 * Math.log10(Math.max(1e-4, echo.feedbackPercent / 100));
            for (int n = 1; n <= MOST_REPEATS && repeat > HEARD_DB; n++, repeat += fall)
                out.add(note(at[i] + n * echo.timeMs / 1000, repeat, n, i, grid, first, bpm));
            if (echo.secondTapPercent > 0 && level + echo.levelDb > HEARD_DB)
                out.add(note(at[i] + echo.timeMs * echo.secondTapPercent / 1e5, level + echo.levelDb, 1, i, grid,
                        first, bpm));
        }
        out.sort(Comparator.comparingDouble(Note::atS));
        return new RhythmPlan(bpm, grid, first, out);
    }

    private static Note note(double at, double level, int repeat, int of, double grid, double first, double bpm) {
        double line = grid * 60 / bpm;
        double off = (at - first) / line;
        return new Note(at, level, repeat, of, 1000 * line * (off - Math.rint(off)));
    }

    /** Sixteenths, or eighth triplets where they fit clearly better. */
    private static double grid(double[] at, double bpm) {
        double straight = 0.25;
        double triplet = 1.0 / 3;
        return scatter(at, triplet * 60 / bpm) < 0.6 * scatter(at, straight * 60 / bpm) ? triplet : straight;
    }

    /** How far the notes lie off the best grid of a line, as a share of a line: 1 less the length of their mean on the circle. */
    private static double scatter(double[] at, double line) {
        double[] mean = circle(at, line);
        return 1 - Math.hypot(mean[0], mean[1]);
    }

    private static double phase(double[] at, double line) {
        double[] mean = circle(at, line);
        double phase = Math.atan2(mean[1], mean[0]) / (2 * Math.PI) * line;
        return phase < 0 ? phase + line : phase;
    }

    private static double[] circle(double[] at, double line) {
        double c = 0;
        double s = 0;
        for (double t : at) {
            c += Math.cos(2 * Math.PI * t / line);
            s += Math.sin(2 * Math.PI * t / line);
        }
        return new double[]{c / Math.max(1, at.length), s / Math.max(1, at.length)};
    }

    /** Added notes within the phrase that fall where nothing is played: they make another rhythm. */
    public List<Note> newAccents() {
        double end = notes.stream().filter(Note::isPlayed).mapToDouble(Note::atS).max().orElse(0);
        return notes.stream().filter(n -> !n.isPlayed() && n.atS < end && notes.stream()
                .noneMatch(p -> p.isPlayed() && Math.abs(p.atS - n.atS) < TOGETHER_S)).toList();
    }

    /** Added notes that stand beside a played one, too far to be one with it and too near to be a note of their own. */
    public List<Note> flams() {
        double near = Math.min(2.5 * TOGETHER_S, 0.5 * grid * 60 / bpm);
        return notes.stream().filter(n -> !n.isPlayed() && notes.stream().anyMatch(p -> p.isPlayed()
                && Math.abs(p.atS - n.atS) >= TOGETHER_S && Math.abs(p.atS - n.atS) < near)).toList();
    }

    /**
     * A note value that the echo could have.
     *
     * @param accents how many new notes it makes on the beat's grid
     * @param between how many fall between its lines
     * @param flams how many of its repeats stumble over played notes
     */
    public record Choice(NoteValue value, double timeMs, int accents, int between, int flams) {
        public String words() {
            return Figures.of("%s (%.0f ms): %d new notes%s%s", value.name(), timeMs, accents,
                    between > 0 ? ", " + between + " off the grid" : "",
                    flams > 0 ? ", " + flams + " that stumble" : "");
        }
    }

    /** Every note value from the half to the sixteenth with what it makes of the phrase, most new notes without a stumble first. */
    public static List<Choice> choices(List<PlayedNote> played, Echo echo, double bpm) {
        List<Choice> out = new ArrayList<>();
        for (NoteValue v : NoteValue.ALL) {
            if (v.quarters() > 2 || v.quarters() < 0.25) continue;
            RhythmPlan p = of(played, echo.timed(v.milliseconds(bpm)), bpm);
            List<Note> added = p.newAccents();
            int between = (int) added.stream().filter(n -> Math.abs(n.errorMs) > OFF_MS).count();
            out.add(new Choice(v, v.milliseconds(bpm), added.size() - between, between, p.flams().size()));
        }
        out.sort(Comparator.comparingInt((Choice c) -> c.flams + c.between - c.accents));
        return out;
    }
}
