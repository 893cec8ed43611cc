package verisonus.core.perform.school;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import verisonus.core.rig.Tone;
import verisonus.core.work.Figures;

/**
 * One answer, as dirty and as loud as the tone it is held against.
 *
 * @param words what is done
 * @param tone with it done
 * @param price what it costs against the tone as it is; empty for the tone as it is
 */
public record Side(String words, Tone tone, Optional<Price> price) {
    /**
     * What an answer costs; above 0 is dearer.
     *
     * @param furtherJnd how much further from the record it is; empty where there is none
     * @param heardJnd how audible the change is at all
     * @param noiseDb how much more of the guitar's own noise comes out, at the same loudness
     * @param headroomDb how much higher its peaks stand at the same loudness
     * @param parts how many more pieces of gear are on
     */
    public record Price(Optional<Double> furtherJnd, double heardJnd, double noiseDb, double headroomDb, int parts) {
        private static final double SAYABLE_JND = 0.1;
        private static final double SAYABLE_DB = 1;
        private static final double HEARD_JND = 1;

        /** What is worth saying, the record first. */
        public String words() {
            List<String> out = new ArrayList<>();
            furtherJnd.ifPresent(f -> out.add(Math.abs(f) < SAYABLE_JND
                    ? "as near to the record"
                    : Figures.of("%.1f JND %s the record", Math.abs(f), f > 0 ? "further from" : "nearer to")));
            out.add(heardJnd < HEARD_JND ? "not heard as a change" : Figures.of("%.1f JND of change", heardJnd));
            if (Math.abs(noiseDb) >= SAYABLE_DB)
                out.add(Figures.of("%.0f dB %s noise", Math.abs(noiseDb), noiseDb > 0 ? "more" : "less"));
            if (Math.abs(headroomDb) >= SAYABLE_DB)
                out.add(Figures.of("peaks %.0f dB %s", Math.abs(headroomDb), headroomDb > 0 ? "higher" : "lower"));
            if (parts != 0)
                out.add(Math.abs(parts) == 1
                        ? (parts > 0 ? "one part more" : "one part less")
                        : Figures.of("%d parts %s", Math.abs(parts), parts > 0 ? "more" : "less"));
            return String.join(", ", out);
        }
    }
}
