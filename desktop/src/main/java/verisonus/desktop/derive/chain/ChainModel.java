package verisonus.desktop.derive.chain;

import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyIntegerProperty;
import javafx.beans.property.ReadOnlyIntegerWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleObjectProperty;
import verisonus.casebook.exchange.ImpulseFolder;
import verisonus.core.advise.Contributions;
import verisonus.core.feel.ControlStudy;
import verisonus.core.feel.ControlSweep;
import verisonus.core.feel.FairSwap;
import verisonus.core.feel.HeldConstant;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.Gear;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Impulse;
import verisonus.core.rig.Locks;
import verisonus.core.rig.Tone;
import verisonus.core.sound.Sound;
import verisonus.desktop.player.PlayerModel;
import verisonus.desktop.player.Source;
import verisonus.desktop.session.CaseSession;

/** The settings of the open case's tone: turned, locked and weighed by hand. */
public final class ChainModel {
    private final CaseSession session;
    private final ChainEdits edits;

    /** Contributions with the tone that they were worked out of. */
    private record Weighed(Tone tone, Contributions contributions) {}

    private final ReadOnlyObjectWrapper<Optional<Weighed>> weighed = new ReadOnlyObjectWrapper<>(Optional.empty());
    private final Set<String> whole = new HashSet<>();
    private final Set<String> unfolded = new HashSet<>();
    private final ReadOnlyIntegerWrapper shown = new ReadOnlyIntegerWrapper();
    private final ObjectProperty<HeldConstant> keeping = new SimpleObjectProperty<>(HeldConstant.NOTHING);

    /** What a control does, with the tone that it was asked of. */
    record Studied(Tone tone, SettingRow row, ControlStudy study) {}

    private final ReadOnlyObjectWrapper<Optional<Studied>> studied = new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyIntegerWrapper asked = new ReadOnlyIntegerWrapper();
    /** A control that was turned to be heard. */
    private record Swept(ControlPlace place, ControlSweep turned) {}

    private Optional<Swept> sweep = Optional.empty();

    public ChainModel(CaseSession session) {
        this.session = session;
        edits = new ChainEdits(session);
        weighed.subscribe(() -> shown.set(shown.get() + 1));
        studied.subscribe(() -> shown.set(shown.get() + 1));
        session.desk().open().map(o -> o.map(c -> c.entry().id())).subscribe(_ -> {
            // What was unfolded in one case says nothing of the next, whose blocks may have the same names.
            whole.clear();
            unfolded.clear();
        });
    }

    public CaseSession session() {
        return session;
    }

    public List<SettingRow> settings() {
        return session.tone().map(t -> SettingRow.of(t, whole)).orElse(List.of());
    }

    /** Every setting of a block, also those that say nothing. */
    List<SettingRow> everySetting(Block block) {
        return session.tone().map(t -> SettingRow.of(t, Set.of(block.id())).stream()
                .filter(r -> r.block().id().equals(block.id())).toList()).orElse(List.of());
    }

    /** Changes to what stands in the chain. */
    public ChainEdits edits() {
        return edits;
    }

    /** Whether all settings of a block are shown, also those that have not been moved. */
    boolean isWhole(Block block) {
        return whole.contains(block.id());
    }

    void showWhole(Block block, boolean all) {
        mark(whole, block, all);
    }

    private void mark(Set<String> blocks, Block block, boolean in) {
        if (in) {
            blocks.add(block.id());
        } else {
            blocks.remove(block.id());
        }
        shown.set(shown.get() + 1);
    }

    /** Whether the settings at rest of a block are shown too. */
    boolean isUnfolded(Block block) {
        return unfolded.contains(block.id());
    }

    void unfold(Block block, boolean all) {
        mark(unfolded, block, all);
    }

    /** Changes whenever more or less of the same tone is to be shown. */
    public ReadOnlyIntegerProperty shown() {
        return shown.getReadOnlyProperty();
    }

    /** Works out what each block contributes to the tone as it stands. */
    void weigh() {
        if (session.tone().isEmpty() || session.di().isEmpty()) return;
        Tone now = session.settings().get();
        Sound di = session.di().get();
        Optional<Sound> second = session.desk().sounds().get().second();
        session.desk().forTone("Hearing what each piece adds", p -> Contributions.of(now, di, second, p))
                .show(c -> weighed.set(Optional.of(new Weighed(now, c))));
    }

    /** What each block contributes; empty until asked, and once the tone has changed since. */
    public Optional<Contributions> contributions() {
        return weighed.get().filter(w -> session.isStill(w.tone)).map(Weighed::contributions);
    }

    /** Puts a measured response in the place of a cabinet and the microphone before it, which it has in it. */
    public void takeImpulse(Block cabinet, Path file) {
        if (session.tone().isEmpty()) return;
        session.desk().forCase("Reading " + file.getFileName(), _ -> ImpulseFolder.impulse(file))
                .show(impulse -> session.change(t -> inPlaceOf(t, cabinet.id(), impulse),
                        impulse.name() + " for " + cabinet.model().name()));
    }

    private static Tone inPlaceOf(Tone t, String cabinet, Impulse impulse) {
        Optional<Block> box = t.find(cabinet);
        if (box.isEmpty()) return t;
        Tone changed = t.with(box.get().exchangedFor(Gear.model("impulse response")).with(impulse));
        for (Block b : t.main()) {
            if (b.model().kind() == GearKind.MICROPHONE) changed = changed.with(b.switched(false));
        }
        return changed;
    }

    /** Locks a control at its value, or lets it go again. */
    public void toggleLock(SettingRow row) {
        session.tone().ifPresent(t -> {
            boolean now = !t.locked().holds(row.place());
            session.keep(t.locking(t.locked().with(row.place(), now)), (now ? "Locked " : "Unlocked ") + words(row));
        });
    }

    /** Sets a control by hand; mine is played and measured anew. */
    public void turn(SettingRow row, double value) {
        if (session.tone().isEmpty() || Math.abs(value - row.value()) < 1e-9) return;
        String what = words(row) + " to " + session.rig().display(row.block().model(), row.control(), value);
        Locks locked = session.tone().get().locked();
        HeldConstant stays = session.di().isEmpty() ? HeldConstant.NOTHING : keeping.get();
        String block = row.block().id();
        String control = row.control().name();
        if (stays == HeldConstant.NOTHING) {
            session.change(t -> t.find(block).map(b -> t.with(b.with(control, value))).orElse(t), what);
            return;
        }
        session.change((t, sounds, _) -> {
            Optional<Block> now = t.find(block);
            if (now.isEmpty() || sounds.di().isEmpty()) return t;
            return new FairSwap(sounds.di().get()).turned(t, now.get(), control, value, stays, locked);
        }, what + ", " + stays.words());
    }

    /** What stays while a control is turned by hand. */
    public ObjectProperty<HeldConstant> keeping() {
        return keeping;
    }

    /** Asks what a control does on this tone. */
    public void study(SettingRow row) {
        Optional<Sound> di = session.di();
        Optional<Tone> tone = session.settings();
        if (di.isEmpty() || tone.isEmpty()) return;
        asked.set(asked.get() + 1);
        session.desk().forTone("Trying " + words(row),
                p -> ControlStudy.of(tone.get(), row.block(), row.control(), di.get(), p))
                .show(found -> studied.set(Optional.of(new Studied(tone.get(), row, found))));
    }

    /** Plays the take while the studied control is turned slowly from its least to its most. */
    void sweep() {
        Optional<Sound> di = session.di();
        studied.get().filter(_ -> di.isPresent()).ifPresent(s -> session.desk().forTone("Turning it slowly",
                p -> ControlSweep.of(s.tone, s.row.block(), s.row.control(), di.get(), p)).show(made -> {
                    sweep = Optional.of(new Swept(s.row.place(), made));
                    shown.set(shown.get() + 1);
                    session.desk().hearNoise(made.sound());
                }));
    }

    /** Sets the swept control to where it stands now. @return whether one was turning */
    public boolean here() {
        PlayerModel player = session.desk().player();
        // What is heard must be the turning itself: anywhere else the moment says nothing of the control.
        if (!isSwept() || player.source().get() != Source.BESIDE) return false;
        SettingRow asked = studied.get().orElseThrow().row;
        double value = sweep.orElseThrow().turned.valueAt(player.positionS().get());
        sweep = Optional.empty();
        shown.set(shown.get() + 1);
        player.stop();
        player.choose(Source.MINE);
        settings().stream().filter(r -> r.place().equals(asked.place())).findFirst().ifPresent(now -> turn(now, value));
        return true;
    }

    /** Whether a sweep can be marked: it was made, and nothing else has been studied since. */
    boolean isSwept() {
        return sweep.filter(w -> studied.get().filter(s -> s.row.place().equals(w.place)).isPresent()).isPresent();
    }

    ReadOnlyObjectProperty<Optional<Studied>> studied() {
        return studied.getReadOnlyProperty();
    }

    /** Counts how often a control was asked about: whoever shows the answer comes to the front. */
    public ReadOnlyIntegerProperty asked() {
        return asked.getReadOnlyProperty();
    }

    /** Takes a block out of the chain or puts it back. */
    public void toggleBlock(Block block) {
        boolean on = !block.on();
        session.change(t -> t.find(block.id()).map(b -> t.with(b.switched(on))).orElse(t),
                block.model().name() + (on ? " on" : " off"));
    }

    private static String words(SettingRow row) {
        return row.block().model().kind().word() + " " + row.control().name();
    }
}
