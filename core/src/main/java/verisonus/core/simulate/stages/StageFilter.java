package verisonus.core.simulate.stages;

import java.util.List;
import verisonus.core.sound.Biquad;

/** Second-order sections within a nonlinear stage. */
final class StageFilter implements NonlinearStage {
    private final Biquad.Section[] sections;

    StageFilter(List<Biquad> filters) {
        sections = filters.stream().map(Biquad.Section::new).toArray(Biquad.Section[]::new);
    }

    @Override
    public void process(float[] x, int n) {
        for (Biquad.Section s : sections) s.process(x, 0, n);
    }

    @Override
    public void reset() {
        for (Biquad.Section s : sections) s.reset();
    }
}
