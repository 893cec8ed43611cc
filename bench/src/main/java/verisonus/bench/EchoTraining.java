package verisonus.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import verisonus.bench.KnownCase.Group;
import verisonus.core.evidence.echo.EchoEstimator;
import verisonus.core.evidence.echo.EchoSign;
import verisonus.core.evidence.signs.Network;
import verisonus.core.evidence.signs.Signs;

/** Makes the weights by which a copy is told from a note played again, and checks them on cases left out. */
final class EchoTraining {
    private EchoTraining() {}

    private record Job(Group group, long seed) {}

    /** @param args the file for the weights; a scale for the number of cases */
    public static void main(String[] args) throws IOException {
        int each = Integer.parseInt(args[1]);
        List<Job> jobs = new ArrayList<>();
        for (Group g : Group.values()) {
            int n = switch (g) {
                case NOTHING -> 5 * each;
                case ROOM, ECHO_IN_ROOM, ECHO_THEN_CLIPPED, TWO_ECHOES -> each;
                case ECHO, DARK_ECHO -> 2 * each;
                case SWAYING_ECHO -> 0;
                default -> each / 3;
            };
            for (int i = 0; i < n; i++) jobs.add(new Job(g, 900_000 + i));
        }
        List<List<NetworkFit.Sample>> cases = jobs.parallelStream().map(EchoTraining::samples).toList();
        List<NetworkFit.Sample> kept = new ArrayList<>();
        List<NetworkFit.Sample> left = new ArrayList<>();
        for (int i = 0; i < cases.size(); i++) (i % 4 == 3 ? left : kept).addAll(cases.get(i));
        Network trial = NetworkFit.fit(kept, 14, 2, 1);
        for (double limit : new double[]{0.4, 0.5, 0.6, 0.7, 0.8, 0.9}) {
            int[][] seen = new int[2][2];
            for (NetworkFit.Sample s : left) seen[s.answer()][trial.probabilities(s.features())[1] >= limit ? 1 : 0]++;
            System.out.printf("limit %.1f: copies taken %d of %d, others taken %d of %d%n", limit, seen[1][1],
                    seen[1][0] + seen[1][1], seen[0][1], seen[0][0] + seen[0][1]);
        }
        List<NetworkFit.Sample> all = new ArrayList<>(kept);
        all.addAll(left);
        Files.writeString(Path.of(args[0]), NetworkFit.text(NetworkFit.fit(all, 14, 2, 1),
                Signs.names(EchoSign.class)));
    }

    /** Lags that only repeats of repeats explain are neither. */
    private static List<NetworkFit.Sample> samples(Job j) {
        KnownCase c = KnownCase.of(j.group, j.seed);
        List<Double> times = new ArrayList<>();
        c.truth().echo().ifPresent(e -> times.add(e.timeMs()));
        c.truth().second().ifPresent(e -> times.add(e.timeMs()));
        List<NetworkFit.Sample> out = new ArrayList<>();
        for (EchoEstimator.Likeness l : EchoEstimator.likenesses(c.recording())) {
            double ms = l.lagMs();
            boolean copy = times.stream().anyMatch(t -> Math.abs(t - ms) < 1.5);
            if (!copy && explained(ms, times)) continue;
            out.add(new NetworkFit.Sample(l.signs(), copy ? 1 : 0));
        }
        return out;
    }

    private static boolean explained(double ms, List<Double> times) {
        double first = times.isEmpty() ? 1e9 : times.get(0);
        double second = times.size() < 2 ? 1e9 : times.get(1);
        for (int a = 0; a < 14; a++) {
            for (int b = 0; b < 6; b++) {
                if (Math.abs(a * first + (b == 0 ? 0 : b * second) - ms) < 3) return true;
            }
        }
        return times.size() == 2 && Math.abs(Math.abs(first - second) - ms) < 3;
    }
}
