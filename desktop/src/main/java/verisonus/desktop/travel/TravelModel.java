package verisonus.desktop.travel;

import java.util.List;
import java.util.Optional;
import javafx.beans.property.DoubleProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleDoubleProperty;
import verisonus.core.sound.Sound;
import verisonus.core.travel.Journey;
import verisonus.core.travel.Travelled;
import verisonus.core.travel.system.PlaybackSystem;
import verisonus.desktop.desk.Desk;

/** Mine on every playback system, at a listening level; worked out anew when either changes. */
public final class TravelModel {
    public static final double SOFTEST_DB_SPL = 40;
    public static final double LOUDEST_DB_SPL = 105;

    private final Desk desk;
    private final DoubleProperty levelDbSpl = new SimpleDoubleProperty(Journey.WORKING_LEVEL_DB_SPL);
    private final ReadOnlyObjectWrapper<List<Travelled>> travelled = new ReadOnlyObjectWrapper<>(List.of());

    public TravelModel(Desk desk) {
        this.desk = desk;
        desk.sounds().subscribe(_ -> work());
        levelDbSpl.subscribe(_ -> work());
    }

    private void work() {
        Optional<Sound> mine = desk.sounds().get().mine();
        if (mine.isEmpty()) {
            travelled.set(List.of());
            return;
        }
        double level = levelDbSpl.get();
        desk.work().run("Taking mine to other systems",
                _ -> new Journey(mine.get(), desk.sounds().get().reference(), level).to(PlaybackSystem.ALL),
                travelled::set);
    }

    public Desk desk() {
        return desk;
    }

    public DoubleProperty levelDbSpl() {
        return levelDbSpl;
    }

    public ReadOnlyObjectProperty<List<Travelled>> travelled() {
        return travelled.getReadOnlyProperty();
    }
}
