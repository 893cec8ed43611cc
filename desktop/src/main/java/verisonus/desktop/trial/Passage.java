package verisonus.desktop.trial;

import java.util.Optional;
import verisonus.casebook.store.Region;
import verisonus.core.sound.Sound;
import verisonus.core.work.InputFault;
import verisonus.desktop.desk.Desk;
import verisonus.desktop.desk.HeardOn;
import verisonus.desktop.desk.OpenCase;
import verisonus.desktop.desk.Sounds;
import verisonus.desktop.player.PlayerModel;

/**
 * What is compared: the marked region, or all of the record.
 *
 * @param takeStartS where on the record's time axis the take begins
 * @param through the playback system that everything is heard through; empty: as it is
 */
record Passage(PlayerModel.Span span, double takeStartS, Optional<HeardOn> through) {
    /** Without a record all of the take; empty without either. */
    static Optional<Passage> of(Desk desk) {
        Sounds s = desk.sounds().get();
        Optional<OpenCase> open = desk.open().get();
        if (open.isEmpty()) return Optional.empty();
        if (s.reference().isEmpty())
            return s.di().map(d -> new Passage(new PlayerModel.Span(s.diStartS(), s.diStartS() + d.durationS()), s
                    .diStartS(), desk.heardOn().get()));
        double end = s.reference().get().durationS();
        PlayerModel.Span span = open.get().region().map(Passage::span)
                .map(r -> new PlayerModel.Span(r.fromS(), Math.min(r.toS(), end)))
                .orElse(new PlayerModel.Span(0, end));
        return Optional.of(new Passage(span, s.diStartS(), desk.heardOn().get()));
    }

    /** Everything that the record and the take both last; empty without either. */
    static Optional<Passage> whole(Desk desk) {
        Sounds s = desk.sounds().get();
        if (s.reference().isEmpty() || s.di().isEmpty()) return Optional.empty();
        double from = Math.max(0, s.diStartS());
        double to = Math.min(s.reference().get().durationS(), s.diStartS() + s.di().get().durationS());
        return Optional.of(new Passage(new PlayerModel.Span(from, Math.max(from, to)), s.diStartS(),
                desk.heardOn().get()));
    }

    private static PlayerModel.Span span(Region r) {
        return new PlayerModel.Span(r.fromS(), r.toS());
    }

    /** A sound as it is on the system that everything is heard through. */
    Sound asHeard(Sound sound) {
        return through.map(t -> t.of(sound)).orElse(sound);
    }

    Sound ofRecord(Sound record) {
        return record.slice(span.fromS(), span.toS());
    }

    /** The passage of what begins with the take. */
    Sound ofTake(String name, Sound played) {
        double from = span.fromS() - takeStartS;
        if (from < 0 || from + 1 > played.durationS())
            throw new InputFault(name, "it does not play in the marked region", "mark a region in which both play");
        return played.slice(from, Math.min(played.durationS(), span.toS() - takeStartS));
    }

    /** Where in the take the passage begins. */
    double inTakeS() {
        return Math.max(0, span.fromS() - takeStartS);
    }
}
