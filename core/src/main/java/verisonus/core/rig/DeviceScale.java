package verisonus.core.rig;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import verisonus.core.work.Figures;

/** The scale that a device shows for what turns from 0 to 10. Files and windows name it by its words. */
public enum DeviceScale {
    TENS("0-10") {
        @Override
        String shown(double value) {
            return Figures.of("%.1f", value);
        }

        @Override
        public double valueOf(double typed) {
            return typed;
        }
    },
    HUNDREDS("0-100") {
        @Override
        String shown(double value) {
            return Figures.of("%.0f", value * 10);
        }

        @Override
        public double valueOf(double typed) {
            return typed / 10;
        }
    },
    /** Nothing in the middle, five to either side. */
    SIGNED("±") {
        @Override
        String shown(double value) {
            return Figures.read("%+.1f", value - 5);
        }

        @Override
        public double valueOf(double typed) {
            return typed + 5;
        }
    },
    /** Positions of a pointer: 7:00 is nothing, 12:00 half way, 17:00 full. */
    CLOCK("clock") {
        @Override
        String shown(double value) {
            int minutes = (int) Math.round((7 + value) * 12) * 5;
            return Figures.of("%d:%02d", minutes / 60, minutes % 60);
        }

        @Override
        public double valueOf(double typed) {
            return typed;
        }
    };

    private final String words;

    DeviceScale(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    public static Optional<DeviceScale> of(String words) {
        return Arrays.stream(values()).filter(s -> s.words.equals(words)).findFirst();
    }

    /** Every scale by its words. */
    public static List<String> allWords() {
        return Arrays.stream(values()).map(DeviceScale::words).toList();
    }

    abstract String shown(double value);

    /** The value, 0 to 10, that a plain number on this scale stands for; a clock's plain number counts from 0 to 10. */
    public abstract double valueOf(double typed);

    /** A value as a device with this scale shows it; what does not turn from 0 to 10 shows its own unit. */
    public String display(Control control, double value) {
        return control.unit().equals("0-10") ? shown(value) : control.display(value);
    }
}
