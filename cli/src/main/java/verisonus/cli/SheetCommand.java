package verisonus.cli;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Set;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import verisonus.casebook.sheet.CaseSheet;
import verisonus.casebook.sheet.SheetContents;
import verisonus.casebook.sheet.SheetFormat;
import verisonus.casebook.sheet.SheetPart;
import verisonus.casebook.sheet.ToneSheet;
import verisonus.casebook.sheet.page.Page;
import verisonus.casebook.sheet.write.Paper;
import verisonus.casebook.store.CaseEntry;
import verisonus.casebook.store.Casebook;
import verisonus.cli.files.CommonOptions;
import verisonus.cli.files.ForceOption;
import verisonus.cli.files.OutputFile;
import verisonus.cli.files.ToneInput;
import verisonus.core.rig.Block;
import verisonus.core.rig.DeviceScale;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

@Command(name = "sheet", mixinStandardHelpOptions = true, description = "The tone sheet of a case, of several in one document, or of a tone file.")
final class SheetCommand extends CommonOptions implements Callable<Integer> {
    @Parameters(paramLabel = "CASEBOOK", arity = "0..1", description = "a .casebook file; none with --tone")
    private @Nullable Path casebook;

    @Option(names = "--tone", paramLabel = "TONE.json", description = "the settings of a tone file, with no casebook")
    private @Nullable Path tone;

    @Option(names = "--rig", paramLabel = "RIG.json", description = "whose names and scales a tone file is shown in (default: as the tone names them)")
    private @Nullable Path rig;

    @Option(names = "--case", paramLabel = "NAME", description = "which case; several times for several, \"all\" for all")
    private List<String> names = new ArrayList<>();

    @Option(names = "--out", required = true, paramLabel = "FILE", description = "ends in .pdf, .html, .md, .csv or .json")
    private @Nullable Path out;

    @Option(names = "--paper", paramLabel = "a4|letter", description = "of a PDF (default: a4)")
    private Paper paper = Paper.A4;

    @Option(names = "--parts", paramLabel = "PART,PART", description = "what stands there beside what to set: reasons, drawings, record, differences, travel, choices, tried, cost, or none (default: all)")
    private String parts = "all";

    @Option(names = "--scales", paramLabel = "SCALE,SCALE", description = "on which each setting stands a second time beside your own: 0-10, 0-100, ±, clock")
    private String scales = "";

    @Option(names = "--stage", description = "only what to set, large, to be read from a stand")
    private boolean stage;

    @Mixin
    private final ForceOption force = new ForceOption();

    @Override
    public Integer call() {
        Path target = Objects.requireNonNull(out);
        SheetFormat format = SheetFormat.of(target.getFileName().toString()).orElseThrow(() -> new InputFault(
                target.toString(), "its ending names no kind of sheet", "end it in .pdf, .html, .md, .csv or .json"));
        SheetContents contents = new SheetContents(parts(), scales());
        OutputFile file = force.to(target);
        if (tone != null) return ofTone(tone, format, contents, file);
        if (casebook == null || names.isEmpty())
            throw new InputFault("sheet", "neither a case nor a tone is named",
                    "name a casebook and --case NAME, or --tone TONE.json");
        try (Casebook book = Casebook.open(Objects.requireNonNull(casebook))) {
            List<CaseEntry> cases = names.equals(List.of("all"))
                    ? book.cases()
                    : names.stream().map(n -> CaseSheet.find(book, n)).toList();
            if (cases.isEmpty())
                throw new InputFault(book.file().toString(), "it has no case", "add one in the window");
            file.check();
            if (cases.size() > 1 && (stage || format == SheetFormat.JSON))
                throw new InputFault("--case", "a stage page and JSON hold one case", "name one");
            if (cases.size() > 1) {
                String title = String.valueOf(book.file().getFileName()).replaceFirst("\\.casebook$", "");
                file.write(format.write(CaseSheet.of(book, cases.get(0), Progress.NONE),
                        CaseSheet.whole(book, title, cases, contents, Progress.NONE), paper));
                return 0;
            }
            ToneSheet sheet = CaseSheet.of(book, cases.get(0), Progress.NONE);
            Page page = stage ? sheet.stagePage() : sheet.page(contents);
            file.write(format.write(sheet, page, paper));
        }
        return 0;
    }

    private int ofTone(Path from, SheetFormat format, SheetContents contents, OutputFile file) {
        if (casebook != null || !names.isEmpty())
            throw new InputFault("--tone", "a casebook or a case is named beside it", "name one or the other");
        Rig gear = ToneInput.rig(rig);
        Tone read = ToneInput.tone(from);
        for (Block b : read.blocks()) read = read.with(gear.own(b));
        ToneSheet sheet = ToneSheet.ofSettings(read, gear);
        file.check();
        file.write(format.write(sheet, stage ? sheet.stagePage() : sheet.settingsPage(contents), paper));
        return 0;
    }

    private List<DeviceScale> scales() {
        List<DeviceScale> out = new ArrayList<>();
        for (String given : scales.isBlank() ? new String[0] : scales.split(",", -1))
            out.add(DeviceScale.of(given.strip()).orElseThrow(() -> new InputFault("--scales " + given,
                    "no device shows such a scale", "use some of " + String.join(",", DeviceScale.allWords()))));
        return out;
    }

    private Set<SheetPart> parts() {
        if (parts.equals("all")) return SheetPart.all();
        Set<SheetPart> chosen = EnumSet.noneOf(SheetPart.class);
        if (parts.equals("none")) return chosen;
        for (String given : parts.split(",", -1)) {
            String id = given.strip().toLowerCase(Locale.ROOT);
            chosen.add(SheetPart.all().stream().filter(p -> p.id().equals(id)).findFirst().orElseThrow(
                    () -> new InputFault("--parts " + given, "a sheet has no such part", "use some of " + String.join(
                            ",", Arrays.stream(SheetPart.values()).map(SheetPart::id).toList()) + ", all or none")));
        }
        return chosen;
    }
}
