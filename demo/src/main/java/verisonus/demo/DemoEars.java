package verisonus.demo;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import verisonus.casebook.exchange.StoredTrial;
import verisonus.casebook.store.Casebook;
import verisonus.casebook.store.ListeningShelf.Kept;
import verisonus.core.compare.GapRow;
import verisonus.core.trial.blind.BlindTrial;
import verisonus.core.trial.blind.StoppingRule;
import verisonus.core.trial.blind.TrialForm;
import verisonus.core.trial.rate.RatingTrial;
import verisonus.core.trial.train.Score;
import verisonus.core.trial.train.Skill;
import verisonus.core.work.Figures;

/** What the pit guitarist's ears answered so far: a trial ended and one left to take, a rating, some evenings of training. */
final class DemoEars {
    private static final int ANSWERS = 12;
    private static final long SEED = 20_260_402;
    private static final Instant FIRST_EVENING = Instant.parse("2026-04-02T18:30:00Z");
    private static final int QUESTIONS = 30;

    private DemoEars() {}

    /**
     * A blind trial: ended after twelve answers of which some were right, or left for the newcomer.
     *
     * @param turnsOn what the two differ in most
     */
    static void trial(Casebook book, long id, DemoRegion where, int right, Optional<GapRow> turnsOn) {
        BlindTrial begun = BlindTrial.begin(TrialForm.ABX, new StoppingRule(ANSWERS, false), SEED);
        StoredTrial t = book.trials().begin(id, begun, Figures.of("%.1f–%.1f s", where.fromS(),
                where.toS()), "70 dB SPL assumed", turnsOn);
        for (int i = 0; right > 0 && i < ANSWERS; i++)
            t = book.trials().answer(id, t, (i < right) == t.trial().isRecordNext());
    }

    /** A rating of the tone, a variant and the neutral start, with the spread of a listener who takes care. */
    static void rating(Casebook book, long id) {
        double[] truth = {96, 14, 71, 48, 33};
        Random spread = new Random(SEED);
        Kept<RatingTrial> k = book.listening().begin(id, RatingTrial.begin(List.of("mine", "under the narrator",
                "the neutral start"), 4, SEED));
        while (!k.value().isEnded()) {
            List<Integer> given = new ArrayList<>();
            for (int s : k.value().order(k.value().given().size()))
                given.add((int) Math.clamp(Math.round(truth[s] + 4 * spread.nextGaussian()), 0, 100));
            k = book.listening().rated(id, k, given);
        }
    }

    /** Three evenings of questions; changes get smaller as more is told. */
    static void training(Casebook book) {
        Random r = new Random(SEED);
        String[] bands = {"lows", "mids", "presence", "upper mids", "low mids"};
        String[] controls = {"amp/gain", "amp/treble", "microphone/position"};
        double db = 9;
        double share = 0.4;
        for (int i = 0; i < QUESTIONS; i++) {
            boolean band = i % 2 == 0;
            double size = band ? db : share;
            double ease = band ? size / 3 : size / 0.15;
            boolean right = r.nextDouble() < 0.25 + 0.75 * (1 - Math.exp(-ease * ease));
            book.listening()
                    .add(new Score(FIRST_EVENING.plus(Duration.ofHours(24L * (i / 10)).plusSeconds(40L * i)), band
                            ? Skill.BAND
                            : Skill.CONTROL, band ? bands[i / 2 % bands.length] : controls[i / 2 % controls.length],
                            size, right));
            if (band) db = Math.clamp(right ? db * 0.87 : db * 1.3, 1.5, 12);
            else share = Math.clamp(right ? share * 0.87 : share * 1.3, 0.05, 0.5);
        }
    }
}
