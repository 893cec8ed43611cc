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
    RHYTHM(VariantGoal.NOTHING.louder(0)),
    LEAD(VariantGoal.NOTHING.louder(3).dirtier(0.05)),
    CLEAN(VariantGoal.NOTHING.louder(0).dirtier(-0.35));

    private final VariantGoal goal;

    UsualPart(VariantGoal goal) {
        this.goal = goal;
    }

    public VariantGoal goal() {
        return goal;
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
            out.add(solver.solved(p.words(), p.goal, Progress.NONE));
        }
        return out;
    }
}
