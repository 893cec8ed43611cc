package verisonus.demo;

import java.util.ArrayList;
import java.util.List;

/** The phrases that are played, as notes. */
final class Phrases {
    private Phrases() {}

    /** A ringing arpeggio in eighths over four chords, one bar each, then a last chord that rings out. */
    static List<Note> arpeggio(double bpm, int bars) {
        int[][] shapes = {{-1, 5, 7, 7, 7, 5}, {-1, 4, 7, 6, 5, 5}, {-1, 2, 4, 4, 3, 2}, {3, 2, 0, 0, 3, 3}};
        int[] order = {1, 2, 3, 4, 5, 4, 3, 2};
        double eighth = 30 / bpm;
        List<Note> out = new ArrayList<>();
        for (int bar = 0; bar < bars; bar++) {
            int[] shape = shapes[bar % shapes.length];
            for (int i = 0; i < order.length; i++) {
                int string = i == 0 && shape[0] >= 0 ? 0 : order[i];
                double start = 0.4 + (8 * bar + i) * eighth;
                double hard = i == 0 ? 0.8 : i == 4 ? 0.7 : 0.55;
                out.add(new Note(start, (8 - i) * eighth * 0.98, string, Math.max(0, shape[string]), hard, false));
            }
        }
        double end = 0.4 + 8 * bars * eighth;
        for (int s = 1; s < 6; s++) out.add(new Note(end + 0.012 * s, 1.6, s, shapes[0][s], 0.7, false));
        return out;
    }

    /** Fifths in eighths, struck hard, with palm-muted steps and a rest before each third bar. */
    static List<Note> crunchRiff(double bpm, int bars) {
        int[] roots = {0, 0, 3, 5, 0, 0, 7, 5};
        String[] patterns = {"X.mmX.mm", "X.mmXX..", "XmmXmmX.", "X..X..XX"};
        double eighth = 30 / bpm;
        List<Note> out = new ArrayList<>();
        for (int bar = 0; bar < bars; bar++) {
            String pattern = patterns[bar % patterns.length];
            int fret = roots[bar % roots.length];
            for (int i = 0; i < 8; i++) {
                double start = 0.3 + (8 * bar + i) * eighth;
                char c = pattern.charAt(i);
                if (c == 'm') out.add(new Note(start, eighth * 0.8, 0, fret, 0.75, true));
                if (c == 'X') {
                    double length = (i < 7 && pattern.charAt(i + 1) == '.' ? 1.8 : 0.9) * eighth;
                    out.add(new Note(start, length, 0, fret, 0.95, false));
                    out.add(new Note(start + 0.004, length, 1, fret + 2, 0.9, false));
                    out.add(new Note(start + 0.008, length, 2, fret + 2, 0.85, false));
                }
            }
        }
        return out;
    }

    /** Broken chords with a bass note first, left to ring for two beats each. */
    static List<Note> comboChords(double bpm, int bars) {
        int[][] shapes = {{3, 5, 5, 4, 3, 3}, {-1, 3, 5, 5, 5, 3}, {1, 3, 3, 2, 1, 1}, {-1, 5, 7, 7, 7, 5}};
        double beat = 60 / bpm;
        List<Note> out = new ArrayList<>();
        for (int bar = 0; bar < bars; bar++) {
            int[] shape = shapes[bar % shapes.length];
            for (int half = 0; half < 2; half++) {
                double start = 0.3 + (4 * bar + 2 * half) * beat;
                for (int s = 0; s < 6; s++) {
                    if (shape[s] < 0) continue;
                    double late = half == 0 ? 0.014 * s : 0.5 * beat + 0.010 * s;
                    out.add(new Note(start + late, 1.4 * beat, s, shape[s], 0.5 + 0.05 * s, false));
                }
            }
        }
        return out;
    }

    /** Palm-muted sixteenths in groups, answered by short open fifths, with rests that a gate can shut in. */
    static List<Note> tightRiff(double bpm, int bars) {
        String[] patterns = {"mm.mmm.mX...X.X.", "mm.mmm.mX.X.....", "mmmmX..mmmmmX...", "X...X...mmmmX..."};
        int[] roots = {0, 0, 5, 3};
        double sixteenth = 15 / bpm;
        List<Note> out = new ArrayList<>();
        for (int bar = 0; bar < bars; bar++) {
            String pattern = patterns[bar % patterns.length];
            int fret = roots[bar % roots.length];
            for (int i = 0; i < 16; i++) {
                double start = 0.3 + (16 * bar + i) * sixteenth;
                if (pattern.charAt(i) == 'm') out.add(new Note(start, 0.85 * sixteenth, 0, fret, 0.8, true));
                if (pattern.charAt(i) == 'X') {
                    out.add(new Note(start, 1.5 * sixteenth, 0, fret, 0.95, false));
                    out.add(new Note(start + 0.003, 1.5 * sixteenth, 1, fret + 2, 0.9, false));
                }
            }
        }
        return out;
    }

    /** A slow line with long notes and room between them. */
    static List<Note> leadLine(double bpm) {
        double beat = 60 / bpm;
        double[][] line = {{0, 2.6, 3, 7, 0.8}, {3, 0.9, 4, 8, 0.7}, {4, 2.4, 4, 10, 0.85}, {7, 0.45, 4, 8, 0.6}, {7.5,
                0.45, 4, 6, 0.6}, {8, 3.2, 3, 9, 0.9}, {12, 0.9, 3, 7, 0.7}, {13, 0.9, 3, 9, 0.75},
                {14, 3.5, 4, 8, 0.9}};
        List<Note> out = new ArrayList<>();
        for (double[] n : line) {
            out.add(new Note(0.3 + n[0] * beat, n[1] * beat, (int) n[2], (int) n[3], n[4], false));
        }
        return out;
    }

    /** Roots of {@link #crunchRiff} in eighths on a bass, from a bar on. */
    static List<Note> bassLine(double bpm, int fromBar, int bars) {
        int[] roots = {0, 0, 3, 5, 0, 0, 7, 5};
        double eighth = 30 / bpm;
        List<Note> out = new ArrayList<>();
        for (int bar = fromBar; bar < bars; bar++) {
            for (int i = 0; i < 8; i++) {
                out.add(new Note(0.3 + (8 * bar + i) * eighth, eighth * 0.9, 0, roots[bar % roots.length],
                        i % 4 == 0 ? 0.8 : 0.6, false));
            }
        }
        return out;
    }
}
