package verisonus.desktop.perform;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import verisonus.casebook.store.Region;
import verisonus.core.perform.FewTurns;
import verisonus.core.perform.VariantMatrix;
import verisonus.core.perform.check.LoudnessCeiling;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Variant;
import verisonus.core.sound.Sound;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;
import verisonus.core.work.Sentence;
import verisonus.desktop.desk.Desk;
import verisonus.desktop.desk.OpenCase;

/** What holds for all sounds of a case at once: how loud they come out in a room, and how near they are to a part of the record. */
public final class RoomModel {
    private final Desk desk;
    private final VariantsModel variants;
    private final ReadOnlyStringWrapper said = new ReadOnlyStringWrapper("");

    public RoomModel(Desk desk, VariantsModel variants) {
        this.desk = desk;
        this.variants = variants;
        desk.open().subscribe((was, now) -> {
            if (!was.map(o -> o.entry().id()).equals(now.map(o -> o.entry().id()))) said.set("");
        });
    }

    /** Which of them is too loud for a room, from a meter's reading of the tone and what is allowed. */
    public void ceiling(String measured, String allowed) {
        Optional<VariantMatrix> m = variants.matrix().get();
        if (m.isEmpty()) {
            said.set("The sounds are still being played: ask again in a moment.");
            return;
        }
        try {
            LoudnessCeiling room = new LoudnessCeiling(decibels(measured), decibels(allowed));
            said.set(Sentence.begun(String.join("; ", room.words(m.get().louderLu()))) + ".");
        } catch (NumberFormatException e) {
            said.set("Type what the meter read and what is allowed, both in dB(A).");
        } catch (InputFault e) {
            said.set(Sentence.begun(String.valueOf(e.getMessage())) + ".");
        }
    }

    private static double decibels(String typed) {
        return Double.parseDouble(typed.strip().replace(',', '.'));
    }

    /** How far the tone and each variant lie from the marked region. */
    public void nearness() {
        Optional<Ground> ground = Ground.of(desk);
        Optional<Sound> record = desk.sounds().get().reference();
        Optional<Region> region = desk.open().get().flatMap(OpenCase::region);
        if (ground.isEmpty() || record.isEmpty() || region.isEmpty()) {
            said.set("Mark in Listen the part of the record that they shall be compared with.");
            return;
        }
        Region r = region.get();
        OptionalDouble laid = desk.open().get().orElseThrow().laidS(r.fromS());
        Tone base = ground.get().tone();
        List<Tone> tones = new ArrayList<>(List.of(base.named("the tone")));
        for (Variant v : variants.variants().get()) tones.add(v.on(base).named(v.name()));
        desk.forTone("Comparing them with the marked region", progress -> FewTurns.apart(tones, ground.get().di(),
                record.get().slice(r.fromS(), r.toS()), laid, progress)).show(apart -> {
                    List<String> out = new ArrayList<>();
                    for (int i = 0; i < tones.size(); i++)
                        out.add(Figures.of("%s %.1f", tones.get(i).name(), apart.far().get(i)));
                    said.set(Figures.of("%s from %.1f–%.1f s: ", apart.unit(), r.fromS(), r.toS())
                            + String.join(", ", out) + ".");
                });
    }

    public ReadOnlyStringProperty said() {
        return said.getReadOnlyProperty();
    }
}
