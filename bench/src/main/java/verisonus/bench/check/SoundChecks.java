package verisonus.bench.check;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import verisonus.core.perform.PlayedReading;
import verisonus.core.perform.SolvedVariant;
import verisonus.core.perform.VariantGoal;
import verisonus.core.perform.VariantSolver;
import verisonus.core.perform.song.Section;
import verisonus.core.perform.song.SongMap;
import verisonus.core.perform.song.SwitchWay;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Variant;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.StageSaturation;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.LoudnessMeter;
import verisonus.core.sound.Sound;
import verisonus.core.travel.Journey;
import verisonus.core.travel.ListeningDose;
import verisonus.core.travel.MonoLoss;
import verisonus.core.travel.NamedBand;
import verisonus.core.travel.Travelled;
import verisonus.core.travel.system.PlaybackSystem;
import verisonus.core.travel.system.ResponseCurve;
import verisonus.core.work.Progress;
import verisonus.demo.Takes;

/** Loudness, bands elsewhere, one loudspeaker, dirt, variants and foot moves. */
final class SoundChecks {
    private static final int RATE = Sound.WORKING_RATE_HZ;
    private static final String[] AMPS = {"open clean", "chiming edge", "mid-forward crunch", "tight saturated",
            "small combo"};

    private SoundChecks() {}

    static List<Figure> all() {
        return List.of(loudness(), bands(), mono(), safeTime(), dirt(-40), dirt(-12), dirtWet(), variants(), moves());
    }

    private static Sound take(int n) {
        Takes.Style[] styles = Takes.Style.values();
        return Takes.performed(styles[n % styles.length], 700 + n, 1, Takes.Guitar.SINGLE_COIL, 6).sound();
    }

    private static Tone tone(int n) {
        return new Tone("tone " + n, List.of(Block.of(AMPS[n % AMPS.length]).with("gain", 1 + n % 7),
                Block.of("2×12 open"), Block.of("dynamic microphone").with(ControlNames.LEVEL, -12)));
    }

    private static Sound played(int n) {
        return Renderer.render(tone(n), take(n), Quality.FINAL, Progress.NONE);
    }

    private static Figure loudness() {
        Figure f = new Figure("loudness", "BS.1770 from its tables", "LU", 0.1);
        for (int n = 0; n < 12; n++) {
            Sound s = played(n);
            f.add(LoudnessMeter.integratedLufs(s).orElse(Double.NaN), OwnLoudness.of(s));
        }
        return f;
    }

    private static Figure bands() {
        Figure f = new Figure("travel: change by band, between its edges", "one transform, bin by bin", "dB", 1.0);
        for (int n = 0; n < 8; n++) {
            Sound s = played(n);
            ResponseCurve curve = PlaybackSystem.ALL.get(n % PlaybackSystem.ALL.size()).curve();
            PlaybackSystem plain = PlaybackSystem.measured("plain", "plain", curve);
            Travelled t = new Journey(s, Optional.empty(), Journey.WORKING_LEVEL_DB_SPL).to(List.of(plain)).getFirst();
            OwnSpectrum own = new OwnSpectrum(s.mid(), s.rateHz());
            for (NamedBand b : NamedBand.values()) {
                double before = own.energy(b.fromHz(), b.toHz(), _ -> 0);
                if (before < 1e-4 * own.energy(20, 12500, _ -> 0)) continue;
                double after = own.energy(b.fromHz(), b.toHz(), curve::levelDbAt);
                f.add(t.band(b).changeDb() + t.loudnessChangeDb(), 10 * Math.log10(after / before));
            }
        }
        return f;
    }

    private static Figure mono() {
        Figure f = new Figure("travel: what one loudspeaker loses", "one transform of sum and sides", "dB", 0.5);
        for (int n = 0; n < 6; n++) {
            float[] x = played(n).mid();
            float[] y = new float[x.length];
            int late = 60 + 90 * n;
            for (int i = late; i < y.length; i++) y[i] = x[i - late];
            float[] mid = new float[x.length];
            for (int i = 0; i < mid.length; i++) mid[i] = (x[i] + y[i]) / 2;
            OwnSpectrum left = new OwnSpectrum(x, RATE);
            OwnSpectrum right = new OwnSpectrum(y, RATE);
            OwnSpectrum sum = new OwnSpectrum(mid, RATE);
            for (MonoLoss m : MonoLoss.of(Sound.stereo(x, y, RATE))) {
                double from = m.band().fromHz();
                double to = m.band().toHz();
                double sides = (left.energy(from, to, _ -> 0) + right.energy(from, to, _ -> 0)) / 2;
                f.add(m.changeDb(), 10 * Math.log10(sum.energy(from, to, _ -> 0) / sides));
            }
        }
        return f;
    }

    private static Figure safeTime() {
        Figure f = new Figure("safe minutes a day", "8 h at 85 dBA, half for every 3 dB", "min", 0.01);
        for (double dba = 80; dba <= 120; dba += 2.5)
            f.add(ListeningDose.safeMinutesPerDay(dba), Math.min(1440, 480 / Math.pow(2, (dba - 85) / 3)));
        return f;
    }

    /** Energy beside a sine, all of which clipping makes. */
    private static Figure dirt(double db) {
        Figure f = new Figure("feel: dirt of a stroke at " + (int) db + " dB", "energy beside a sine", "share",
                db < -30 ? 0.01 : 0.1);
        for (int n = 0; n < 20; n++) {
            Tone front = new Tone("t",
                    List.of(Block.of(AMPS[n % AMPS.length]).with("gain", 1 + n / 5 * 2).with("sag", 0)));
            float[] x = new float[RATE];
            double a = 0.4 * Math.pow(10, db / 20);
            for (int i = 0; i < x.length; i++) x[i] = (float) (a * Math.sin(2 * Math.PI * 220 * i / RATE));
            Sound sine = Sound.mono(x, RATE);
            f.add(StageSaturation.of(front, sine, 0).total(), beside(Renderer.renderMono(front, x, Quality.SEARCH)));
        }
        return f;
    }

    private static double beside(float[] y) {
        int from = RATE / 2;
        int n = RATE / 2;
        double mean = 0;
        for (int i = from; i < from + n; i++) mean += y[i] / (double) n;
        double re = 0;
        double im = 0;
        double all = 0;
        for (int i = from; i < from + n; i++) {
            double phase = 2 * Math.PI * 220 * i / RATE;
            re += y[i] * Math.cos(phase);
            im += y[i] * Math.sin(phase);
            all += (y[i] - mean) * (y[i] - mean);
        }
        return 1 - 2 * (re * re + im * im) / n / all;
    }

    private static Figure dirtWet() {
        Figure f = new Figure("variants: dirt with echo and space", "the same chain without them", "index", 1e-6);
        for (int n = 0; n < 6; n++) {
            Sound di = take(n);
            List<Block> blocks = new ArrayList<>(tone(n).blocks());
            blocks.add(Block.of("clean echo").with(ControlNames.MIX, 50));
            blocks.add(Block.of("plate").with(ControlNames.MIX, 40));
            f.add(PlayedReading.dirt(new Tone("wet", blocks), di), PlayedReading.dirt(tone(n), di));
        }
        return f;
    }

    private static Figure variants() {
        Figure f = new Figure("variants: louder by what was asked", "BS.1770 on both renders", "LU", 0.3);
        for (int n = 0; n < 5; n++) {
            Sound di = take(n);
            SolvedVariant v = new VariantSolver(tone(n), di, Optional.empty(), Optional.empty())
                    .solved("lead", VariantGoal.NOTHING.louder(3), Progress.NONE);
            if (!v.amiss().isEmpty()) continue;
            double was = OwnLoudness.of(Renderer.render(v.base(), di, Quality.FINAL, Progress.NONE));
            f.add(3, OwnLoudness.of(Renderer.render(v.tone(), di, Quality.FINAL, Progress.NONE)) - was);
        }
        return f;
    }

    /** A switch is one move, and a box whose knobs differ is another where it sounds. */
    private static Figure moves() {
        Figure f = new Figure("map: foot moves with separate boxes", "counted block by block", "moves", 0);
        for (int n = 0; n < 32; n++) {
            Tone t = new Tone("t",
                    List.of(Block.of("mid-hump overdrive").switched((n & 1) == 0), Block.of("chiming edge"),
                            Block.of("2×12 open"), Block.of("clean echo").switched((n & 2) == 0)));
            Map<String, Boolean> switches = (n & 4) == 0 ? Map.of() : Map.of("drive", (n & 1) != 0);
            Map<ControlPlace, Double> settings = (n & 8) == 0
                    ? Map.of()
                    : Map.of(new ControlPlace("drive", "drive"), 9.0, new ControlPlace("echo", ControlNames.MIX), 44.0);
            Variant v = new Variant("lead", settings, switches);
            SongMap map = SongMap.of(List.of(new SongMap.Part(new Section("verse", 0, 8), "t"),
                    new SongMap.Part(new Section("solo", 8, 16), "lead")), t, List.of(v), SwitchWay.SEPARATE_BOXES);
            int counted = 0;
            Tone lead = v.on(t);
            for (Block b : t.blocks()) {
                Block then = lead.find(b.id()).orElseThrow();
                if (b.on() != then.on()) counted++;
                boolean turned = b.model().turnable().stream().anyMatch(c -> b.get(c.name()) != then.get(c.name()));
                if (then.on() && turned) counted++;
            }
            f.add(map.moves(), counted);
        }
        return f;
    }
}
