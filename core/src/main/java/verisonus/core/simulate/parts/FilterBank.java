package verisonus.core.simulate.parts;

import java.util.List;
import verisonus.core.sound.Biquad;

/** Second-order sections in series on each channel, then a gain. */
public final class FilterBank implements Processor {
    private final Biquad.Section[][] sections;
    private final float gain;

    public FilterBank(List<Biquad> filters, double gain) {
        this.gain = (float) gain;
        sections = new Biquad.Section[2][filters.size()];
        for (Biquad.Section[] channel : sections) {
            for (int i = 0; i < channel.length; i++) channel[i] = new Biquad.Section(filters.get(i));
        }
    }

    @Override
    public void process(float[][] channels, int frames) {
        for (int c = 0; c < channels.length; c++) {
            for (Biquad.Section s : sections[c]) s.process(channels[c], 0, frames);
            if (gain != 1) for (int i = 0; i < frames; i++) channels[c][i] *= gain;
        }
    }

    @Override
    public void reset() {
        for (Biquad.Section[] channel : sections) for (Biquad.Section s : channel) s.reset();
    }
}
