package verisonus.core.simulate.parts;

/** A level and a place between left and right, equal power; in the middle the sides stay as they are. */
public final class VolumePan implements Processor {
    private final float left;
    private final float right;
    private final boolean aside;

    /** @param pan −100 left to 100 right */
    public VolumePan(double levelDb, double pan) {
        double gain = Math.pow(10, levelDb / 20);
        aside = pan != 0;
        double angle = (pan / 100 + 1) * Math.PI / 4;
        left = (float) (gain * (aside ? Math.sqrt(2) * Math.cos(angle) : 1));
        right = (float) (gain * (aside ? Math.sqrt(2) * Math.sin(angle) : 1));
    }

    @Override
    public boolean widens() {
        return aside;
    }

    @Override
    public void process(float[][] channels, int frames) {
        for (int i = 0; i < frames; i++) {
            channels[0][i] *= left;
            if (channels.length == 2) channels[1][i] *= right;
        }
    }

    @Override
    public void reset() {
        // It remembers nothing.
    }
}
