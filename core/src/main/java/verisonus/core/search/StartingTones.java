package verisonus.core.search;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;

/** Tones to start from, in words that say what they are good for: from clean to saturated, each with cabinet and microphone. */
public final class StartingTones {
    /** Amp, its gain, bass, middle, treble, presence, master; cabinet; microphone and its place. */
    private static final String[] ROWS = {
            "glassy clean for arpeggios | open clean 3 4 4 7 6 3 | 2×12 open | condenser microphone 25",
            "warm clean for chords | open clean 4 6 6 4 3 4 | 2×12 open | ribbon microphone 40",
            "round clean for single notes | open clean 5 6 5 3 2 5 | 1×12 open | ribbon microphone 55",
            "scooped clean, wide | open clean 4 6 2 7 6 4 | 2×12 closed | condenser microphone 30",
            "clean with body for strumming | open clean 6 5 7 5 5 5 | 2×12 closed | dynamic microphone 35",
            "hot clean that just gives | open clean 9 4 6 6 5 7 | 1×12 open | dynamic microphone 30",
            "chiming clean | chiming edge 2.5 4 5 6 5 3 | 2×12 open | condenser microphone 25",
            "chiming edge, picked softly clean | chiming edge 4.5 4 5 6.5 5 5 | 2×12 open | dynamic microphone 30",
            "chiming crunch | chiming edge 7 4 5 6.5 6 6 | 2×12 open | dynamic microphone 25",
            "chiming lead | chiming edge 8 5 6 6 5 7 | 2×12 open | ribbon microphone 25",
            "dark chime for slides | chiming edge 6 6 5 4 3 5 | 1×12 open | ribbon microphone 45",
            "bright jangle | chiming edge 3.5 3 4 8 7 4 | 2×12 open | condenser microphone 15",
            "small amp at the edge | small combo 3.5 5 5 5 5 5 | 1×8 open | dynamic microphone 30",
            "small amp cranked | small combo 7 4 6 5 4 8 | 1×10 open | dynamic microphone 35",
            "small amp, lopsided growl | small combo 9 3 6 5 4 9 | 1×12 open | dynamic microphone 40",
            "small clean, close | small combo 2 5 5 6 5 3 | 1×10 open | condenser microphone 40",
            "small amp for blues lines | small combo 5.5 5 6 5 4 6 | 1×12 open | ribbon microphone 30",
            "forward clean | mid-forward crunch 1.5 5 5 5 5 3 | 4×12 closed | dynamic microphone 30",
            "forward edge for riffs | mid-forward crunch 3 5 6 5 5 4 | 4×12 closed | dynamic microphone 30",
            "forward crunch | mid-forward crunch 5 5 7 6 5 5 | 4×12 closed | dynamic microphone 30",
            "forward crunch, power stage working | mid-forward crunch 4 5 6 6 5 8 | 4×12 closed | dynamic microphone 30",
            "forward lead | mid-forward crunch 7.5 5 7 6 5 5 | 4×12 closed | dynamic microphone 25",
            "thick forward rhythm | mid-forward crunch 6 7 6 5 4 5 | 4×12 closed | ribbon microphone 30",
            "forward crunch, open back | mid-forward crunch 5 4 6 6 5 5 | 2×12 open | dynamic microphone 35",
            "tight rhythm | tight saturated 4 5 3 6 5 3 | 4×12 closed | dynamic microphone 30",
            "tight rhythm, middle kept | tight saturated 5 5 6 6 5 3 | 4×12 closed | dynamic microphone 25",
            "saturated lead | tight saturated 7 5 6 5 5 4 | 4×12 closed | dynamic microphone 35",
            "saturated and dark | tight saturated 6 6 5 3 2 4 | 4×12 closed | ribbon microphone 45",
            "scooped wall | tight saturated 6.5 7 1.5 7 6 3 | 4×12 closed | dynamic microphone 20",
            "saturated, closed pair | tight saturated 5.5 5 4 6 5 4 | 2×12 closed | dynamic microphone 30",
            "mid hump into clean | open clean 5 5 5 5 5 4 | 2×12 open | dynamic microphone 35 | mid-hump overdrive 5 5 5",
            "mid hump into chime | chiming edge 5 4 5 6 5 4 | 2×12 open | dynamic microphone 30 | mid-hump overdrive 3 5 6",
            "mid hump tightening a crunch | mid-forward crunch 6 5 6 6 5 4 | 4×12 closed | dynamic microphone 30"
                    + " | mid-hump overdrive 2 6 7",
            "mid hump tightening saturation | tight saturated 6 6 4 6 5 3 | 4×12 closed | dynamic microphone 30"
                    + " | mid-hump overdrive 1 6 8",
            "boosted chime | chiming edge 5 4 5 6 5 5 | 2×12 open | dynamic microphone 25 | clean boost 3 5 7",
            "boosted small amp | small combo 6 4 6 5 4 7 | 1×12 open | dynamic microphone 35 | clean boost 4 5 7",
            "transparent grit on clean | open clean 4 5 5 5 5 4 | 2×12 open | condenser microphone 35"
                    + " | transparent overdrive 5 5 5",
            "transparent grit on chime | chiming edge 4 4 5 6 5 4 | 2×12 open | dynamic microphone 30"
                    + " | transparent overdrive 4 5 6",
            "distortion into clean | open clean 4 5 5 5 5 3 | 4×12 closed | dynamic microphone 35"
                    + " | hard-clip distortion 5 5 4",
            "distortion into crunch | mid-forward crunch 3 5 6 5 5 4 | 4×12 closed | dynamic microphone 30"
                    + " | hard-clip distortion 4 5 4",
            "fuzz into clean | open clean 4 5 5 5 5 4 | 2×12 closed | dynamic microphone 40 | two-transistor fuzz 6 5 4",
            "fuzz into crunch | mid-forward crunch 3 5 6 5 4 5 | 4×12 closed | ribbon microphone 30"
                    + " | two-transistor fuzz 7 5 5",
            "soft fuzz into chime | chiming edge 4 5 5 5 4 4 | 2×12 open | dynamic microphone 35"
                    + " | two-transistor fuzz 3 6 4",
            "evened clean | open clean 4 4 5 6 6 3 | 2×12 open | condenser microphone 30 | squeezed",
            "evened chime for funk | chiming edge 3 4 4 7 6 3 | 2×12 open | condenser microphone 20 | squeezed"};

    /** All that ship. */
    public static final List<StartingTone> ALL = java.util.Arrays.stream(ROWS).map(StartingTones::read).toList();

    private StartingTones() {}

    /** The shipped ones that can be set up on a rig, on the devices that are owned. */
    public static List<StartingTone> playable(Rig rig) {
        return on(rig, List.of());
    }

    /** The shipped ones and more, as far as they can be set up on a rig. */
    static List<StartingTone> on(Rig rig, List<StartingTone> more) {
        return Stream.concat(ALL.stream(), more.stream()).flatMap(t -> t.on(rig)).toList();
    }

    private static StartingTone read(String row) {
        String[] part = row.split(" \\| ", -1);
        List<Block> blocks = new ArrayList<>();
        if (part.length > 4 && part[4].equals("squeezed")) {
            blocks.add(Block.of("soft-knee compressor").with(ControlNames.THRESHOLD, -32).with(ControlNames.RATIO, 4));
        } else if (part.length > 4) {
            blocks.add(set(part[4], ControlNames.DRIVE, ControlNames.TONE, ControlNames.LEVEL));
        }
        blocks.add(set(part[1], ControlNames.GAIN, ControlNames.BASS, ControlNames.MID, ControlNames.TREBLE,
                ControlNames.PRESENCE, ControlNames.MASTER));
        blocks.add(Block.of(part[2]));
        blocks.add(set(part[3], ControlNames.POSITION));
        return new StartingTone(part[0], new Tone(part[0], blocks));
    }

    /** A model's name followed by the values of these controls. */
    private static Block set(String words, String... controls) {
        String[] word = words.split(" ", -1);
        int name = word.length - controls.length;
        Block out = Block.of(String.join(" ", java.util.Arrays.copyOf(word, name)));
        for (int i = 0; i < controls.length; i++) out = out.with(controls[i], Double.parseDouble(word[name + i]));
        return out;
    }
}
