package verisonus.core.rig;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * Where a control of the player's own device stands, and where that of its model must stand to do the same: straight lines between the
 * places that were compared, beyond them on in parallel to the model's. Both from 0 to 10; turning further never does less.
 *
 * @param places in the order of the device's positions; one at least
 */
public record Turning(List<Place> places) {
    private static final double MOST = 10;

    /** One place on the device, and its like on the model. */
    public record Place(double device, double model) {}

    public Turning {
        if (places.isEmpty()) throw new IllegalArgumentException("a control that was compared nowhere");
        places = rising(places);
    }

    /** Where the device's track is the model's. */
    public static Turning same() {
        return new Turning(List.of(new Place(0, 0)));
    }

    /**
     * Places that rise, as near to those that were found as can be: neighbours that fall are joined at their mean (pool adjacent violators;
     * M. Ayer et al., Annals of Mathematical Statistics 1955).
     */
    private static List<Place> rising(List<Place> found) {
        List<Place> sorted = found.stream().sorted(Comparator.comparingDouble(Place::device)).toList();
        List<double[]> pools = new ArrayList<>();
        for (Place p : sorted) {
            pools.add(new double[]{p.model, 1});
            while (pools.size() > 1 && pools.getLast()[0] < pools.get(pools.size() - 2)[0]) {
                double[] last = pools.removeLast();
                double[] before = pools.removeLast();
                double n = last[1] + before[1];
                pools.add(new double[]{(last[0] * last[1] + before[0] * before[1]) / n, n});
            }
        }
        List<Place> out = new ArrayList<>();
        for (double[] pool : pools)
            for (int i = 0; i < pool[1]; i++) out.add(new Place(sorted.get(out.size()).device, pool[0]));
        return List.copyOf(out);
    }

    /** Where the model must stand, 0 to 10. */
    public double model(double device) {
        Place first = places.getFirst();
        Place last = places.getLast();
        if (device <= first.device) return Math.clamp(first.model + device - first.device, 0, MOST);
        if (device >= last.device) return Math.clamp(last.model + device - last.device, 0, MOST);
        int i = 1;
        while (places.get(i).device < device) i++;
        Place a = places.get(i - 1);
        Place b = places.get(i);
        return a.model + (b.model - a.model) * (device - a.device) / (b.device - a.device);
    }

    /** Where the device must stand, 0 to 10; of a stretch over which nothing changes its middle. */
    public double device(double model) {
        Place first = places.getFirst();
        Place last = places.getLast();
        if (model < first.model) return Math.clamp(first.device + model - first.model, 0, MOST);
        if (model > last.model) return Math.clamp(last.device + model - last.model, 0, MOST);
        List<Place> level = places.stream().filter(p -> p.model == model).toList();
        if (!level.isEmpty()) return (level.getFirst().device + level.getLast().device) / 2;
        int i = 1;
        while (places.get(i).model < model) i++;
        Place a = places.get(i - 1);
        Place b = places.get(i);
        return a.device + (b.device - a.device) * (model - a.model) / (b.model - a.model);
    }
}
