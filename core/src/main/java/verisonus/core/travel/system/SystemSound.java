package verisonus.core.travel.system;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.DoubleUnaryOperator;
import verisonus.core.sound.Bands;
import verisonus.core.sound.Convolution;
import verisonus.core.sound.LoudnessMeter;
import verisonus.core.sound.MinimumPhase;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;

/**
 * Makes a playback system heard: channels summed where there is one loudspeaker, the response as a minimum-phase filter, what
 * the system holds back when it is loud, the room. The filter leaves out what the room colours, so that the whole has the
 * system's response at the ear.
 *
 * @param levelDbSpl how loud it is turned up: the level that the recording's loudness has at the ear
 */
public record SystemSound(PlaybackSystem system, double levelDbSpl) {
    /** What the player's own system lacks is raised by no more: a loudspeaker without lows must not be driven there. */
    public static final double SAFE_BOOST_DB = 6;
    /** What it has too much is lowered by no more. */
    public static final double SAFE_CUT_DB = 12;

    private static final int BINS = 16384;
    private static final int TAPS = 8192;
    private static final int PARTITION = 1024;
    private static final int CORRECTIONS = 4;
    private static final double LOWEST_CORRECTED_HZ = 25.2;
    private static final double HIGHEST_CORRECTED_HZ = 15800;
    /** Shorter, a level would be that of the wave's halves. */
    private static final double LEAST_ATTACK_S = 0.005;
    private static final double LOWEST_DB = -80;
    private static final double LOWEST_HZ = 16;
    /** What reading the phase of a curve from its magnitude alone may boost. */
    private static final double HIGHEST_DB = 24;

    /** At {@value Sound#WORKING_RATE_HZ} Hz, as long as the recording, without matching loudness. */
    public Sound of(Sound in, Progress progress) {
        int rateHz = Sound.WORKING_RATE_HZ;
        Sound source = in.atRate(rateHz);
        boolean one = system.loudspeakers() == 1 || !source.isStereo();
        float[][] x = one
                ? new float[][]{source.mid().clone()}
                : new float[][]{source.channel(0).clone(), source.channel(1).clone()};
        Optional<float[][]> room = system.room().map(r -> RoomResponse.of(r, rateHz));
        float[] filter = impulse(filterDb(room, rateHz), rateHz);
        for (int c = 0; c < x.length; c++) {
            x[c] = convolved(x[c], filter);
            progress.step(0.4 * (c + 1) / x.length, "playing on the " + system.name());
        }
        system.protection().ifPresent(p -> holdBack(x, p, rateHz));
        progress.step(0.5, "playing on the " + system.name());
        if (room.isEmpty()) return new Sound(x, rateHz);
        float[][] ears = new float[2][];
        for (int ear = 0; ear < 2; ear++) {
            ears[ear] = convolved(x[Math.min(ear, x.length - 1)], room.get()[ear]);
            progress.step(0.5 + 0.25 * (ear + 1), "playing on the " + system.name());
        }
        return new Sound(ears, rateHz);
    }

    /** Gain of the filter before the room, by frequency: so that both together have the system's response in each third octave. */
    private DoubleUnaryOperator filterDb(Optional<float[][]> room, int rateHz) {
        if (room.isEmpty()) return system::levelDbAt;
        Bands bands = Bands.thirds(25, 16000);
        double[] power = RoomResponse.power(room.get(), rateHz);
        double width = (double) rateHz / (2 * (power.length - 1));
        double[] extra = new double[bands.count()];
        for (int pass = 0; pass < CORRECTIONS; pass++) {
            ResponseCurve now = new ResponseCurve(bands.centresHz(), extra);
            for (int b = 0; b < extra.length; b++) {
                double wanted = 1e-30;
                double is = 1e-30;
                for (int k = (int) (bands.lowHz(b) / width); k <= bands.highHz(b) / width; k++) {
                    double curve = Math.pow(10, system.levelDbAt((k + 0.5) * width) / 10);
                    wanted += curve;
                    is += curve * power[k] * Math.pow(10, at(now, (k + 0.5) * width) / 10);
                }
                extra[b] += 10 * Math.log10(wanted / is);
            }
        }
        ResponseCurve correction = new ResponseCurve(bands.centresHz(), extra);
        return hz -> system.levelDbAt(hz) + at(correction, hz);
    }

    /** Level on a curve that goes on as it ends. */
    private static double at(ResponseCurve curve, double hz) {
        return curve.levelDbAt(Math.clamp(hz, LOWEST_CORRECTED_HZ, HIGHEST_CORRECTED_HZ));
    }

    private static float[] impulse(DoubleUnaryOperator gainDb, int rateHz) {
        double[] db = new double[BINS / 2 + 1];
        for (int k = 0; k < db.length; k++) {
            double hz = Math.max(LOWEST_HZ, (double) k * rateHz / BINS);
            db[k] = Math.clamp(gainDb.applyAsDouble(hz), LOWEST_DB, HIGHEST_DB);
        }
        return MinimumPhase.impulse(db, TAPS);
    }

    private static float[] convolved(float[] x, float[] impulse) {
        Convolution convolution = new Convolution(impulse, PARTITION);
        int latency = convolution.latency();
        float[] y = Arrays.copyOf(x, x.length + latency);
        convolution.process(y, 0, y.length);
        return Arrays.copyOfRange(y, latency, y.length);
    }

    private void holdBack(float[][] x, Protection p, int rateHz) {
        Sound now = new Sound(x, rateHz);
        // Under 0.4 s there is no loudness to turn up to.
        if (LoudnessMeter.integratedLufs(now).isEmpty()) return;
        double offset = levelDbSpl - LoudnessMeter.integratedLufs(now).getAsDouble();
        double attack = 1 - Math.exp(-1 / (Math.max(LEAST_ATTACK_S, p.attackS()) * rateHz));
        double release = 1 - Math.exp(-1 / (p.releaseS() * rateHz));
        double shortly = 0;
        double power = 0;
        for (int i = 0; i < x[0].length; i++) {
            double square = 0;
            for (float[] c : x) square += (double) c[i] * c[i] / x.length;
            shortly += attack * (square - shortly);
            power = shortly > power ? shortly : power + release * (shortly - power);
            float gain = (float) Math.pow(10, p.gainDbAt(10 * Math.log10(power + 1e-20) + offset) / 20);
            for (float[] c : x) c[i] *= gain;
        }
    }

    /** The same system heard through another whose response is taken out as far as is safe. */
    public static PlaybackSystem through(PlaybackSystem heard, PlaybackSystem listenedOn) {
        Bands bands = Bands.sixths(40, 16000);
        List<Double> hz = new ArrayList<>();
        List<Double> db = new ArrayList<>();
        for (double f : bands.centresHz()) {
            hz.add(f);
            db.add(heard.levelDbAt(f) - Math.clamp(listenedOn.levelDbAt(f), -SAFE_BOOST_DB, SAFE_CUT_DB));
        }
        return new PlaybackSystem(heard.id(), heard.name() + ", through " + listenedOn.name(),
                new ResponseCurve(hz.stream().mapToDouble(v -> v).toArray(), db.stream().mapToDouble(v -> v).toArray()),
                heard.protection(), heard.room(), heard.loudspeakers(), heard.guitarCabinet(), heard.levelDbSpl(),
                heard.notes());
    }

    /** Bands in which what the player listens on limits what can be shown, Hz; empty where all is taken out. */
    public static List<Double> limitedHz(PlaybackSystem listenedOn) {
        List<Double> out = new ArrayList<>();
        for (double f : Bands.thirds(40, 16000).centresHz()) {
            double db = listenedOn.levelDbAt(f);
            if (db < -SAFE_BOOST_DB - 0.5 || db > SAFE_CUT_DB + 0.5) out.add(f);
        }
        return List.copyOf(out);
    }
}
