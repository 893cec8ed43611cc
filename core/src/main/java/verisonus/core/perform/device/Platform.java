package verisonus.core.perform.device;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import verisonus.core.feel.FairSwap;
import verisonus.core.feel.TouchCurve;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Model;
import verisonus.core.rig.Tone;
import verisonus.core.sound.Sound;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

/**
 * One amp setting under several pedals: that under which the worst of several tones, each with its own pedal, stays nearest to itself. The
 * amp's controls are moved one by one, each tone's pedal answers until it is as dirty and as loud as it was, and the worst gap counts
 * (minimax by coordinate descent). The amp is that of the first tone.
 *
 * @param amp settings of the common amp by control
 * @param under each tone on it, in the order asked for
 */
public record Platform(Model model, Map<String, Double> amp, List<Under> under) {
    private static final List<String> MOVED = List.of(ControlNames.GAIN, ControlNames.BASS, ControlNames.MID,
            ControlNames.TREBLE, ControlNames.PRESENCE, ControlNames.MASTER);
    private static final double[] STEPS = {2, 1, 0.5};
    /** How much the mean counts beside the worst, so that the others are not given up for nothing. */
    private static final double MEAN_WEIGHT = 0.15;
    private static final int ANSWERS = 2;

    public Platform {
        amp = Map.copyOf(amp);
        under = List.copyOf(under);
    }

    /**
     * One tone on the common amp.
     *
     * @param tone with the amp's common setting and its pedal turned to it
     * @param gapJnd how far that is from the tone as it was
     * @param breakUpDb from where on it breaks up, against the hardest stroke; empty where it is always or never dirty
     * @param outPerIn dB that come out for each dB played harder, over the upper half: 1 is all of the headroom, 0 none
     */
    public record Under(String name, Tone tone, double gapJnd, OptionalDouble breakUpDb, double outPerIn) {
        /** "0.8 JND off; breaks up 14 dB under the hardest stroke; 0.4 dB out for each dB in". */
        public String words() {
            return Figures.of("%.1f JND off; %s; %.1f dB out for each dB in", gapJnd, breakUpDb.isPresent()
                    ? Figures.of("breaks up %.0f dB under the hardest stroke", -breakUpDb.getAsDouble())
                    : outPerIn > CLEAN_SLOPE ? "stays clean" : "dirty throughout", outPerIn);
        }
    }

    private static final double CLEAN_SLOPE = 0.7;

    /** The gap of the tone that fares worst. */
    public double worstJnd() {
        return under.stream().mapToDouble(Under::gapJnd).max().orElse(0);
    }

    /** A tone with its amp, its pedal, and how it sounds. */
    private record Player(Tone tone, Block amp, Block pedal, TonePlayed wanted) {}

    /**
     * @param tones two or more, each with an amp and a drive that are on
     * @throws InputFault naming the tone that lacks one
     */
    public static Platform of(List<Tone> tones, Sound phrase, Progress progress) {
        if (tones.size() < 2)
            throw new InputFault("platform", "there is one tone only", "name two or more, each with a pedal");
        List<Player> players = new ArrayList<>();
        for (Tone t : tones) players.add(player(t, phrase));
        Model model = players.getFirst().amp.model();
        Map<String, Double> now = start(players, model);
        FairSwap fair = new FairSwap(phrase);
        for (int answer = 0; answer < ANSWERS; answer++) {
            List<Tone> answering = answering(players, model, now, fair);
            double best = score(players, answering);
            for (double step : STEPS) {
                for (String control : MOVED) {
                    progress.step((answer + 0.3 * (2 - step)) / ANSWERS, "turning the amp's " + control);
                    for (double move : new double[]{step, -step}) {
                        Map<String, Double> tried = new LinkedHashMap<>(now);
                        tried.put(control, model.control(control).clamp(now.getOrDefault(control, 5.0) + move));
                        List<Tone> there = answering.stream().map(t -> set(t, model, tried)).toList();
                        double s = score(players, there);
                        if (s >= best) continue;
                        best = s;
                        now = tried;
                        answering = there;
                        break;
                    }
                }
            }
        }
        List<Tone> last = answering(players, model, now, fair);
        List<Under> under = new ArrayList<>();
        for (int i = 0; i < last.size(); i++) {
            TouchCurve touch = TouchCurve.of(last.get(i), phrase.peak());
            under.add(new Under(tones.get(i).name(), last.get(i), players.get(i).wanted.gapJnd(last.get(i)),
                    touch.breakUpDb(), touch.outPerIn()));
        }
        return new Platform(model, now, under);
    }

    private static Player player(Tone t, Sound phrase) {
        Block amp = t.first(GearKind.AMP).filter(Block::on).orElseThrow(
                () -> new InputFault(t.name(), "it has no amp that is on", "put one in"));
        Block pedal = t.first(GearKind.DRIVE).filter(Block::on).orElseThrow(
                () -> new InputFault(t.name(), "it has no pedal that is on", "name tones that use one"));
        return new Player(t, amp, pedal, new TonePlayed(t, phrase));
    }

    /** The middle of what the tones have, as far as the common amp goes. */
    private static Map<String, Double> start(List<Player> players, Model model) {
        Map<String, Double> out = new LinkedHashMap<>();
        for (String c : MOVED) {
            double mean = players.stream().mapToDouble(p -> p.amp.get(c)).average().orElse(5);
            out.put(c, rounded(model.control(c).clamp(mean)));
        }
        return out;
    }

    private static List<Tone> answering(List<Player> players, Model model, Map<String, Double> amp, FairSwap fair) {
        return players.stream().map(p -> fair.balanced(p.tone, set(p.tone, model, amp), p.pedal.id())).toList();
    }

    private static Tone set(Tone t, Model model, Map<String, Double> amp) {
        Block b = t.first(GearKind.AMP).orElseThrow().exchangedFor(model);
        for (Map.Entry<String, Double> e : amp.entrySet()) {
            Control c = model.control(e.getKey());
            b = b.with(c.name(), rounded(e.getValue()));
        }
        return t.with(b);
    }

    private static double score(List<Player> players, List<Tone> tones) {
        double worst = 0;
        double mean = 0;
        for (int i = 0; i < tones.size(); i++) {
            double gap = players.get(i).wanted.gapJnd(tones.get(i));
            worst = Math.max(worst, gap);
            mean += gap / tones.size();
        }
        return worst + MEAN_WEIGHT * mean;
    }

    private static double rounded(double v) {
        return Math.rint(10 * v) / 10;
    }
}
