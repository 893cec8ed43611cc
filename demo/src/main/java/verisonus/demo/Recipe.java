package verisonus.demo;

import java.util.List;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.MixLaw;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.LoudnessMeter;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;

/**
 * How a case of the demo was made: what was played, through which settings, and what it was mixed with. What the program
 * derives can be checked against {@link #truth()}.
 */
enum Recipe {
    /** A chiming arpeggio, played twice and panned, with a slow phaser and a triplet-quarter echo. */
    GLASS_HARBOUR("Glass Harbour", "Oda Marrel, “Glass Harbour”", 140) {
        @Override
        Tone truth() {
            return new Tone(title(), List.of(
                    Block.of("chiming edge").with(ControlNames.GAIN, 4.2).with(ControlNames.BASS, 3.6)
                            .with(ControlNames.MID, 5.9).with(ControlNames.TREBLE, 6.4)
                            .with(ControlNames.PRESENCE, 6).with(ControlNames.MASTER, 4.6).with(ControlNames.SAG, 4),
                    Block.of("2×12 open"),
                    Block.of("ribbon microphone").with(ControlNames.POSITION, 30).with(ControlNames.DISTANCE, 8),
                    Block.of("four-stage phaser").with(ControlNames.RATE, 0.42).with(ControlNames.DEPTH, 55)
                            .with(ControlNames.FEEDBACK, 10).with(ControlNames.MIX,
                                    30),
                    Block.of("clean echo").with(ControlNames.TIME, 40000 / bpm()).with(ControlNames.FEEDBACK, 12).with(
                            ControlNames.MIX,
                            MixLaw.HELD.percentFor(-7))));
        }

        @Override
        Sound reference() {
            List<Note> phrase = Phrases.arpeggio(bpm(), 6);
            Sound first = Renderer.render(truth(), new Player(5, 0.05, 11).play(phrase, Instrument.SINGLE_COIL, 13.2),
                    Quality.FINAL, Progress.NONE);
            // The second take: never a copy, and the microphone a little further out.
            Tone second = truth().with(truth().find("microphone").orElseThrow().with(ControlNames.POSITION, 38));
            Sound other = Renderer.render(second, new Player(5, 0.05, 12).play(phrase, Instrument.SINGLE_COIL, 13.2),
                    Quality.FINAL, Progress.NONE);
            return loud(panned(first.mid(), other.mid(), 0.8), -18);
        }

        @Override
        Sound take(int n) {
            return new Player(8, 0.07, 21 + 100L * n).play(Phrases.arpeggio(bpm(), 6), Instrument.HUMBUCKER, 13.2);
        }
    },
    /** A mid-forward crunch riff through one room microphone: alone for two bars, then inside a band. */
    SALT_AND_STATIC("Salt and Static", "Juno Tesk, “Salt and Static”", 104) {
        @Override
        Tone truth() {
            return new Tone(title(), List.of(
                    Block.of("mid-forward crunch").with(ControlNames.GAIN, 5.4).with(ControlNames.BASS, 4.2)
                            .with(ControlNames.MID, 7)
                            .with(ControlNames.TREBLE, 5.6)
                            .with(ControlNames.PRESENCE, 4).with(ControlNames.MASTER, 5.2).with(ControlNames.SAG, 3),
                    Block.of("4×12 closed"),
                    Block.of("condenser microphone").with(ControlNames.POSITION, 25).with(ControlNames.DISTANCE, 45),
                    Block.of("plain hall").with(ControlNames.DECAY, 0.5).with(ControlNames.PRE_DELAY, 8)
                            .with(ControlNames.MIX, 7)));
        }

        @Override
        Sound reference() {
            Sound guitar = loud(guitar(), -19);
            float[] band = backing().mid();
            float[] left = new float[band.length];
            float[] right = new float[band.length];
            for (int i = 0; i < band.length; i++) {
                left[i] = guitar.channel(0)[i] + band[i];
                right[i] = guitar.channel(guitar.channels().length - 1)[i] + band[i];
            }
            return Sound.stereo(left, right, Sound.WORKING_RATE_HZ).gained(-2);
        }

        private Sound guitar() {
            return Renderer.render(truth(),
                    new Player(4, 0.05, 31).play(Phrases.crunchRiff(bpm(), BARS), Instrument.HUMBUCKER, LENGTH_S),
                    Quality.FINAL, Progress.NONE);
        }

        @Override
        Sound take(int n) {
            return new Player(7, 0.06, 41 + 100L * n).play(Phrases.crunchRiff(bpm(), BARS), Instrument.SINGLE_COIL,
                    LENGTH_S);
        }

        @Override
        Sound backing() {
            return band(bpm(), ALONE_BARS, BARS, 51);
        }
    },
    /** A small combo near break-up that sways in level, and a wide quiet chorus mixed in in front of a short room. */
    LANTERN_STREET("Lantern Street", "The Brass Herons, “Lantern Street”", 92) {
        @Override
        Tone truth() {
            return new Tone(title(), List.of(
                    Block.of("mid-forward crunch").with(ControlNames.GAIN, 2.6).with(ControlNames.BASS, 4.5)
                            .with(ControlNames.MID, 5.2)
                            .with(ControlNames.TREBLE, 5.8)
                            .with(ControlNames.PRESENCE, 4.5).with(ControlNames.MASTER, 3.8).with(ControlNames.SAG, 6),
                    Block.of("1×12 open"),
                    Block.of("dynamic microphone").with(ControlNames.POSITION, 40).with(ControlNames.DISTANCE, 12),
                    Block.of("plain hall").with(ControlNames.DECAY, 0.9).with(ControlNames.PRE_DELAY, 0)
                            .with(ControlNames.MIX, 10)));
        }

        @Override
        Sound reference() {
            List<Block> blocks = truth().blocks();
            float[] played = played(new Tone(title(), blocks.subList(0, blocks.size() - 1)),
                    new Player(6, 0.06, 61).play(Phrases.comboChords(bpm(), 5), Instrument.SINGLE_COIL, 14.2).mid());
            Sound wide = RecordEffects.wideChorus(RecordEffects.tremolo(played, 4.1, 0.45), 0.8, 14, 2.2, -13);
            // The room hears both sides in one and answers behind them.
            Sound room = Renderer.render(new Tone(title(), List.of(blocks.getLast().with(ControlNames.DRY, 1))), wide,
                    Quality.FINAL, Progress.NONE);
            return loud(both(wide, room), -19);
        }

        @Override
        Sound take(int n) {
            return new Player(8, 0.07, 62 + 100L * n).play(Phrases.comboChords(bpm(), 5), Instrument.HUMBUCKER, 14.2);
        }
    },
    /** Tight and saturated with the mids up; gated, its highs trimmed before the clipper; covered by the band but for a bar. */
    WINTER_KIOSK("Winter Kiosk", "Juno Tesk, “Winter Kiosk”", 118) {
        @Override
        Tone truth() {
            return new Tone(title(), List.of(
                    Block.of("tight saturated").with(ControlNames.GAIN, 6.2).with(ControlNames.BASS, 4.4)
                            .with(ControlNames.MID, 7.2).with(ControlNames.TREBLE, 5.4)
                            .with(ControlNames.PRESENCE, 5).with(ControlNames.MASTER, 4.2).with(ControlNames.SAG, 1.5),
                    Block.of("4×12 closed"),
                    Block.of("dynamic microphone").with(ControlNames.POSITION, 20).with(ControlNames.DISTANCE, 4)));
        }

        @Override
        Sound reference() {
            float[] in = new Player(3, 0.04, 71).play(Phrases.tightRiff(bpm(), 6), Instrument.HUMBUCKER, 13.0).mid();
            float[] guitar = loud(Sound.mono(played(truth(), RecordEffects.trimmed(RecordEffects.gate(in, -38), 3200)),
                    Sound.WORKING_RATE_HZ), -19).mid();
            float[] band = backing().mid();
            float[] both = new float[guitar.length];
            for (int i = 0; i < both.length; i++) both[i] = guitar[i] + (i < band.length ? band[i] : 0);
            return Sound.mono(both, Sound.WORKING_RATE_HZ).gained(-2);
        }

        @Override
        Sound take(int n) {
            return new Player(6, 0.05, 72 + 100L * n).play(Phrases.tightRiff(bpm(), 6), Instrument.SINGLE_COIL, 13.0);
        }

        @Override
        Sound backing() {
            return band(bpm(), 1, 6, 75);
        }
    },
    /** A lead with dark repeats on the quarter whose sway a pedal rides, before a hall that answers late. */
    SLOW_COMET("Slow Comet", "Ilse Korrin, “Slow Comet”", 76) {
        @Override
        Tone truth() {
            return new Tone(title(), List.of(
                    Block.of("mid-hump overdrive").with(ControlNames.DRIVE, 3.5).with(ControlNames.LEVEL, 6.5),
                    Block.of("mid-forward crunch").with(ControlNames.GAIN, 5.8).with(ControlNames.BASS, 4)
                            .with(ControlNames.MID, 6.4)
                            .with(ControlNames.TREBLE, 5.4)
                            .with(ControlNames.PRESENCE, 4).with(ControlNames.MASTER, 4.6).with(ControlNames.SAG, 4),
                    Block.of("2×12 open"),
                    Block.of("ribbon microphone").with(ControlNames.POSITION, 35).with(ControlNames.DISTANCE, 10),
                    Block.of("plain hall").with(ControlNames.DECAY, 2.3).with(ControlNames.PRE_DELAY, 60)
                            .with(ControlNames.MIX, 14)));
        }

        @Override
        Sound reference() {
            List<Block> blocks = truth().blocks();
            Tone core = new Tone(title(), blocks.subList(0, blocks.size() - 1));
            float[] dry = played(core,
                    new Player(7, 0.05, 81).play(Phrases.leadLine(bpm()), Instrument.HUMBUCKER, 17).mid());
            float[] echoed = RecordEffects.swayingEcho(dry, 60000 / bpm(), 0.38, 1900, -11, 0.3, 1.6);
            Tone hall = new Tone(title(), blocks.subList(blocks.size() - 1, blocks.size()));
            return loud(Renderer.render(hall, Sound.mono(echoed, Sound.WORKING_RATE_HZ), Quality.FINAL, Progress.NONE),
                    -19);
        }

        @Override
        Sound take(int n) {
            return new Player(9, 0.06, 82 + 100L * n).play(Phrases.leadLine(bpm()), Instrument.SINGLE_COIL, 17);
        }
    };

    private static final int BARS = 7;
    private static final int ALONE_BARS = 2;
    private static final double LENGTH_S = 17.2;

    private final String title;
    private final String artist;
    private final double bpm;

    Recipe(String title, String artist, double bpm) {
        this.title = title;
        this.artist = artist;
        this.bpm = bpm;
    }

    String title() {
        return title;
    }

    String artist() {
        return artist;
    }

    double bpm() {
        return bpm;
    }

    /** The settings that the reference was really made with. */
    abstract Tone truth();

    /** The recording in which the sound is heard. */
    abstract Sound reference();

    /** The same phrase played again, by other hands on another pickup. */
    Sound di() {
        return take(0);
    }

    /** The same phrase, played once more. */
    abstract Sound take(int n);

    /** The band without the guitar; silent where the guitar is alone anyway. */
    Sound backing() {
        return Sound.mono(new float[Sound.WORKING_RATE_HZ], Sound.WORKING_RATE_HZ);
    }

    /** Whether a band plays on the recording. */
    boolean hasBacking() {
        return this == SALT_AND_STATIC || this == WINTER_KIOSK;
    }

    private static float[] played(Tone tone, float[] di) {
        return Renderer.render(tone, Sound.mono(di, Sound.WORKING_RATE_HZ), Quality.FINAL, Progress.NONE).mid();
    }

    /** Drums and bass from a bar on. */
    private static Sound band(double bpm, int fromBar, int bars, long seed) {
        float[] track = new float[(int) (LENGTH_S * Sound.WORKING_RATE_HZ)];
        Drums drums = new Drums(track, seed);
        double beat = 60 / bpm;
        for (int b = 4 * fromBar; b < 4 * bars; b++) {
            double at = 0.3 + b * beat;
            if (b % 2 == 0) drums.kick(at, 0.30);
            if (b % 4 == 3) drums.kick(at + beat / 2, 0.26);
            if (b % 2 == 1) drums.snare(at, 0.22);
            drums.hat(at, 0.10);
            drums.hat(at + beat / 2, 0.07);
        }
        Sound bass = new Player(5, 0.05, seed + 1).play(Phrases.bassLine(bpm, fromBar, bars), Instrument.BASS,
                LENGTH_S);
        float[] low = bass.mid();
        for (int i = 0; i < track.length; i++) track[i] += 0.45f * low[i];
        return Sound.mono(track, Sound.WORKING_RATE_HZ);
    }

    private static Sound panned(float[] first, float[] second, double apart) {
        float near = (float) (0.5 + 0.5 * apart);
        float far = 1 - near;
        float[] left = new float[first.length];
        float[] right = new float[first.length];
        for (int i = 0; i < left.length; i++) {
            left[i] = near * first[i] + far * second[i];
            right[i] = far * first[i] + near * second[i];
        }
        return Sound.stereo(left, right, Sound.WORKING_RATE_HZ);
    }

    private static Sound both(Sound a, Sound b) {
        float[][] out = new float[2][];
        for (int c = 0; c < 2; c++) {
            float[] x = a.channel(c);
            float[] y = b.channel(c % b.channels().length);
            out[c] = new float[x.length];
            for (int i = 0; i < x.length; i++) out[c][i] = x[i] + (i < y.length ? y[i] : 0);
        }
        return Sound.stereo(out[0], out[1], Sound.WORKING_RATE_HZ);
    }

    private static Sound loud(Sound sound, double lufs) {
        return sound.gained(lufs - LoudnessMeter.integratedLufs(sound).orElse(lufs));
    }
}
