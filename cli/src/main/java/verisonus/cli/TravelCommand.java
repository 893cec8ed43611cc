package verisonus.cli;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import verisonus.casebook.exchange.Json;
import verisonus.casebook.exchange.TravelJson;
import verisonus.cli.files.AudioInput;
import verisonus.core.travel.BandChange;
import verisonus.core.travel.Journey;
import verisonus.core.travel.ListeningDose;
import verisonus.core.travel.PlaybackSystem;
import verisonus.core.travel.Travelled;
import verisonus.core.work.InputFault;

@Command(name = "travel", mixinStandardHelpOptions = true, description = "How a tone changes from one playback system to another, at a listening level.")
final class TravelCommand extends VerboseOption implements Callable<Integer> {
    private static final double SOFTEST_DB_SPL = 20;
    private static final double LOUDEST_DB_SPL = 120;

    @Parameters(paramLabel = "AUDIO", description = "the tone")
    private @Nullable Path audio;

    @Option(names = "--reference", paramLabel = "REF", description = "the wanted sound: tells on which system the difference is heard")
    private @Nullable Path reference;

    @Option(names = "--systems", paramLabel = "all|ID,ID", description = "monitors, headphones, stage, guitar-cabinet, phone, car (default: all)")
    private String systems = "all";

    @Option(names = "--level-db-spl", paramLabel = "N", description = "listening level (default: 75)")
    private double levelDbSpl = Journey.WORKING_LEVEL_DB_SPL;

    @Option(names = "--json", description = "print one JSON document")
    private boolean json;

    @Override
    public Integer call() {
        if (!(levelDbSpl >= SOFTEST_DB_SPL && levelDbSpl <= LOUDEST_DB_SPL)) {
            throw new InputFault("--level-db-spl " + levelDbSpl, "it is outside 20 to 120 dB SPL",
                    "give the level at the listener's ear");
        }
        List<PlaybackSystem> chosen = chosen();
        Journey journey = new Journey(AudioInput.read(Objects.requireNonNull(audio)),
                Optional.ofNullable(reference).map(AudioInput::read), levelDbSpl);
        List<Travelled> travelled = journey.to(chosen);
        if (json) {
            System.out.println(Json.text(TravelJson.write(travelled, levelDbSpl)));
        } else {
            print(travelled);
        }
        return 0;
    }

    private List<PlaybackSystem> chosen() {
        if (systems.equals("all")) return PlaybackSystem.ALL;
        List<PlaybackSystem> out = new ArrayList<>();
        for (String id : systems.split(",", -1)) {
            out.add(PlaybackSystem.find(id.strip()).orElseThrow(() -> new InputFault("--systems " + id,
                    "there is no such system",
                    "use all or some of " + String.join(",", PlaybackSystem.ALL.stream().map(PlaybackSystem::id)
                            .toList()))));
        }
        return out;
    }

    private void print(List<Travelled> travelled) {
        System.out.printf(Locale.ROOT, "%-26s", "dB, loudness matched");
        for (BandChange b : travelled.get(0).bands()) System.out.printf(Locale.ROOT, "%12s", b.name());
        System.out.println();
        for (Travelled t : travelled) {
            System.out.printf(Locale.ROOT, "%-26s", t.system().name());
            for (BandChange b : t.bands()) System.out.printf(Locale.ROOT, "%+12.1f", b.changeDb());
            System.out.println();
        }
        Journey.worst(travelled).ifPresent(w -> {
            System.out.println("most changed: " + w.system().name() + " (" + String.join(", ", w.findings()) + ")");
            w.advice().forEach(a -> System.out.println("    turn " + a));
        });
        System.out.printf(Locale.ROOT,
                "at %.0f dB SPL about %.0f minutes a day are safe (85 dBA: 8 h, half for every 3 dB more)%n",
                levelDbSpl, ListeningDose.safeMinutesPerDay(levelDbSpl));
    }
}
