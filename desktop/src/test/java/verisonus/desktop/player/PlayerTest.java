package verisonus.desktop.player;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import java.util.concurrent.atomic.AtomicReference;
import java.util.concurrent.locks.LockSupport;
import java.util.function.BooleanSupplier;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verisonus.core.sound.Sound;
import verisonus.core.travel.ListeningDose;
import verisonus.core.work.InputFault;

class PlayerTest {
    private static Sound tone(double peak) {
        float[] x = new float[48000 * 4];
        for (int i = 0; i < x.length; i++) x[i] = (float) (peak * Math.sin(i * 0.05));
        return Sound.mono(x, 48000);
    }

    @Test
    void playsInRealTimeIntoTheVirtualOutput() {
        AtomicReference<VirtualOutput> meter = new AtomicReference<>();
        try (Player player = new Player(rate -> {
            meter.set(new VirtualOutput(rate));
            return meter.get();
        })) {
            player.loadReference(Optional.of(tone(0.3)));
            player.setLevelDb(-20);
            player.play();
            long started = System.nanoTime();
            assertThat(becomes(5, () -> player.positionS() > 0.4)).isTrue();
            double seconds = (System.nanoTime() - started) / 1e9;
            assertThat(seconds).as("as long as it lasts, less what the output holds").isGreaterThan(0.2);
            assertThat(player.isPlaying()).isTrue();
            assertThat(meter.get().levelDbfs()).isGreaterThan(-80);
            player.pause();
            assertThat(becomes(5, () -> !player.isPlaying())).isTrue();
            // What was paused sounds on for a block.
            LockSupport.parkNanos(100_000_000);
            double there = player.positionS();
            assertThat(becomes(0.1, () -> player.positionS() != there)).isFalse();
            assertThat(player.outputName()).contains("virtual");
        }
    }

    /** Whether something comes true within some seconds. */
    private static boolean becomes(double seconds, BooleanSupplier what) {
        long until = System.nanoTime() + (long) (1e9 * seconds);
        while (!what.getAsBoolean()) {
            if (System.nanoTime() > until) return false;
            LockSupport.parkNanos(2_000_000);
        }
        return true;
    }

    @Test
    void aMachineWithoutACardStillHasAnOutput() {
        try (SoundOutput out = SoundOutput.best(48000)) {
            assertThat(out.name()).isNotBlank();
        }
    }

    @ParameterizedTest
    @CsvSource({"USB Headset, 104", "HDMI 0, 94", "Built-in Audio, 90", "sound card, 100", "Scarce 2i2, 100"})
    void aLevelIsEstimatedFromWhatTheOutputCallsItself(String output, double fullDbSpl) {
        assertThat(ListeningLevel.estimated(output).fullDbSpl()).isEqualTo(fullDbSpl);
        assertThat(ListeningLevel.estimated(output).words(-30, 0))
                .contains(fullDbSpl == 100 ? "assumed" : "estimated for");
    }

    @Test
    void anEstimateFollowsTheOutput() {
        try (Player player = new Player(VirtualOutput::new)) {
            PlayerModel model = new PlayerModel(player);
            model.through("closed headphones");
            assertThat(model.level().get().from()).isEqualTo(ListeningLevel.From.HEADPHONES);
            model.through("sound card");
            assertThat(model.level().get()).isEqualTo(ListeningLevel.ASSUMED);
        }
    }

    @ParameterizedTest
    @CsvSource({"-30, 70 dB SPL assumed · safe all day", "-15, 85 dB SPL assumed · 8 h safe today",
            "0, 100 dB SPL assumed · 15 min safe today"})
    void theLevelIsShownWithItsSafeTime(double gainDb, String words) {
        assertThat(ListeningLevel.ASSUMED.words(gainDb, 0)).isEqualTo(words);
    }

    @Test
    void warnsFromEightyFive() {
        assertThat(ListeningLevel.ASSUMED.warns(-15.1, 0)).isFalse();
        assertThat(ListeningLevel.ASSUMED.warns(-15, 0)).isTrue();
        assertThat(ListeningLevel.ASSUMED.warns(ListeningLevel.START_DB, 0)).isFalse();
    }

    @Test
    void theModelStepsWithinItsRangeAndOnlyChoosesWhatIsThere() {
        try (Player player = new Player(VirtualOutput::new)) {
            PlayerModel model = new PlayerModel(player);
            model.load(Optional.of(tone(0.2)), Optional.empty(), 0, Optional.empty());
            model.loaded(4, false);
            model.choose(Source.MINE);
            assertThat(model.source().get()).isEqualTo(Source.REFERENCE);
            model.step(500);
            assertThat(model.levelDb().get()).isCloseTo(PlayerModel.LOUDEST_DB, within(1e-9));
            model.seek(99);
            assertThat(model.positionS().get()).isCloseTo(4, within(1e-3));
        }
    }

    @Test
    void aMetersReadingMakesTheLevelKnown() {
        ListeningLevel known = ListeningLevel.measured(72, -20);
        assertThat(known.dbSpl(-20)).isEqualTo(72);
        assertThat(known.dbSpl(0)).isEqualTo(92);
        assertThat(known.words(-20, 0)).isEqualTo("72 dB SPL measured · safe all day");
        assertThatThrownBy(() -> ListeningLevel.measured(7200, 0)).isInstanceOf(InputFault.class)
                .hasMessageContaining("30 to 120");
    }

    @Test
    void whatWasHeardShortensWhatIsSafe() {
        assertThat(ListeningLevel.ASSUMED.words(-9, 0.5)).isEqualTo("91 dB SPL assumed · 1 h safe today · 50 % heard");
        assertThat(ListeningLevel.ASSUMED.warns(-40, 1)).isTrue();
    }

    @Test
    void theDoseRunsAlongAtTheLevelThatIsHeard() {
        PlayerModel m = new PlayerModel(new Player(VirtualOutput::new));
        m.levelDb().set(-15);
        double full = m.level().get().dbSpl(-15);
        for (int i = 0; i < 60; i++) m.heard(1);
        assertThat(m.dose().get()).isCloseTo(ListeningDose.ofDay(full, 1), within(1e-9));
        m.heard(3600);
        assertThat(m.dose().get()).isCloseTo(ListeningDose.ofDay(full, 1), within(1e-9));
    }

    /** A card that can be pulled out and that runs dry when it is told to. */
    private static final class FragileCard implements SoundOutput {
        private final String name;
        private volatile int gaps;
        private volatile boolean lost;
        private volatile long written;

        FragileCard(String name) {
            this.name = name;
        }

        @Override
        public String name() {
            return name;
        }

        @Override
        public void write(float[] interleaved, int frames) {
            written += frames;
            java.util.concurrent.locks.LockSupport.parkNanos(1_000_000);
        }

        @Override
        public int gaps() {
            return gaps;
        }

        @Override
        public boolean isLost() { return lost; }

        @Override
        public void close() {
            // Nothing is held.
        }
    }

    private static void until(java.util.function.BooleanSupplier what) {
        long end = System.nanoTime() + 10_000_000_000L;
        while (!what.getAsBoolean() && System.nanoTime() < end) Thread.onSpinWait();
        assertThat(what.getAsBoolean()).isTrue();
    }

    @Test
    void whenTheCardDisappearsPlayingGoesOnElsewhereAndTheGapIsCounted() {
        FragileCard first = new FragileCard("card");
        FragileCard second = new FragileCard("what is left");
        java.util.Iterator<FragileCard> cards = java.util.List.of(first, second).iterator();
        try (Player player = new Player(_ -> cards.next())) {
            player.loadReference(Optional.of(Sound.mono(new float[48000 * 60], 48000)));
            player.play();
            until(() -> first.written > 2000);
            assertThat(player.gaps()).isZero();
            first.gaps = 2;
            until(() -> player.gaps() == 2);
            first.lost = true;
            until(() -> second.written > 2000);
            assertThat(player.outputName()).isEqualTo("what is left");
            assertThat(player.gaps()).isEqualTo(3);
            assertThat(player.isPlaying()).isTrue();
        }
    }

    @Test
    void aPlayRightAfterAPauseIsHeard() {
        try (Player player = new Player(VirtualOutput::new)) {
            player.loadReference(Optional.of(tone(0.3)));
            player.play();
            assertThat(becomes(5, () -> player.positionS() > 0.05)).isTrue();
            player.pause();
            player.play();
            assertThat(player.isPlaying()).isTrue();
            double there = player.positionS();
            assertThat(becomes(5, () -> player.positionS() > there + 0.2)).isTrue();
            assertThat(player.isPlaying()).isTrue();
        }
    }
}
