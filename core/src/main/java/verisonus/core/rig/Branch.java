package verisonus.core.rig;

import java.util.List;

/**
 * A way beside the main one: it takes the sound behind one block, runs it through blocks of its own and adds it before another.
 * So stand a second amp or cabinet, a second microphone, an echo or a space in parallel, a line out with its own cabinet.
 *
 * @param name what the player calls it
 * @param after id of the main block behind which it leaves; {@value #INPUT} for the chain's own input
 * @param before id of the main block before which it comes back; {@value #OUTPUT} for the chain's own output
 * @param blocks ids of its blocks in order, each in no other way
 * @param levelDb its level where it comes back
 * @param pan −100 left to 100 right, equal power; 0 leaves the sides as they are
 * @param turned whether its phase is turned
 */
public record Branch(String name, String after, String before, List<String> blocks, double levelDb, double pan,
        boolean turned) {
    public static final String INPUT = "input socket";
    public static final String OUTPUT = "output socket";

    public Branch {
        blocks = List.copyOf(blocks);
        if (!(levelDb >= -60 && levelDb <= 20)) throw new IllegalArgumentException(name + " level " + levelDb + " dB");
        if (!(pan >= -100 && pan <= 100)) throw new IllegalArgumentException(name + " pan " + pan);
    }

    /** The same branch with other blocks. */
    public Branch holding(List<String> ids) {
        return new Branch(name, after, before, ids, levelDb, pan, turned);
    }

    /** The same branch between other places of the main way. */
    public Branch between(String newAfter, String newBefore) {
        return new Branch(name, newAfter, newBefore, blocks, levelDb, pan, turned);
    }

    /** The same branch, as loud and where it comes back as said. */
    public Branch mixed(double newLevelDb, double newPan, boolean nowTurned) {
        return new Branch(name, after, before, blocks, newLevelDb, newPan, nowTurned);
    }
}
