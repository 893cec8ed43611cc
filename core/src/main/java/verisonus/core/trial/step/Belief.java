package verisonus.core.trial.step;

/**
 * What is believed of a step on a logarithmic grid.
 *
 * @param meanLog natural log of the step, mean
 * @param spreadLog its standard deviation
 */
record Belief(double meanLog, double spreadLog) {
    private static final int GRID = 121;

    /** Log likelihood of all answers, were the step this and answers as steep as that. */
    interface Likelihood {
        double of(double step, double steepness);
    }

    /**
     * @param lowLog where the grid begins
     * @param priorLog mean of the log before any answer
     * @param priorSpread its standard deviation
     */
    static Belief of(double lowLog, double highLog, double priorLog, double priorSpread, Likelihood answers) {
        double[][] log = new double[GRID][Psychometric.STEEPNESS.length];
        double top = Double.NEGATIVE_INFINITY;
        for (int i = 0; i < GRID; i++) {
            double at = lowLog + (highLog - lowLog) * i / (GRID - 1);
            for (int k = 0; k < log[i].length; k++) {
                log[i][k] = -0.5 * Math.pow((at - priorLog) / priorSpread, 2) + answers.of(Math.exp(at),
                        Psychometric.STEEPNESS[k]);
                top = Math.max(top, log[i][k]);
            }
        }
        double sum = 0;
        double mean = 0;
        double square = 0;
        for (int i = 0; i < GRID; i++) {
            double at = lowLog + (highLog - lowLog) * i / (GRID - 1);
            double w = 0;
            for (double l : log[i]) w += Math.exp(l - top);
            sum += w;
            mean += w * at;
            square += w * at * at;
        }
        mean /= sum;
        return new Belief(mean, Math.sqrt(Math.max(0, square / sum - mean * mean)));
    }
}
