package verisonus.core.trial.train;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import verisonus.core.rig.Tone;

/**
 * A row of questions on one tone. Difficulty follows the answers, each skill by itself: two right in a row make the change smaller, one
 * wrong makes it larger (H. Levitt, "Transformed up-down methods in psychoacoustics", 1971, about 71 % right in the long run); what was
 * missed comes back after {@value #COMES_BACK_AFTER} others, as large as it was.
 */
public final class Lesson {
    static final int COMES_BACK_AFTER = 3;
    private static final double SMALLER = 0.75;
    private static final double LARGER = 1.33;

    private final ExerciseMaker maker;
    private final long seed;
    private final List<Skill> skills;
    private final Map<Skill, Double> size = new EnumMap<>(Skill.class);
    private final Map<Skill, Integer> rightInARow = new EnumMap<>(Skill.class);
    private final List<Missed> missed = new ArrayList<>();
    private int asked;
    private Exercise now;

    /** What comes back, and when. */
    private record Missed(Exercise exercise, int at) {}

    /** @param before earlier answers, from which the sizes go on */
    public Lesson(Tone tone, List<Skill> skills, List<Score> before, long seed) {
        this.maker = new ExerciseMaker(tone);
        this.seed = seed;
        this.skills = List.copyOf(skills);
        if (skills.isEmpty()) throw new IllegalArgumentException("nothing to train");
        for (Skill s : skills) size.put(s, first(s));
        for (Score s : before) if (size.containsKey(s.skill())) followed(s.skill(), s.right());
        now = next();
    }

    private static double first(Skill s) {
        return switch (s) {
            case BAND -> 9;
            case CONTROL -> 0.4;
            case AMOUNT -> 0.2;
        };
    }

    private static double smallest(Skill s) {
        return s == Skill.BAND ? 1 : 0.03;
    }

    private static double largest(Skill s) {
        return switch (s) {
            case BAND -> 12;
            case CONTROL -> 0.5;
            case AMOUNT -> 0.3;
        };
    }

    public Exercise exercise() {
        return now;
    }

    /** How many were answered. */
    public int asked() {
        return asked;
    }

    /** How large the next new change of a skill would be. */
    public double size(Skill s) {
        return size.getOrDefault(s, first(s));
    }

    /** Takes an answer and goes on to the next question. @return whether it was right */
    public boolean answer(int choice) {
        boolean right = choice == now.right();
        if (!right) missed.add(new Missed(now, asked + 1 + COMES_BACK_AFTER));
        followed(now.skill(), right);
        asked++;
        now = next();
        return right;
    }

    private void followed(Skill s, boolean right) {
        int row = right ? rightInARow.getOrDefault(s, 0) + 1 : 0;
        double to = size.getOrDefault(s, first(s));
        if (!right) to *= LARGER;
        if (row == 2) {
            to *= SMALLER;
            row = 0;
        }
        rightInARow.put(s, row);
        size.put(s, Math.clamp(to, smallest(s), largest(s)));
    }

    private Exercise next() {
        for (Missed m : missed) {
            if (m.at > asked) continue;
            missed.remove(m);
            return m.exercise;
        }
        Skill s = skills.get(asked % skills.size());
        return maker.of(s, size.getOrDefault(s, first(s)), seed * 1000003 + asked);
    }
}
