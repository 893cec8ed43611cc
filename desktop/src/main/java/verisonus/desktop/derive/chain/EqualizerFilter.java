package verisonus.desktop.derive.chain;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;

/**
 * One filter of an equalizer that changes the colour.
 *
 * @param hz where it works
 * @param gain the setting of its gain
 * @param frequency the setting of its frequency, where the device has one
 */
record EqualizerFilter(double hz, SettingRow gain, Optional<SettingRow> frequency) {
    /** The filters among the settings shown of an equalizer, lowest first. */
    static List<EqualizerFilter> among(List<SettingRow> shown, List<SettingRow> all) {
        List<EqualizerFilter> out = new ArrayList<>();
        for (SettingRow r : shown) {
            Optional<SettingRow> frequency = all.stream()
                    .filter(f -> f.control().name().equals(frequencyOf(r.control().name()))).findFirst();
            OptionalDouble hz = frequency.isPresent()
                    ? OptionalDouble.of(frequency.get().value())
                    : fixed(r.block(), r.control().name());
            if (hz.isPresent()) out.add(new EqualizerFilter(hz.getAsDouble(), r, frequency));
        }
        out.sort(java.util.Comparator.comparingDouble(EqualizerFilter::hz));
        return out;
    }

    private static String frequencyOf(String gain) {
        return switch (gain) {
            case ControlNames.LOW_SHELF -> ControlNames.LOW_CORNER;
            case ControlNames.HIGH_SHELF -> ControlNames.HIGH_CORNER;
            default -> gain + " frequency";
        };
    }

    /** A band of a graphic equalizer is named by its frequency. */
    private static OptionalDouble fixed(Block eq, String name) {
        if (!eq.model().control(name).unit().equals("dB")) return OptionalDouble.empty();
        String[] words = name.toLowerCase(Locale.ROOT).split(" ", -1);
        if (words.length != 2 || !words[1].endsWith("hz") || !words[0].matches("[0-9.]+"))
            return OptionalDouble.empty();
        return OptionalDouble.of(Double.parseDouble(words[0]) * (words[1].equals("khz") ? 1000 : 1));
    }
}
