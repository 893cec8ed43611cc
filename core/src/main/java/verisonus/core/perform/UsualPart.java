package verisonus.core.perform;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import verisonus.core.work.Progress;

/**
 * The three parts that most sets need of one sound: rhythm as loud and as dirty as it was derived, a lead that stands out of the band
 * by 3 LU and sings a little more, and the same voice clean, as loud. Goals by ear; each can be turned afterwards.
 */
public enum UsualPart {
    RHYTHM,
    LEAD,
    CLEAN;

    private static final double LEAD_LU = 3;
    private static final double LEAD_DIRT = 0.05;
    private static final double CLEANER = 0.35;
    /** As little as anybody calls dirt: a tone that is nearly clean need not lose more than that. */
    private static final double CLEAN_DIRT = 0.12;

    /** What a part asks for of a tone that is as dirty as that. */
    public VariantGoal goal(double dirt) {
        return switch (this) {
            case RHYTHM -> VariantGoal.NOTHING.louder(0);
            case LEAD -> VariantGoal.NOTHING.louder(LEAD_LU).dirtier(LEAD_DIRT);
            case CLEAN -> VariantGoal.NOTHING.louder(0).dirtier(Math.clamp(CLEAN_DIRT - dirt, -CLEANER, 0));
        };
    }

    /** As a variant is called: "rhythm", "lead" or "clean". */
    public String words() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** Those that bear no name of these, solved one after the other. */
    public static List<SolvedVariant> beside(Set<String> taken, VariantSolver solver, Progress progress) {
        List<UsualPart> wanted = List.of(values()).stream().filter(p -> !taken.contains(p.words())).toList();
        List<SolvedVariant> out = new ArrayList<>();
        for (UsualPart p : wanted) {
            progress.step((double) out.size() / wanted.size(), p.words());
            out.add(solver.solved(p.words(), p.goal(solver.before().dirt()), Progress.NONE));
        }
        return out;
    }
}
