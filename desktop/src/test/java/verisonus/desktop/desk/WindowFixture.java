package verisonus.desktop.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.TimeoutException;
import java.util.stream.Stream;
import javafx.application.Platform;
import javafx.event.ActionEvent;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.Scene;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.Labeled;
import javafx.scene.control.TextField;
import javafx.stage.Stage;
import org.testfx.api.FxToolkit;
import org.testfx.util.WaitForAsyncUtils;
import verisonus.casebook.store.Casebook;
import verisonus.casebook.store.DerivedTone;
import verisonus.casebook.store.Medium;
import verisonus.casebook.store.Region;
import verisonus.core.compare.GapLedger;
import verisonus.core.rig.Locks;
import verisonus.core.rig.Tone;
import verisonus.core.sound.Sound;
import verisonus.core.sound.codec.SoundWriter;
import verisonus.core.take.Pairing;
import verisonus.desktop.player.Player;
import verisonus.desktop.player.PlayerModel;
import verisonus.desktop.player.VirtualOutput;

/** A desk with one view of it in a real window; everything about the view is done on the window's thread. */
public final class WindowFixture implements AutoCloseable {
    private final Casebook book;
    private final Work work = new Work(Platform::runLater);
    private final Player player = new Player(VirtualOutput::new);
    private final long caseId;
    private final Desk desk;

    /**
     * @param folder where the casebook is made
     * @param reference the record of its one case
     * @param takes of the phrase, dry
     */
    public WindowFixture(Path folder, Sound reference, Sound... takes) throws TimeoutException {
        FxToolkit.registerPrimaryStage();
        book = Casebook.create(folder.resolve("window.casebook"));
        caseId = book.addCase("Test Case", "Nobody, “Nothing”", "");
        add(Medium.Role.REFERENCE, "reference.wav", reference);
        for (int i = 0; i < takes.length; i++) add(Medium.Role.DI, "take" + (i + 1) + ".wav", takes[i]);
        desk = on(() -> new Desk(book, work, new PlayerModel(player)));
        settle();
    }

    private void add(Medium.Role role, String name, Sound sound) {
        book.recordings().addMedium(caseId, role, name, SoundWriter.encode(sound, SoundWriter.Format.WAV_24));
    }

    public Desk desk() {
        return desk;
    }

    public Casebook book() {
        return book;
    }

    public long caseId() {
        return caseId;
    }

    /** Runs on the window's thread. */
    public <T> T on(Callable<T> what) {
        return WaitForAsyncUtils.waitForAsyncFx(60_000, what);
    }

    /** Puts a view into the window and waits until it has settled. */
    public <N extends Parent> N show(Callable<N> made, double width, double height) {
        N view = on(() -> {
            N v = made.call();
            Stage stage = FxToolkit.toolkitContext().getRegisteredStage();
            stage.setScene(new Scene(v, width, height));
            stage.show();
            return v;
        });
        settle();
        return view;
    }

    /** Waits until no work is left, what it handed to the window is done, and new controls have their looks. */
    public void settle() {
        Settled.of(work);
        on(() -> {
            Scene scene = FxToolkit.toolkitContext().getRegisteredStage().getScene();
            if (scene != null) {
                scene.getRoot().applyCss();
                scene.getRoot().layout();
            }
            return true;
        });
    }

    /** Keeps a tone for the case as if it had been derived. */
    public void keepTone(Tone tone, GapLedger gap) {
        on(() -> {
            book.tones().keepTone(caseId, new DerivedTone(tone, Optional.empty(), Locks.NONE, List.of(), List.of(), gap,
                    new DerivedTone.Search(Pairing.SAME_PERFORMANCE, 1, 10, "", 0)), "Derived");
            desk.refresh();
            return tone;
        });
        settle();
    }

    /** Marks a part of the record as the one to study. */
    public void mark(double fromS, double toS) {
        on(() -> {
            long medium = book.recordings().media(caseId).getFirst().id();
            long region = book.recordings().addRegion(medium, Region.Role.CORE_TONE, fromS, toS);
            desk.refresh();
            return region;
        });
        settle();
    }

    /** Presses a button by its id. */
    public void press(Parent view, String id) {
        on(() -> {
            ButtonBase b = (ButtonBase) view.lookup("#" + id);
            assertThat(b).as(id).isNotNull();
            assertThat(b.isDisabled()).as(id + " disabled").isFalse();
            b.fire();
            return b;
        });
        settle();
    }

    /** Types into a field by its id and presses Enter. */
    public void type(Parent view, String id, String text) {
        on(() -> {
            TextField field = (TextField) view.lookup("#" + id);
            field.setText(text);
            field.fireEvent(new ActionEvent());
            return field;
        });
        settle();
    }

    /** Takes the last change back. */
    public void undo() {
        on(desk::undo);
        settle();
    }

    /** Everything that is written in a view, top to bottom. */
    public String text(Parent view) {
        return on(() -> String.join("\n", words(view).toList()));
    }

    private static Stream<String> words(Node n) {
        if (!n.isVisible()) return Stream.empty();
        Stream<String> own = n instanceof Labeled l && l.getText() != null ? Stream.of(l.getText()) : Stream.empty();
        return n instanceof Parent p
                ? Stream.concat(own, p.getChildrenUnmodifiable().stream().flatMap(WindowFixture::words))
                : own;
    }

    @Override
    public void close() {
        player.close();
        work.close();
        book.close();
        try {
            FxToolkit.cleanupStages();
        } catch (TimeoutException e) {
            throw new AssertionError(e);
        }
    }
}
