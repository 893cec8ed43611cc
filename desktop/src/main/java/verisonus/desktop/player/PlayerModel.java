package verisonus.desktop.player;

import java.util.Optional;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.DoubleProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyDoubleProperty;
import javafx.beans.property.ReadOnlyDoubleWrapper;
import javafx.beans.property.ReadOnlyIntegerProperty;
import javafx.beans.property.ReadOnlyIntegerWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleDoubleProperty;
import javafx.beans.property.SimpleObjectProperty;
import verisonus.core.sound.Sound;
import verisonus.core.travel.ListeningDose;

/** What the listening bar shows and does. All on the window's thread; {@link #tick} is called at each frame. */
public final class PlayerModel {
    static final double SOFTEST_DB = -60;
    static final double LOUDEST_DB = 0;
    private static final double LONGEST_TICK_S = 5;

    private final Player player;
    private final ReadOnlyObjectWrapper<Source> source = new ReadOnlyObjectWrapper<>(Source.REFERENCE);
    private final ReadOnlyBooleanWrapper playing = new ReadOnlyBooleanWrapper();
    private final ReadOnlyDoubleWrapper positionS = new ReadOnlyDoubleWrapper();
    private final ReadOnlyDoubleWrapper lengthS = new ReadOnlyDoubleWrapper();
    private final BooleanProperty looping = new SimpleBooleanProperty(true);
    private final BooleanProperty inTheMix = new SimpleBooleanProperty();
    private final BooleanProperty hasBacking = new SimpleBooleanProperty();
    private final DoubleProperty levelDb = new SimpleDoubleProperty(ListeningLevel.START_DB);
    private final ObjectProperty<Span> region = new SimpleObjectProperty<>(new Span(0, 0));
    private final ReadOnlyObjectWrapper<String> output = new ReadOnlyObjectWrapper<>("");

    private final ReadOnlyObjectWrapper<ListeningLevel> level = new ReadOnlyObjectWrapper<>(ListeningLevel.kept());
    private final ReadOnlyDoubleWrapper dose = new ReadOnlyDoubleWrapper();
    private final BooleanProperty blind = new SimpleBooleanProperty();
    private long tickedNanos;

    private final ReadOnlyIntegerWrapper loads = new ReadOnlyIntegerWrapper();

    /** A part of the time axis, seconds. */
    public record Span(double fromS, double toS) {
        public boolean isEmpty() { return toS <= fromS; }
    }

    public PlayerModel(Player player) {
        this.player = player;
        looping.subscribe(this::passLoop);
        region.subscribe(this::passLoop);
        passLoop();
        levelDb.subscribe(v -> player.setLevelDb(v.doubleValue()));
        inTheMix.subscribe(player::hearMix);
    }

    private void passLoop() {
        player.loop(region.get().fromS(), region.get().toS(), looping.get() && !region.get().isEmpty());
    }

    /** Loudness matching takes a while on long sounds: call off the window's thread. */
    public void load(Optional<Sound> reference, Optional<Sound> di, double diStartS, Optional<Sound> backing) {
        player.loadReference(reference);
        player.load(Source.DI, di, diStartS);
        player.loadBacking(backing);
    }

    /** Off the window's thread. */
    public void loadMine(Optional<Sound> mine, double startS) {
        player.load(Source.MINE, mine, startS);
    }

    /** What stands beside the reference, another recording or another part of it. Off the window's thread. */
    public void loadBeside(Optional<Sound> sound, double startS) {
        player.load(Source.BESIDE, sound, startS);
    }

    /** Another way to hear the reference, at the same loudness. Off the window's thread. */
    public void loadIsolated(Sound sound) {
        player.load(Source.REFERENCE, Optional.of(sound), 0);
    }

    /** A sound of a blind trial, at the level that it comes with. */
    public void loadBlind(Source source, Optional<Sound> sound, double startS) {
        player.loadAsItIs(source, sound, startS);
    }

    /** How often playing broke off since the program was opened: what was asked then was not heard whole. */
    public int gaps() {
        return player.gaps();
    }

    /** Whether a trial is under way: what has a name cannot be heard then. */
    public BooleanProperty blind() {
        return blind;
    }

    /** After loading, on the window's thread. */
    public void loaded(double length, boolean withBacking) {
        lengthS.set(length);
        hasBacking.set(withBacking);
        if (!withBacking) inTheMix.set(false);
        loads.set(loads.get() + 1);
        if (!player.has(source.get()) && !blind.get()) choose(Source.REFERENCE);
    }

    public void choose(Source wanted) {
        if (!player.has(wanted) || blind.get() && wanted.isNamed()) return;
        source.set(wanted);
        player.choose(wanted);
    }

    public boolean has(Source wanted) {
        return player.has(wanted);
    }

    public void toggle() {
        if (player.isPlaying()) {
            player.pause();
        } else {
            Span r = region.get();
            double now = player.positionS();
            boolean outside = !r.isEmpty() && looping.get() && (now < r.fromS() || now >= r.toS());
            if (outside) player.seek(r.fromS());
            if (now >= lengthS.get()) player.seek(r.isEmpty() ? 0 : r.fromS());
            player.play();
        }
        tick();
    }

    public void stop() {
        player.pause();
    }

    public void seek(double timeS) {
        player.seek(Math.clamp(timeS, 0, Math.max(0, lengthS.get())));
        tick();
    }

    /** Louder or softer by a step, within the range of the bar. */
    public void step(double db) {
        levelDb.set(Math.clamp(levelDb.get() + db, SOFTEST_DB, LOUDEST_DB));
    }

    /** Takes over where the player has come to. */
    public void tick() {
        long now = System.nanoTime();
        if (playing.get() && tickedNanos != 0) heard((now - tickedNanos) / 1e9);
        tickedNanos = now;
        playing.set(player.isPlaying());
        positionS.set(player.positionS());
        if (!output.get().equals(player.outputName())) through(player.outputName());
    }

    /** Another output: what was measured on this computer stays, an estimate follows the device. */
    void through(String outputName) {
        output.set(outputName);
        if (!level.get().measured()) level.set(ListeningLevel.estimated(outputName));
    }

    /** Counts some seconds at the level of now towards the day's dose; only while the program is open. */
    void heard(double seconds) {
        if (seconds <= 0 || seconds > LONGEST_TICK_S) return;
        dose.set(dose.get() + ListeningDose.ofDay(level.get().dbSpl(levelDb.get()), seconds / 60));
    }

    /** Takes over what a meter reads while a steady noise plays at the level of now, and keeps it. */
    public void measured(double readingDba) {
        ListeningLevel found = ListeningLevel.measured(readingDba, levelDb.get());
        found.keep();
        level.set(found);
    }

    /** What the bar's level is at the ear. */
    public ReadOnlyObjectProperty<ListeningLevel> level() {
        return level.getReadOnlyProperty();
    }

    /** Share of a day's dose heard since the program was opened. */
    public ReadOnlyDoubleProperty dose() {
        return dose.getReadOnlyProperty();
    }

    public double targetLufs() {
        return player.targetLufs();
    }

    public ReadOnlyObjectProperty<Source> source() {
        return source.getReadOnlyProperty();
    }

    /** How often sound was loaded: what can be heard may have changed. */
    public ReadOnlyIntegerProperty loads() {
        return loads.getReadOnlyProperty();
    }

    public ReadOnlyBooleanProperty playing() {
        return playing.getReadOnlyProperty();
    }

    public ReadOnlyDoubleProperty positionS() {
        return positionS.getReadOnlyProperty();
    }

    public ReadOnlyDoubleProperty lengthS() {
        return lengthS.getReadOnlyProperty();
    }

    public ReadOnlyObjectProperty<String> output() {
        return output.getReadOnlyProperty();
    }

    public BooleanProperty looping() {
        return looping;
    }

    public BooleanProperty inTheMix() {
        return inTheMix;
    }

    public BooleanProperty hasBacking() {
        return hasBacking;
    }

    public DoubleProperty levelDb() {
        return levelDb;
    }

    public ObjectProperty<Span> region() {
        return region;
    }
}
