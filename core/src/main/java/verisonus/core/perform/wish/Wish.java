package verisonus.core.perform.wish;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import verisonus.core.advise.SaidWord;
import verisonus.core.sound.Sound;

/**
 * What a player wants of a tone for which there is no record. What is not asked for stays.
 *
 * @param words what a listener notices, "brighter", "less boxy"
 * @param louderLu loudness against now, LU
 * @param dirtBy how much further the playing is held back, −1 to 1
 * @param like a recording that it shall be like, in one respect only
 */
public record Wish(List<SaidWord> words, OptionalDouble louderLu, OptionalDouble dirtBy, Optional<Like> like) {
    /** In what a tone may be like a recording. */
    public enum Aspect {
        ECHO,
        SPACE,
        MOVEMENT,
        COLOUR,
        DIRT
    }

    /** A recording, and the one respect in which it is the aim. */
    public record Like(Sound recording, Aspect aspect) {}

    public Wish {
        words = List.copyOf(words);
    }

    public boolean isEmpty() { return words.isEmpty() && louderLu.isEmpty() && dirtBy.isEmpty() && like.isEmpty(); }
}
