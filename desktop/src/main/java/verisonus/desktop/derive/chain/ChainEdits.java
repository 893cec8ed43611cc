package verisonus.desktop.derive.chain;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import verisonus.core.feel.FairSwap;
import verisonus.core.rig.Block;
import verisonus.core.rig.Branch;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Model;
import verisonus.core.rig.Placement;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Voice;
import verisonus.core.rig.Ways;
import verisonus.desktop.session.CaseSession;
import verisonus.desktop.session.ToneEdit;

/** The chain changed by hand: blocks put in, taken out, moved, exchanged, placed elsewhere. Every change can be undone. */
public final class ChainEdits {
    /** A part that has been exchanged, as it comes and with gain and loudness balanced. */
    record Swap(Tone balanced, Tone asItComes, String words) {}

    private final CaseSession session;
    private final ReadOnlyObjectWrapper<Optional<Swap>> swap = new ReadOnlyObjectWrapper<>(Optional.empty());

    ChainEdits(CaseSession session) {
        this.session = session;
    }

    /** Models that can be put in: those the player owns more of than the chain holds. */
    public List<Model> available(GearKind kind) {
        List<Model> out = new ArrayList<>();
        for (Model m : session.rig().owned(kind)) {
            long used = tone().map(t -> t.blocks().stream().filter(b -> b.model().equals(m)).count()).orElse(0L);
            boolean needsFile = m.voice() == Voice.Cabinet.IMPULSE_RESPONSE;
            if (used < session.rig().counts().getOrDefault(m.name(), 0) && !needsFile) out.add(m);
        }
        return out;
    }

    private Optional<Tone> tone() {
        return session.settings();
    }

    /** Why nothing more can be put in; empty where it can. */
    public String full() {
        int most = session.rig().mostBlocks();
        return tone().filter(t -> t.blocks().size() >= most).isPresent()
                ? "The rig holds at most " + most + " blocks: take one out first."
                : "";
    }

    /** Puts a block in where its kind belongs. */
    public void add(Model m) {
        if (!full().isEmpty()) return;
        Block device = session.rig().device(m);
        edit(t -> t.insertedInOrder(device), m.name() + " put in");
    }

    public void remove(Block block) {
        edit(t -> t.without(block.id()), block.model().name() + " taken out");
    }

    /** Moves a block earlier (−1) or later (1) on its way. */
    public void move(Block block, int by) {
        edit(t -> Ways.shifted(t, block.id(), by), block.model().name() + " moved");
    }

    /** Puts a block beside another, on a branch of its own. */
    public void putBeside(Block block, Model added) {
        Block device = session.rig().device(added);
        edit(t -> Ways.beside(t, block.id(), device),
                added.name() + " put beside " + block.model().name());
    }

    /** Box and microphone that an amp beside another would have of its own; empty where the rig has none or no room left. */
    List<Model> ownBox() {
        int most = session.rig().mostBlocks();
        if (tone().filter(t -> t.blocks().size() + 3 > most).isPresent()) return List.of();
        List<Model> boxes = available(GearKind.CABINET);
        List<Model> microphones = available(GearKind.MICROPHONE);
        return boxes.isEmpty() || microphones.isEmpty() ? List.of() : List.of(boxes.get(0), microphones.get(0));
    }

    /** Puts a second amp beside the first that runs through a box and a microphone of its own to the first one's microphone. */
    public void putBesideWhole(Block amp, Model added) {
        List<Model> own = ownBox();
        Block device = session.rig().device(added);
        edit(t -> {
            Tone out = Ways.beside(t, amp.id(), device);
            String branch = out.routing().branches().get(out.routing().branches().size() - 1).name();
            for (Model m : own) out = Ways.appended(out, branch, Block.of(m));
            List<Block> main = out.main();
            int microphone = out.first(GearKind.MICROPHONE).map(main::indexOf).orElse(main.size() - 1);
            String before = microphone + 1 < main.size() ? main.get(microphone + 1).id() : Branch.OUTPUT;
            return Ways.changed(out, branch, b -> b.between(b.after(), before));
        }, added.name() + " put beside " + amp.model().name() + " with its own box");
    }

    /** Puts a block on another way. */
    public void put(Block block, String way) {
        edit(t -> Ways.put(t, block.id(), way), block.model().name() + " on " + way);
    }

    /** Changes where a branch leaves and comes back, how loud, where it stands. */
    public void branch(String name, UnaryOperator<Branch> change, String what) {
        edit(t -> Ways.changed(t, name, change), name + " " + what);
    }

    public void removeBranch(String name) {
        edit(t -> Ways.without(t, name), "the branch " + name + " taken away");
    }

    /** A change that leaves the tone as it was is none; one that cannot be is told at once. */
    private void edit(UnaryOperator<Tone> change, String what) {
        Optional<Tone> now = tone();
        if (now.isEmpty()) return;
        try {
            if (!change.apply(now.get()).equals(now.get())) session.change(change, what);
        } catch (IllegalArgumentException e) {
            session.desk().work().tell(e);
        }
    }

    /** Moves a block to stand before another, on that one's way. */
    public void moveBefore(String id, String before) {
        edit(t -> Ways.before(t, id, before), tone().flatMap(t -> t.find(id)).map(b -> b.model().name()).orElse(id)
                + " moved");
    }

    /** Where a movement, echo or space sits. */
    public void place(Block block, Placement where) {
        edit(t -> where.in(t, block.id()), block.model().name() + " " + where.words());
    }

    /** Exchanges a model; gain and loudness are balanced so that only its character is compared. */
    public void exchange(Block block, Model other) {
        String words = other.name() + " for " + block.model().name();
        Rig rig = session.rig();
        UnaryOperator<Tone> raw = t -> t.find(block.id()).map(b -> t.with(rig.as(b.exchangedFor(other)))).orElse(t);
        if (session.di().isEmpty()) {
            session.change(raw, words);
            return;
        }
        session.change((t, sounds, _) -> {
            Tone asItComes = raw.apply(t);
            return sounds.di().map(di -> new FairSwap(di).balanced(t, asItComes, block.id())).orElse(asItComes);
        }, words + ", balanced",
                kept -> swap.set(Optional.of(new Swap(kept.after(), raw.apply(kept.before()), words))));
    }

    /** Hears the last exchange as it comes, or balanced again. @return whether there was one */
    public boolean toggleBalance() {
        Optional<Tone> now = tone();
        Optional<Swap> last = swap.get()
                .filter(s -> now.filter(t -> t.equals(s.balanced) || t.equals(s.asItComes)).isPresent());
        last.ifPresent(s -> {
            boolean balanced = now.filter(s.balanced::equals).isPresent();
            boolean asItComes = now.filter(s.asItComes::equals).isPresent();
            if (balanced) session.change(ToneEdit.from(s.balanced, s.asItComes), s.words + ", as it comes");
            if (asItComes) session.change(ToneEdit.from(s.asItComes, s.balanced), s.words + ", balanced");
        });
        return last.isPresent();
    }

    /** The last exchange, while the tone is one of its two. */
    ReadOnlyObjectProperty<Optional<Swap>> swap() {
        return swap.getReadOnlyProperty();
    }
}
