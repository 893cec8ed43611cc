package verisonus.desktop.session;

import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import verisonus.casebook.store.DerivedTone;
import verisonus.casebook.store.LogEntry;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Variant;
import verisonus.desktop.desk.Desk;

/** What else a case's tone has been or can be: its variants for tonight, and the tones it was before, the latest first. */
public final class ToneVersions {
    private static final int EARLIER = 3;
    private static final int LOOKED_AT = 60;
    private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern("d MMM HH:mm", Locale.ROOT)
            .withZone(ZoneId.systemDefault());

    private ToneVersions() {}

    /** One of them. @param name as the player calls it, or when it was kept */
    public record Version(String name, Tone tone) {}

    public static List<Version> variants(Desk desk, long caseId, Tone tone) {
        List<Version> out = new ArrayList<>();
        for (Variant v : desk.book().performances().variants(caseId)) out.add(new Version(v.name(), v.on(tone)));
        return out;
    }

    /** At most {@value #EARLIER}, none twice; read from the logbook, which takes a while. */
    public static List<Version> earlier(Desk desk, long caseId, Tone tone) {
        List<Version> out = new ArrayList<>();
        List<Tone> seen = new ArrayList<>(List.of(tone));
        for (LogEntry e : desk.book().logbook(caseId).stream().limit(LOOKED_AT).toList()) {
            if (e.undone() || e.gapAfterJnd().isEmpty() || out.size() == EARLIER) continue;
            Optional<Tone> was = desk.book().moments().tone(e).map(DerivedTone::tone);
            if (was.isEmpty() || seen.contains(was.get())) continue;
            seen.add(was.get());
            out.add(new Version("mine of " + TIME.format(e.at()), was.get()));
        }
        return out;
    }
}
