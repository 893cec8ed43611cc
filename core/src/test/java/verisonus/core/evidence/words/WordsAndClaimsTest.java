package verisonus.core.evidence.words;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import verisonus.core.evidence.Correction;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.Examination;
import verisonus.core.evidence.signs.Presence;
import verisonus.core.sound.Biquad;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;

class WordsAndClaimsTest {
    private static final Sound PLAIN = Signal.plucks(0.33, 3).lasting(7);
    private static final Evidence EVIDENCE = Examination.of(PLAIN, Progress.NONE);

    private static Sound filtered(Sound x, Biquad filter) {
        float[] y = x.channel(0).clone();
        new Biquad.Section(filter).process(y, 0, y.length);
        return Sound.mono(y, x.rateHz());
    }

    private static Map<Trait, Double> traits(Sound x) {
        return Trait.of(Examination.of(x, Progress.NONE));
    }

    @Nested
    class Traits {
        @Test
        void aLiftedBandStandsOutWhereItWasLifted() {
            Map<Trait, Double> plain = Trait.of(EVIDENCE);
            Map<Trait, Double> lifted = traits(filtered(PLAIN, Biquad.peak(450, 8, 1.2, 48000)));
            assertThat(lifted.getOrDefault(Trait.BOX, Double.NaN) - plain.getOrDefault(Trait.BOX, Double.NaN))
                    .isGreaterThan(3);
            assertThat(Math.abs(lifted.getOrDefault(Trait.AIR, Double.NaN) - plain.getOrDefault(Trait.AIR, Double.NaN)))
                    .isLessThan(3);
        }

        @Test
        void loudnessChangesNone() {
            Map<Trait, Double> soft = traits(PLAIN.gained(-15));
            Trait.of(EVIDENCE).forEach((t, v) -> assertThat(soft.get(t)).as(t.words()).isCloseTo(v,
                    within(0.3 * t.step())));
        }
    }

    @Nested
    class Vocabulary {
        @Test
        void aWordFitsWhereAllItsLimitsArePassed() {
            Word w = new Word("murky", Word.About.COLOUR, List.of(new Word.Condition(Trait.LOW_MIDS, true, 2),
                    new Word.Condition(Trait.AIR, false, 0)), false);
            Map<Trait, Double> t = new EnumMap<>(Map.of(Trait.LOW_MIDS, 4.0, Trait.AIR, -1.0));
            assertThat(w.fits(t).orElseThrow().strength()).isCloseTo(1 / 6.0, within(1e-9));
            t.put(Trait.AIR, 1.0);
            assertThat(w.fits(t)).isEmpty();
            t.remove(Trait.AIR);
            assertThat(w.fits(t)).isEmpty();
        }

        @Test
        void aTaughtWordFitsItsExampleAndNotTheOther() {
            Map<Trait, Double> boxy = traits(filtered(PLAIN, Biquad.peak(450, 9, 1.2, 48000)));
            Map<Trait, Double> plain = Trait.of(EVIDENCE);
            Word w = Word.taughtBy("cardboard", Word.About.COLOUR, boxy, plain).orElseThrow();
            assertThat(w.taught()).isTrue();
            assertThat(w.fits(boxy)).isPresent();
            assertThat(w.fits(plain)).isEmpty();
        }

        @Test
        void nothingIsLearntFromTwoThatAreAlike() {
            Map<Trait, Double> t = Trait.of(EVIDENCE);
            assertThat(Word.taughtBy("same", Word.About.FEEL, t, t)).isEmpty();
        }

        @Test
        void wordsThatShipAreOfBothKindsAndNamedOnce() {
            List<Word> words = Word.shipped();
            assertThat(words).extracting(Word::name).doesNotHaveDuplicates().contains("muddy", "glassy", "tight",
                    "dry");
            assertThat(words).extracting(Word::kind).contains(Word.About.COLOUR, Word.About.FEEL);
        }

        @Test
        void theClearestComesFirst() {
            List<Word.Fit> fits = Word.fitting(Word.shipped(), traits(filtered(PLAIN, Biquad.peak(450, 12, 1, 48000))));
            for (int i = 1; i < fits.size(); i++) {
                assertThat(fits.get(i).strength()).isLessThanOrEqualTo(fits.get(i - 1).strength());
            }
        }

        @Test
        void aWordNeedsANameAndAFigure() {
            assertThatThrownBy(() -> new Word("x", Word.About.FEEL, List.of(), false))
                    .isInstanceOf(IllegalArgumentException.class);
        }
    }

    @Nested
    class OverReferences {
        private static Map<Trait, Double> of(double box, double dirt) {
            return new EnumMap<>(Map.of(Trait.BOX, box, Trait.DIRT, dirt));
        }

        @Test
        void whatStaysIsTheSignature() {
            Signature s = Signature.over(List.of(of(4, 0.2), of(4.4, 0.8), of(3.8, 0.5)));
            assertThat(s.rows()).anySatisfy(r -> {
                assertThat(r.trait()).isEqualTo(Trait.BOX);
                assertThat(r.isConstant()).isTrue();
                assertThat(r.common()).isEqualTo(4);
            }).anySatisfy(r -> {
                assertThat(r.trait()).isEqualTo(Trait.DIRT);
                assertThat(r.isConstant()).isFalse();
            });
        }

        @Test
        void theOneNearestToWhatIsCommonIsFollowed() {
            assertThat(Signature.over(List.of(of(0, 0.1), of(4, 0.5), of(9, 0.9))).follow()).isEqualTo(1);
        }

        @Test
        void oneAloneHasNone() {
            assertThatThrownBy(() -> Signature.over(List.of(of(1, 0)))).isInstanceOf(IllegalArgumentException.class);
        }
    }

    @Nested
    class Claims {
        @ParameterizedTest
        @EnumSource(Claim.Says.class)
        void everyOneIsJudgedWithAReason(Claim.Says says) {
            Claim.Judgement j = new Claim(says, "a liner note", Claim.Certainty.LIKELY).judge(EVIDENCE);
            assertThat(j.why()).isNotBlank();
        }

        @Test
        void anEchoThatIsThereSupportsAndContradicts() {
            float[] x = PLAIN.channel(0);
            Sound echoed = Sound.mono(Signal.array(x.length, i -> x[i] + (i < 19200 ? 0 : 0.5 * x[i - 19200])), 48000);
            Evidence e = Examination.of(echoed, Progress.NONE);
            assertThat(new Claim(Claim.Says.ECHO, "", Claim.Certainty.RUMOUR).judge(e).standing())
                    .isEqualTo(Claim.Standing.SUPPORTED);
            assertThat(new Claim(Claim.Says.NO_ECHO, "", Claim.Certainty.CERTAIN).judge(e).standing())
                    .isEqualTo(Claim.Standing.CONTRADICTED);
        }

        @Test
        void ofTwoOppositesAtMostOneIsSupported() {
            for (Claim.Says[] pair : new Claim.Says[][]{{Claim.Says.SINGLE_COIL, Claim.Says.HUMBUCKER},
                    {Claim.Says.CLEAN,
                            Claim.Says.SATURATED},
                    {Claim.Says.SPEAKER, Claim.Says.DIRECT}, {Claim.Says.SPACE,
                            Claim.Says.NO_SPACE}}) {
                long supported = java.util.Arrays.stream(pair)
                        .filter(s -> new Claim(s, "", Claim.Certainty.LIKELY).judge(EVIDENCE)
                                .standing() == Claim.Standing.SUPPORTED)
                        .count();
                assertThat(supported).isLessThanOrEqualTo(1);
            }
        }
    }

    @Nested
    class Corrections {
        @Test
        void thePlayersFigureStandsInPlaceOfTheMeasuredOne() {
            Evidence e = EVIDENCE.corrected(List.of(new Correction(Correction.Topic.PULSE, OptionalDouble.of(97)),
                    new Correction(Correction.Topic.DIRT, OptionalDouble.of(0.4)),
                    new Correction(Correction.Topic.SPACE, OptionalDouble.of(1.2)),
                    new Correction(Correction.Topic.PITCH, OptionalDouble.of(-20))));
            assertThat(e.tempo().value().orElseThrow().bpm()).isEqualTo(97);
            assertThat(e.saturation().value().orElseThrow().index()).isEqualTo(0.4);
            assertThat(e.reverb().value().orElseThrow().decayS()).isEqualTo(1.2);
            assertThat(e.tuning().value().orElseThrow().offsetCents()).isEqualTo(-20);
            assertThat(e.tempo().confidence()).isEqualTo(1);
        }

        @Test
        void anEchoThatWasNotFoundIsNotMadeOfOneFigure() {
            Evidence e = EVIDENCE.corrected(List.of(new Correction(Correction.Topic.ECHO, OptionalDouble.of(333)),
                    new Correction(Correction.Topic.MOVEMENT, OptionalDouble.of(5))));
            assertThat(e.echo()).isEqualTo(EVIDENCE.echo());
            assertThat(e.modulation()).isEqualTo(EVIDENCE.modulation());
        }

        @Test
        void whatIsSetAsideIsUnknown() {
            Evidence e = EVIDENCE.corrected(List.of(new Correction(Correction.Topic.DIRT, OptionalDouble.empty())));
            assertThat(e.saturation().presence()).isEqualTo(Presence.UNKNOWN);
        }

        @Test
        void aFigureThatCannotBeMeantIsRefused() {
            assertThatThrownBy(() -> new Correction(Correction.Topic.PULSE, OptionalDouble.of(3)))
                    .isInstanceOf(IllegalArgumentException.class);
        }
    }
}
