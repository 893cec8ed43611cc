package verisonus.desktop.trial;

import java.util.Optional;
import verisonus.core.sound.Sound;
import verisonus.core.trial.MatchedSounds;
import verisonus.desktop.desk.Desk;
import verisonus.desktop.desk.OpenCase;
import verisonus.desktop.player.PlayerModel;
import verisonus.desktop.player.Source;

/** Sounds in front of the listener, each under a place of its own, all looped together, switched at the same musical position. */
final class Slots {
    private final Desk desk;
    private int many;
    private int gaps;

    Slots(Desk desk) {
        this.desk = desk;
    }

    /** @param blind whether what has a name may not be heard meanwhile */
    void lay(MatchedSounds sounds, PlayerModel.Span span, boolean blind) {
        desk.player().stop();
        free();
        many = sounds.candidates().size();
        for (int i = 0; i < many; i++) put(i, sounds.sound(i), span);
        desk.player().blind().set(blind);
        desk.player().region().set(span);
        desk.player().loaded(Math.max(desk.sounds().get().lengthS(), span.toS()), false);
        gaps = desk.player().gaps();
    }

    private void put(int place, Sound sound, PlayerModel.Span span) {
        desk.player().loadBlind(Source.slot(place), Optional.of(sound), span.fromS());
    }

    void hear(int place) {
        if (place < 0 || place >= many) return;
        desk.player().choose(Source.slot(place));
        if (!desk.player().playing().get()) desk.player().toggle();
    }

    /** Which place is heard; -1 where none of them is. */
    int heard() {
        return desk.player().source().get().slot();
    }

    int many() {
        return many;
    }

    /** Whether playing broke off since the sounds were laid or this was asked. */
    boolean brokeOff() {
        int now = desk.player().gaps();
        boolean out = now > gaps;
        gaps = now;
        return out;
    }

    /** Takes everything away and gives the bar its own sounds back. */
    void clear() {
        if (many == 0 && !desk.player().blind().get()) return;
        desk.player().stop();
        free();
        desk.player().blind().set(false);
        desk.player().region().set(desk.open().get().flatMap(OpenCase::region)
                .map(r -> new PlayerModel.Span(r.fromS(), r.toS())).orElse(new PlayerModel.Span(0, 0)));
        desk.player().loaded(desk.sounds().get().lengthS(), desk.sounds().get().backing().isPresent());
        desk.player().choose(Source.REFERENCE);
    }

    private void free() {
        for (int i = 0; i < many; i++) desk.player().loadBlind(Source.slot(i), Optional.empty(), 0);
        many = 0;
    }
}
