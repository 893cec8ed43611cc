package verisonus.cli;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import verisonus.casebook.exchange.Json;
import verisonus.casebook.exchange.ResponseCsv;
import verisonus.casebook.exchange.ResponseWav;
import verisonus.casebook.exchange.TravelJson;
import verisonus.casebook.words.SafeTime;
import verisonus.cli.files.AudioFormat;
import verisonus.cli.files.AudioInput;
import verisonus.cli.files.CommonOptions;
import verisonus.cli.files.ForceOption;
import verisonus.cli.files.JsonOption;
import verisonus.cli.files.OutputFile;
import verisonus.cli.files.ToneInput;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Decibels;
import verisonus.core.sound.Sound;
import verisonus.core.sound.codec.SoundWriter;
import verisonus.core.travel.BandChange;
import verisonus.core.travel.EqualLoudness;
import verisonus.core.travel.Journey;
import verisonus.core.travel.Travelled;
import verisonus.core.travel.system.PlaybackSystem;
import verisonus.core.travel.system.ResponseCurve;
import verisonus.core.travel.system.SystemSound;
import verisonus.core.travel.trim.CabinetCheck;
import verisonus.core.travel.trim.Trim;
import verisonus.core.travel.trim.TrimSolver;
import verisonus.core.travel.trim.TrimWords;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

@Command(name = "travel", mixinStandardHelpOptions = true, description = "How a tone changes from one playback system to another, at a listening level.")
final class TravelCommand extends CommonOptions implements Callable<Integer> {
    private static final double SOFTEST_DB_SPL = 20;
    private static final double LOUDEST_DB_SPL = 120;

    @Parameters(paramLabel = "AUDIO", arity = "0..1", description = "the tone; or --tone and --di in its place")
    private @Nullable Path audio;

    @Option(names = "--tone", paramLabel = "TONE", description = "a tone file, played with --di")
    private @Nullable Path toneFile;

    @Option(names = "--di", paramLabel = "DI", description = "dry guitar recording for --tone")
    private @Nullable Path di;

    @Option(names = "--reference", paramLabel = "REF", description = "the wanted sound: tells on which system the difference is heard")
    private @Nullable Path reference;

    @Option(names = "--backing", paramLabel = "BACKING", description = "bass and drums round the tone (default: a plain bed of both)")
    private @Nullable Path backing;

    @Option(names = "--systems", paramLabel = "all|ID,FILE", description = "monitors, headphones, stage, guitar-cabinet, phone, car, or responses as FILE.csv or FILE.wav (default: all)")
    private String systems = "all";

    @Option(names = "--outside", paramLabel = "falls|holds", description = "what a measured response does outside its points: fall by 18 dB an octave, or hold its last value (default: falls)")
    private ResponseCurve.Outside outside = ResponseCurve.Outside.FALLS;

    @Option(names = "--level-db-spl", paramLabel = "N", description = "listening level (default: 75)")
    private double levelDbSpl = Journey.WORKING_LEVEL_DB_SPL;

    @Option(names = "--trim", paramLabel = "OUT.json", description = "solve and write what to turn on each system, and what serves all at once; needs --tone and --di")
    private @Nullable Path trimOut;

    @Option(names = "--listen", paramLabel = "OUT.wav", description = "write the tone as heard on one system")
    private @Nullable Path listenOut;

    @Mixin
    private final ForceOption force = new ForceOption();

    @Mixin
    private final JsonOption json = new JsonOption();

    @Override
    public Integer call() {
        if (!(levelDbSpl >= SOFTEST_DB_SPL && levelDbSpl <= LOUDEST_DB_SPL)) {
            throw new InputFault("--level-db-spl " + levelDbSpl, "it is outside 20 to 120 dB SPL",
                    "give the level at the listener's ear");
        }
        List<PlaybackSystem> chosen = chosen();
        if (listenOut != null && chosen.size() != 1)
            throw new InputFault("--listen", chosen.size() + " systems are chosen", "name one with --systems");
        Optional<OutputFile> trimFile = output(trimOut);
        Optional<OutputFile> listenFile = output(listenOut);
        listenFile.ifPresent(f -> AudioFormat.WAV24.requireEnding(f.besides(audio, di, reference, backing).path()));
        Optional<Played> played = played();
        if (trimFile.isPresent() && played.isEmpty())
            throw new InputFault("--trim", "a recording has no controls to turn", "give --tone and --di");
        Sound sound = played.map(Played::sound).orElseGet(this::recording);
        Journey travels = new Journey(sound, Optional.ofNullable(reference).map(AudioInput::read),
                Optional.ofNullable(backing).map(AudioInput::read), levelDbSpl);
        Journey journey = played.map(p -> travels.withSettings(p.tone())).orElse(travels);
        List<Travelled> travelled = journey.to(chosen);
        Map<String, Trim> trims = new LinkedHashMap<>();
        Optional<Trim> forAll = Optional.empty();
        if (trimFile.isPresent()) {
            Played p = played.orElseThrow();
            TrimSolver solver = new TrimSolver(p.tone(), p.di(), levelDbSpl, true, Progress.NONE);
            for (PlaybackSystem s : chosen) trims.put(s.id(), solver.on(s));
            if (chosen.size() > 1) forAll = Optional.of(solver.on(chosen));
            trimFile.get().write(Json.text(TravelJson.trims(trims, forAll)));
        }
        if (listenFile.isPresent()) listen(listenFile.get(), sound, chosen.get(0));
        if (json.asked()) {
            json.print(TravelJson.write(travelled, levelDbSpl, trims));
        } else {
            print(travelled);
            remarks(chosen).forEach(System.out::println);
            print(played.map(Played::tone), chosen, trims, forAll);
        }
        return 0;
    }

    /** A tone as it sounds with a take. */
    private record Played(Tone tone, Sound di, Sound sound) {}

    private Optional<OutputFile> output(@Nullable Path path) {
        Optional<OutputFile> out = Optional.ofNullable(path).map(p -> force.to(p));
        out.ifPresent(OutputFile::check);
        return out;
    }

    private Optional<Played> played() {
        if (toneFile == null && di == null) return Optional.empty();
        if (toneFile == null || di == null)
            throw new InputFault(toneFile == null ? "--di" : "--tone", "a tone needs a take and a take a tone",
                    "give both --tone and --di");
        if (audio != null) throw new InputFault(audio.toString(), "there is a tone already", "leave out one of them");
        Tone tone = ToneInput.tone(toneFile);
        Sound take = AudioInput.read(di);
        return Optional.of(new Played(tone, take, Renderer.render(tone, take, Quality.FINAL, Progress.NONE)));
    }

    private Sound recording() {
        if (audio == null) throw new InputFault("travel", "there is nothing to play", "name AUDIO, or --tone and --di");
        return AudioInput.studied(audio, 0, null).sound();
    }

    private List<PlaybackSystem> chosen() {
        if (systems.equals("all")) return PlaybackSystem.ALL;
        List<PlaybackSystem> out = new ArrayList<>();
        for (String given : systems.split(",", -1)) {
            PlaybackSystem s = one(given.strip(), outside);
            if (out.stream().anyMatch(o -> o.id().equals(s.id())))
                throw new InputFault("--systems " + systems, s.id() + " stands there twice", "name each once");
            out.add(s);
        }
        return out;
    }

    private static PlaybackSystem one(String given, ResponseCurve.Outside outside) {
        Optional<PlaybackSystem> shipped = PlaybackSystem.find(given);
        if (shipped.isPresent()) return shipped.get();
        String lower = given.toLowerCase(Locale.ROOT);
        if (lower.endsWith(".csv") || lower.endsWith(".txt") || Files.isRegularFile(Path.of(given))
                && !lower.endsWith(".wav"))
            return ResponseCsv.system(Path.of(given), outside);
        if (lower.endsWith(".wav")) return ResponseWav.system(Path.of(given));
        throw new InputFault("--systems " + given, "there is no such system", "use all or some of " + String.join(",",
                PlaybackSystem.ALL.stream().map(PlaybackSystem::id).toList()) + ", or files that end in .csv or .wav");
    }

    private void listen(OutputFile file, Sound sound, PlaybackSystem system) {
        Sound heard = new SystemSound(system, levelDbSpl).of(sound, Progress.NONE);
        double peak = Decibels.fromAmplitude(heard.peak());
        if (peak > -0.1) {
            heard = heard.gained(-peak - 0.1);
            System.err.printf(Locale.ROOT, "verisonus: %s: lowered by %.1f dB so that nothing clips%n", file.path(),
                    peak + 0.1);
        }
        file.write(SoundWriter.encode(heard, SoundWriter.Format.WAV_24));
        System.err.printf("verisonus: wrote %s, as heard on the %s%n", file.path(), system.name());
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
                "at %.0f dB SPL it is safe for %s a day (85 dBA: 8 h, half for every 3 dB more)%n",
                levelDbSpl, SafeTime.at(levelDbSpl));
    }

    /** What is taken for granted where nobody measured or standardised anything. */
    private List<String> remarks(List<PlaybackSystem> chosen) {
        List<String> out = new ArrayList<>();
        for (PlaybackSystem s : chosen) if (!s.notes().isEmpty()) out.add(s.name() + ": " + s.notes());
        if (!EqualLoudness.knows(levelDbSpl))
            out.add(Figures
                    .of("the ear's curves of equal loudness are standardised from 20 to 90 phon: at %.0f dB SPL the"
                            + " nearest of them is taken", levelDbSpl));
        return out;
    }

    private static void print(Optional<Tone> tone, List<PlaybackSystem> chosen, Map<String, Trim> trims,
            Optional<Trim> forAll) {
        if (tone.isEmpty()) return;
        for (PlaybackSystem s : chosen) {
            String cabinet = CabinetCheck.of(tone.get(), s).words();
            if (!cabinet.isEmpty()) System.out.println(s.name() + ": " + cabinet);
            Trim trim = trims.get(s.id());
            if (trim != null) System.out.println("on the " + s.name() + ": " + TrimWords.of(trim));
        }
        forAll.ifPresent(t -> System.out.printf(Locale.ROOT, "one setting for all: %s (within 2 dB on %d of %d)%n",
                TrimWords.of(t), t.within2Db(), t.systems().size()));
    }
}
