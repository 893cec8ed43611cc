package verisonus.core.perform.school;

import java.util.List;

/**
 * A question that players answer in different ways.
 *
 * @param question in a player's words
 * @param sides ways to answer it, the tone's own first
 */
public record School(String question, List<Side> sides) {
    public School {
        sides = List.copyOf(sides);
    }
}
