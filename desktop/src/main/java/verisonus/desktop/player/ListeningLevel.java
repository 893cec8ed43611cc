package verisonus.desktop.player;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import verisonus.casebook.exchange.Json;
import verisonus.casebook.exchange.UserFolder;
import verisonus.casebook.words.SafeTime;
import verisonus.core.travel.ListeningDose;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;
import verisonus.core.work.OutputFault;

/**
 * How loud it is at the ear, and for how long that is safe. Until somebody measures it, the level is estimated from what the output
 * calls itself, on the loud side; where the name tells nothing, matched sources at full gain are taken as
 * {@value #ASSUMED_FULL_DB_SPL} dB SPL.
 *
 * @param fullDbSpl what matched sources at full gain have at the ear
 * @param from how that is known
 */
public record ListeningLevel(double fullDbSpl, From from) {
    static final double ASSUMED_FULL_DB_SPL = 100;
    public static final ListeningLevel ASSUMED = new ListeningLevel(ASSUMED_FULL_DB_SPL, From.ASSUMPTION);

    /** How a level is known. */
    public enum From {
        ASSUMPTION("assumed"),
        HEADPHONES("estimated for headphones"),
        SCREEN("estimated for a screen's loudspeakers"),
        BUILT_IN("estimated for built-in loudspeakers"),
        METER("measured");

        private final String words;

        From(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** Loud for their kind: headphones at most of what EN 50332 lets a player reach, small loudspeakers at an arm's length. */
    private static final Map<From, Double> USUAL_FULL_DB_SPL = Map.of(From.HEADPHONES, 104.0, From.SCREEN, 94.0,
            From.BUILT_IN, 90.0);
    private static final Map<String, From> SAID = new LinkedHashMap<>();

    static {
        for (String s : List.of("headphone", "headset", "earphone", "earbud")) SAID.put(s, From.HEADPHONES);
        for (String s : List.of("hdmi", "displayport", "display audio", "monitor audio")) SAID.put(s, From.SCREEN);
        for (String s : List.of("built-in", "internal", "speaker")) SAID.put(s, From.BUILT_IN);
    }
    /** Where playback starts. */
    public static final double START_DB = -30;
    /** Above this many dBA the time is short enough to warn. */
    private static final double WARN_DBA = 85;
    private static final double SOFTEST_READING = 30;
    private static final double LOUDEST_READING = 120;
    private static final String FILE = "listening-level.json";
    private static final String KEY = "full_db_spl";

    /**
     * From a meter's reading while a steady noise plays.
     *
     * @throws InputFault where no meter reads that
     */
    public static ListeningLevel measured(double readingDba, double gainDb) {
        if (!(readingDba >= SOFTEST_READING && readingDba <= LOUDEST_READING))
            throw new InputFault("the meter's reading", Figures.of("%.0f dBA cannot be", readingDba),
                    "type what it shows while the noise plays, 30 to 120");
        return new ListeningLevel(readingDba - gainDb, From.METER);
    }

    /** As it was measured on this computer; assumed where it was not. */
    public static ListeningLevel kept() {
        try {
            Path file = UserFolder.path().resolve(FILE);
            if (!Files.exists(file)) return ASSUMED;
            double full = Json.read(file).path(KEY).asDouble(Double.NaN);
            return full > 0 && full < 200 ? new ListeningLevel(full, From.METER) : ASSUMED;
        } catch (InputFault | OutputFault e) {
            // A damaged note about loudness must not keep the window from opening: the loud assumption is the safe one.
            return ASSUMED;
        }
    }

    /** What an output of this name usually does; the assumption where the name tells nothing. */
    static ListeningLevel estimated(String output) {
        String name = output.toLowerCase(Locale.ROOT);
        return SAID.entrySet().stream().filter(e -> name.contains(e.getKey())).findFirst().map(Map.Entry::getValue)
                .map(f -> new ListeningLevel(USUAL_FULL_DB_SPL.getOrDefault(f, ASSUMED_FULL_DB_SPL), f))
                .orElse(ASSUMED);
    }

    public boolean measured() {
        return from == From.METER;
    }

    void keep() {
        Path file = UserFolder.path().resolve(FILE);
        try {
            Files.write(file, Json.text(Json.object().put(KEY, fullDbSpl)).getBytes(StandardCharsets.UTF_8));
        } catch (IOException e) {
            throw new OutputFault(file.toString(), "it cannot be written", "check the folder");
        }
    }

    public double dbSpl(double gainDb) {
        return fullDbSpl + gainDb;
    }

    /** "70 dB SPL assumed · safe all day", and how much of a day's dose has been heard. */
    String words(double gainDb, double dose) {
        double level = dbSpl(gainDb);
        double minutes = ListeningDose.safeMinutesPerDay(level) * Math.max(0, 1 - dose);
        String left = SafeTime.brief(minutes);
        String time = left.equals("all day") ? "safe all day" : left + " safe today";
        String heard = dose < 0.01 ? "" : Figures.of(" · %.0f %% heard", 100 * dose);
        return Figures.of("%.0f dB SPL %s · %s%s", level, from.words(), time,
                heard);
    }

    boolean warns(double gainDb, double dose) {
        return dbSpl(gainDb) >= WARN_DBA || dose >= 1;
    }
}
