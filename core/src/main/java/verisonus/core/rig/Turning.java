package verisonus.core.rig;

import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import verisonus.core.work.Isotonic;

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

    /** Places that rise, as near to those that were found as can be. */
    private static List<Place> rising(List<Place> found) {
        List<Place> sorted = found.stream().sorted(Comparator.comparingDouble(Place::device)).toList();
        double[] rising = Isotonic.rising(sorted.stream().mapToDouble(Place::model).toArray());
        return IntStream.range(0, rising.length).mapToObj(i -> new Place(sorted.get(i).device, rising[i])).toList();
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
