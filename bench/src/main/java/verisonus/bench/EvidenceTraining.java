package verisonus.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import verisonus.bench.KnownCase.Group;
import verisonus.core.evidence.movement.ModulationFeatures;
import verisonus.core.evidence.movement.ModulationSign;
import verisonus.core.evidence.signs.Network;
import verisonus.core.evidence.signs.Signs;
import verisonus.core.evidence.space.ReverbEstimator;

/** Makes the weights by which movements and spaces are told, and checks them on cases left out. */
final class EvidenceTraining {
    static final List<String> KINDS = List.of("", "tremolo", "harmonic tremolo", "vibrato", "chorus", "flanger",
            "phaser", "rotary");
    static final List<String> DECAYS = List.of("none", "0.4-0.6", "0.6-0.9", "0.9-1.4", "1.4-2.1", "2.1-3.2");
    private static final int UNITS = 20;

    private EvidenceTraining() {}

    private record Job(Group group, long seed) {}

    private record Row(boolean echo, int answer, double[] alone, Optional<double[]> paired, int decay, double[] tail) {}

    /** @param args folder for the weights; cases of each kind of movement */
    public static void main(String[] args) throws IOException {
        int each = Integer.parseInt(args[1]);
        List<Job> jobs = new ArrayList<>();
        for (Group g : Group.values()) {
            int n = switch (g) {
                case NOTHING -> 3 * each;
                case ROOM -> 3 * each;
                case ECHO, DARK_ECHO -> each / 3;
                case ECHO_IN_ROOM -> each;
                case TREMOLO, HARMONIC_TREMOLO, VIBRATO, CHORUS, FLANGER, PHASER, ROTARY -> each;
                default -> 0;
            };
            for (int i = 0; i < n; i++) jobs.add(new Job(g, 500_000 + i));
        }
        List<Row> rows = jobs.parallelStream().map(EvidenceTraining::row).toList();
        Path folder = Path.of(args[0]);
        train(folder.resolve("reverb-alone.csv"),
                rows.stream().map(r -> new NetworkFit.Sample(r.tail, r.decay)).toList(),
                DECAYS, ReverbEstimator.signNames());
        List<String> moving = Signs.names(ModulationSign.class);
        train(folder.resolve("movement-alone.csv"), rows.stream().filter(r -> !r.echo)
                .map(r -> new NetworkFit.Sample(r.alone, r.answer)).toList(), KINDS, moving);
        train(folder.resolve("movement-paired.csv"), rows.stream().filter(r -> !r.echo && r.paired.isPresent())
                .map(r -> new NetworkFit.Sample(r.paired.get(), r.answer)).toList(), KINDS, moving);
    }

    private static Row row(Job j) {
        KnownCase c = KnownCase.of(j.group, j.seed);
        int decay = 0;
        if (c.truth().decayS().isPresent()) {
            decay = (int) Math.clamp(1 + Math.floor(Math.log(c.truth().decayS().getAsDouble() / 0.4) / Math.log(8) * 5),
                    1, 5);
        }
        boolean echo = c.truth().echo().isPresent();
        return new Row(echo, KINDS.indexOf(c.truth().movement()), ModulationFeatures.of(c.recording()).signs().values(),
                ModulationFeatures.between(c.recording(), c.dry()).map(f -> f.signs().values()), decay,
                ReverbEstimator.signs(c.recording()));
    }

    private static void train(Path file, List<NetworkFit.Sample> samples, List<String> names, List<String> signs)
            throws IOException {
        List<NetworkFit.Sample> kept = new ArrayList<>();
        List<NetworkFit.Sample> left = new ArrayList<>();
        for (int i = 0; i < samples.size(); i++) (i % 4 == 3 ? left : kept).add(samples.get(i));
        Network trial = NetworkFit.fit(kept, UNITS, names.size(), 1);
        int[][] seen = new int[names.size()][names.size()];
        for (NetworkFit.Sample s : left) seen[s.answer()][best(trial.probabilities(s.features()))]++;
        System.out.println(file.getFileName() + ": answers on cases left out, row true, column said");
        for (int k = 0; k < seen.length; k++) {
            System.out.printf("%-18s %s%n", names.get(k), java.util.Arrays.toString(seen[k]));
        }
        Files.writeString(file, NetworkFit.text(NetworkFit.fit(samples, UNITS, names.size(), 1), signs));
    }

    static int best(double[] p) {
        int best = 0;
        for (int k = 1; k < p.length; k++) if (p[k] > p[best]) best = k;
        return best;
    }
}
