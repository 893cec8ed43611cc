package verisonus.desktop.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import verisonus.casebook.store.Casebook;
import verisonus.casebook.store.DerivedTone;
import verisonus.casebook.store.Medium;
import verisonus.casebook.store.Region;
import verisonus.core.compare.GapLedger;
import verisonus.core.rig.Block;
import verisonus.core.rig.Locks;
import verisonus.core.rig.Tone;
import verisonus.core.sound.Sound;
import verisonus.core.sound.codec.SoundWriter;
import verisonus.core.take.Pairing;
import verisonus.desktop.player.Player;
import verisonus.desktop.player.PlayerModel;
import verisonus.desktop.player.VirtualOutput;

/** A desk without a window: the test's own thread stands in for the window's. */
public final class DeskFixture implements AutoCloseable {
    private final BlockingQueue<Runnable> handedOver = new LinkedBlockingQueue<>();
    private final Casebook book;
    private final Work work = new Work(this::handOver);
    private final Player player = new Player(VirtualOutput::new);
    private final Desk desk;

    /** A casebook in this folder with one case: a reference of four seconds and the same take as DI. */
    public DeskFixture(Path folder) {
        book = Casebook.create(folder.resolve("desk.casebook"));
        long id = book.addCase("Test Case", "Nobody, “Nothing”", "");
        byte[] take = SoundWriter.encode(notes(4, 0.4), SoundWriter.Format.WAV_24);
        book.recordings().addMedium(id, Medium.Role.REFERENCE, "reference.wav", take);
        book.recordings().addMedium(id, Medium.Role.DI, "di.wav", take);
        desk = new Desk(book, work, new PlayerModel(player));
        settle();
    }

    /** Falling notes, one every {@code everyS}. */
    public static Sound notes(double seconds, double everyS) {
        float[] x = new float[(int) (seconds * 48000)];
        for (int i = 0; i < x.length; i++) {
            double t = i / 48000.0;
            int n = (int) (t / everyS);
            double u = t - n * everyS;
            double hz = 110 * Math.pow(2, n * 5 % 12 / 12.0);
            for (int p = 1; p < 9; p++)
                x[i] += (float) (0.12 / p * Math.exp(-u * (3 + p)) * Math.sin(2 * Math.PI * hz * p * u));
        }
        return Sound.mono(x, 48000);
    }

    /** Keeps a tone for the case, as if it had been derived, with this gap. */
    public void keepTone(Tone tone, GapLedger gap) {
        book.tones().keepTone(open().entry().id(),
                new DerivedTone(tone, Optional.empty(), Locks.NONE, List.of(), List.of(), gap,
                        new DerivedTone.Search(Pairing.SAME_PERFORMANCE, 1, 10, "", 0)),
                "Derived");
        desk.refresh();
        settle();
    }

    /** Marks most of the reference as the region to study. */
    public void mark() {
        book.recordings().addRegion(open().media().get(0).id(), Region.Role.CORE_TONE, 0.2, 3.4);
        desk.refresh();
        settle();
    }

    /** Keeps a small tone whose gap is not known. */
    public void keepTone() {
        keepTone(new Tone("t", List.of(Block.of("chiming edge").with("gain", 4).with("treble", 5),
                Block.of("2×12 open"), Block.of("dynamic microphone").with("level", -3))),
                new GapLedger(List.of(), 0));
    }

    private void handOver(Runnable r) {
        handedOver.add(r);
    }

    /** Runs what was handed over until no work is left. */
    public void settle() {
        while (true) {
            Runnable next = handedOver.poll();
            if (next == null && !work.busy().get()) return;
            try {
                // Work hands something over whenever it is done, so that there is something to wait for.
                if (next == null) next = handedOver.poll(90, TimeUnit.SECONDS);
            } catch (InterruptedException e) {
                throw new AssertionError("interrupted while busy", e);
            }
            assertThat(next).as("still busy: " + work.doing().get()).isNotNull();
            next.run();
        }
    }

    /** The same, while every piece of work is cancelled as soon as it is seen to run. */
    public void settleCancelling() {
        while (work.busy().get()) {
            try {
                Runnable next = handedOver.poll(50, TimeUnit.MILLISECONDS);
                if (next != null) next.run();
            } catch (InterruptedException e) {
                throw new AssertionError("interrupted while busy", e);
            }
            work.cancel();
        }
    }

    public Desk desk() {
        return desk;
    }

    public Casebook book() {
        return book;
    }

    public OpenCase open() {
        return desk.open().get().orElseThrow();
    }

    @Override
    public void close() {
        player.close();
        work.close();
        book.close();
    }
}
