package verisonus.core.perform.school;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.SplittableRandom;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import verisonus.core.compare.GapLedger;
import verisonus.core.compare.HeardChange;
import verisonus.core.feel.FairSwap;
import verisonus.core.perform.time.NoteSum;
import verisonus.core.perform.time.TempoBinding;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Impulse;
import verisonus.core.rig.Model;
import verisonus.core.rig.Placement;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Voice;
import verisonus.core.search.ToneEvidence;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.LoudnessMeter;
import verisonus.core.sound.Sound;
import verisonus.core.take.LoudestPart;
import verisonus.core.work.Parallel;
import verisonus.core.work.Progress;

/**
 * Both ways of the questions over which players part, on one tone: dirt from the amp or from a pedal; echo, movement and space before the
 * amp, in its loop or behind; time as it is or by the beat; middle up or down; a modelled loudspeaker or a measured response. Each other
 * way is made as dirty and as loud as the tone ({@link FairSwap}), rendered, and its price measured. What the rig cannot do is not asked.
 */
public final class Schools {
    private static final double LONGEST_S = 6;
    private static final double MIDDLE_STEP = 2;
    private static final double CLEANER = 3;
    private static final double CLEANEST = 1.5;
    /** A time further off no note value is meant by it. */
    private static final double NEAR = 0.12;
    /** What a guitar and its cable bring without a note, against full scale. */
    private static final double NOISE_DB = -78;

    private final Tone tone;
    private final Rig rig;
    private final Sound take;
    private final Sound noise;
    private final LoudestPart loudest;
    private final Optional<ToneEvidence> evidence;
    private final FairSwap fair;
    private final ExecutorService workers;

    /**
     * @param take dry, the very one that the evidence was read with
     * @param evidence what the record shows; without it nearness is not priced
     */
    public Schools(Tone tone, Rig rig, Sound take, Optional<ToneEvidence> evidence, ExecutorService workers) {
        this.tone = tone;
        this.rig = rig;
        this.take = take.atRate(Sound.WORKING_RATE_HZ);
        this.evidence = evidence;
        this.workers = workers;
        fair = new FairSwap(this.take);
        noise = noise();
        loudest = LoudestPart.of(this.take, LONGEST_S);
    }

    private static Sound noise() {
        SplittableRandom random = new SplittableRandom(1);
        float[] x = new float[Sound.WORKING_RATE_HZ];
        double amplitude = Math.pow(10, NOISE_DB / 20);
        for (int i = 0; i < x.length; i++) x[i] = (float) (amplitude * random.nextGaussian());
        return Sound.mono(x, Sound.WORKING_RATE_HZ);
    }

    /**
     * All questions that this tone and this rig can be asked.
     *
     * @param bpm tempo of the recording, where it is known
     * @param impulse a measured response that could stand in the cabinet's place
     */
    public List<School> of(OptionalDouble bpm, Optional<Impulse> impulse, Progress progress) {
        List<School> asked = new ArrayList<>();
        dirt().ifPresent(asked::add);
        for (Block b : tone.blocks())
            if (b.on() && Placement.suits(b)) place(b).ifPresent(asked::add);
        if (bpm.isPresent()) time(bpm.getAsDouble()).ifPresent(asked::add);
        middle().ifPresent(asked::add);
        impulse.flatMap(this::loudspeaker).ifPresent(asked::add);
        Heard now = heard(tone);
        List<School> out = new ArrayList<>();
        for (School s : asked) {
            progress.step((double) out.size() / asked.size(), "trying " + s.question());
            List<Callable<Side>> work = s.sides().stream().map(x -> (Callable<Side>) () -> priced(x, now)).toList();
            out.add(new School(s.question(), Parallel.all(work, workers)));
        }
        return out;
    }

    private static Side asItIs(String words, Tone tone) {
        return new Side(words, tone, Optional.empty());
    }

    private Optional<School> dirt() {
        Optional<Block> amp = tone.first(GearKind.AMP).filter(Block::on);
        if (amp.isEmpty()) return Optional.empty();
        Optional<Block> drive = tone.first(GearKind.DRIVE).filter(Block::on);
        if (drive.isPresent()) {
            Tone bare = tone.with(drive.get().switched(false));
            return Optional.of(new School("dirt from the amp or from a pedal", List.of(
                    asItIs("from the " + drive.get().model().name(), tone),
                    asItIs("from the amp alone", fair.balanced(tone, bare, amp.get().id())))));
        }
        Optional<Model> pedal = rig.owned(GearKind.DRIVE).stream().findFirst();
        double gain = amp.get().get(ControlNames.GAIN);
        if (pedal.isEmpty() || gain <= CLEANEST || tone.blocks().size() >= rig.mostBlocks()) return Optional.empty();
        Block in = rig.device(pedal.get()).named("pedal");
        Tone cleaner = tone.with(amp.get().with(ControlNames.GAIN, Math.max(CLEANEST, gain - CLEANER)))
                .inserted(in, tone.blocks().indexOf(amp.get()));
        return Optional.of(new School("dirt from the amp or from a pedal", List.of(asItIs("from the amp alone", tone),
                asItIs("more of it from a " + pedal.get().name(), fair.balanced(tone, cleaner, in.id())))));
    }

    private Optional<School> place(Block b) {
        Placement now = Placement.of(tone, b.id());
        List<Side> sides = new ArrayList<>(List.of(asItIs(now.words(), tone)));
        for (Placement p : Placement.values()) {
            boolean loop = p == Placement.IN_LOOP && tone.first(GearKind.AMP).filter(Block::on).isEmpty();
            if (p == now || loop) continue;
            sides.add(asItIs(p.words(), fair.atConstantLoudness(tone, p.in(tone, b.id()))));
        }
        return sides.size() < 2 ? Optional.empty() : Optional.of(new School("where the " + called(b) + " sits", sides));
    }

    private static String called(Block b) {
        return switch (b.model().kind()) {
            case MODULATION -> b.model().name();
            case REVERB -> "space";
            default -> b.id();
        };
    }

    private Optional<School> time(double bpm) {
        Optional<Block> echo = tone.first(GearKind.ECHO).filter(Block::on);
        if (echo.isEmpty()) return Optional.empty();
        double ms = echo.get().get(ControlNames.TIME);
        Optional<NoteSum> length = NoteSum.near(ms, bpm, NEAR);
        if (length.isEmpty()) return Optional.empty();
        Tone bound = new TempoBinding(ControlPlace.of(echo.get(), ControlNames.TIME), length.get()).at(tone, bpm);
        if (bound.equals(tone)) return Optional.empty();
        return Optional.of(new School("the echo's time", List.of(asItIs("as it was read", tone),
                asItIs("bound to the beat, " + length.get().words(), bound))));
    }

    private Optional<School> middle() {
        Optional<Block> amp = tone.first(GearKind.AMP).filter(Block::on)
                .filter(a -> !a.model().control(ControlNames.MID).isFixed());
        if (amp.isEmpty()) return Optional.empty();
        List<Side> sides = new ArrayList<>(List.of(asItIs("as it is", tone)));
        for (double step : new double[]{MIDDLE_STEP, -MIDDLE_STEP}) {
            double to = amp.get().model().control(ControlNames.MID).clamp(amp.get().get(ControlNames.MID) + step);
            if (Math.abs(to - amp.get().get(ControlNames.MID)) < MIDDLE_STEP / 2) continue;
            sides.add(asItIs(step > 0 ? "up, to cut through" : "down, to leave room",
                    fair.balanced(tone, tone.with(amp.get().with(ControlNames.MID, to)), amp.get().id())));
        }
        return Optional.of(new School("middle up or down", sides));
    }

    private Optional<School> loudspeaker(Impulse impulse) {
        Optional<Block> cabinet = tone.first(GearKind.CABINET).filter(Block::on)
                .filter(c -> c.impulse().isEmpty());
        Optional<Model> slot = rig.owned(GearKind.CABINET).stream()
                .filter(m -> m.voice() == Voice.Cabinet.IMPULSE_RESPONSE)
                .findFirst();
        if (cabinet.isEmpty() || slot.isEmpty()) return Optional.empty();
        Tone measured = tone.with(cabinet.get().exchangedFor(slot.get()).with(impulse));
        // A measured response holds its microphone already.
        Optional<Block> microphone = measured.first(GearKind.MICROPHONE).filter(Block::on);
        if (microphone.isPresent()) measured = measured.with(microphone.get().switched(false));
        return Optional.of(new School("a modelled loudspeaker or a measured one", List.of(
                asItIs("modelled: " + cabinet.get().model().name(), tone),
                asItIs("measured: " + impulse.name(), fair.atConstantLoudness(tone, measured)))));
    }

    /** What is measured of a tone. */
    private record Heard(Sound played, HeardChange.Moments moments, double loudnessLufs, double noiseDb,
            Optional<Double> gapJnd) {}

    private Heard heard(Tone t) {
        Sound played = Renderer.render(t, take, Optional.of(take), Quality.SEARCH, Progress.NONE);
        Sound part = loudest.cut(played);
        return new Heard(played, HeardChange.Moments.of(part), LoudnessMeter.integratedLufs(part).orElse(Double.NaN),
                20 * Math.log10(
                        Renderer.render(t, noise, Optional.of(noise), Quality.SEARCH, Progress.NONE).rms() + 1e-9),
                evidence.map(e -> e.gap(e.heard(t, played, Progress.NONE))).filter(GapLedger::isMeasured)
                        .map(GapLedger::scoreJnd));
    }

    private Side priced(Side side, Heard now) {
        if (side.tone().equals(tone)) return side;
        Heard there = heard(side.tone());
        double louder = there.loudnessLufs - now.loudnessLufs;
        Optional<Double> further = there.gapJnd.flatMap(g -> now.gapJnd.map(n -> g - n));
        return new Side(side.words(), side.tone(), Optional.of(new Side.Price(further,
                HeardChange.between(now.moments, there.moments).jnd(), there.noiseDb - now.noiseDb - louder,
                peakDb(there.played) - peakDb(now.played) - louder, on(side.tone()) - on(tone))));
    }

    private static double peakDb(Sound s) {
        return 20 * Math.log10(s.peak() + 1e-9);
    }

    /** A volume that only evens loudness out is no part: it is turned at the device before it. */
    private static int on(Tone t) {
        return (int) t.blocks().stream().filter(b -> b.on() && b.model().voice() != Voice.Utility.VOLUME).count();
    }
}
