package verisonus.cli;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import tools.jackson.databind.node.ObjectNode;
import verisonus.casebook.exchange.Json;
import verisonus.cli.files.AudioInput;
import verisonus.cli.files.CommonOptions;
import verisonus.cli.files.JsonOption;
import verisonus.cli.files.ToneInput;
import verisonus.core.advise.PlayingShare;
import verisonus.core.compare.GapAttribute;
import verisonus.core.rig.Tone;
import verisonus.core.sound.Sound;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

@Command(name = "playing", mixinStandardHelpOptions = true, description = "How far two or more takes lie apart through the same tone: what the hand makes, not the gear.")
final class PlayingCommand extends CommonOptions implements Callable<Integer> {
    @Option(names = "--tone", required = true, paramLabel = "TONE.json", description = "the tone")
    private @Nullable Path tone;

    @Option(names = "--di", required = true, paramLabel = "DI", description = "a dry take of the phrase; again for each")
    private List<Path> takes = new ArrayList<>();

    @Mixin
    private final JsonOption json = new JsonOption();

    @Override
    public Integer call() {
        if (takes.size() < 2) {
            throw new InputFault(takes.get(0).toString(), "one take shows no spread", "name a second take with --di");
        }
        Tone t = ToneInput.tone(Objects.requireNonNull(tone));
        List<Sound> sounds = takes.stream().map(AudioInput::read).toList();
        PlayingShare share = PlayingShare.of(t, sounds, Progress.NONE);
        if (json.asked()) {
            ObjectNode doc = Json.object("verisonus.playing/1");
            ObjectNode floor = doc.putObject("floor_jnd");
            share.floorJnd().entrySet().stream().sorted(Map.Entry.comparingByKey())
                    .forEach(e -> Json.put(floor, e.getKey().words(), e.getValue(), 2));
            var words = doc.putArray("differences");
            share.differences().forEach(words::add);
            json.print(doc);
            return 0;
        }
        System.out.println("takes lie apart, through the same settings, by:");
        share.floorJnd().entrySet().stream().sorted(Map.Entry.<GapAttribute, Double>comparingByValue().reversed())
                .forEach(e -> System.out.printf(Locale.ROOT, "%5.1f JND  %s%n", e.getValue(), e.getKey().words()));
        share.differences().forEach(System.out::println);
        return 0;
    }
}
