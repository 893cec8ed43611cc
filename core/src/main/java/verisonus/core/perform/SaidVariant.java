package verisonus.core.perform;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import verisonus.core.work.InputFault;

/**
 * A variant as a player says it: "solo: a bit louder, dirtier", "3 LU softer and much less echo". A name before a colon, then parts by
 * comma or "and"; without a figure a part asks for a step that is clearly heard, half of it with "a bit", twice with "much". The tone's
 * loudness is kept unless it is asked for.
 *
 * @param name what it is called; what was asked for, where nothing else was said
 */
public record SaidVariant(String name, VariantGoal goal) {
    private static final double A_BIT = 0.5;
    private static final double MUCH = 2;
    private static final Pattern FIGURE = Pattern.compile("(\\d+(?:[.,]\\d+)?)\\s*(?:lu|db|s|seconds|%)?");
    private static final Pattern LITTLE = Pattern.compile("\\b(?:a bit|a little|a touch|slightly|somewhat)\\b");
    private static final Pattern LOTS = Pattern.compile("\\b(?:much|a lot|lots|far|clearly)\\b");

    /** One way to go. @param step clearly heard, in the unit of what is noticed */
    private record Way(Noticed what, double step) {}

    /** Steps by ear, about twice what is just heard each. */
    private static final Map<String, Way> WAYS = ways();

    private static Map<String, Way> ways() {
        Map<String, Way> out = new LinkedHashMap<>();
        both(out, new Way(Noticed.LOUDNESS, 3), List.of("louder"), List.of("softer", "quieter"));
        both(out, new Way(Noticed.DIRT, 0.1), List.of("dirtier", "more dirt", "more gain", "hotter"),
                List.of("cleaner", "less dirt", "less gain"));
        both(out, new Way(Noticed.BRIGHTNESS, 2), List.of("brighter", "sharper", "more treble"),
                List.of("darker", "duller", "less treble"));
        both(out, new Way(Noticed.BODY, 2), List.of("fuller", "fatter", "warmer", "more bass", "more body"),
                List.of("thinner", "leaner", "less bass", "less body"));
        both(out, new Way(Noticed.RING, 0.5), List.of("longer notes", "rings longer", "ring longer", "more sustain"),
                List.of("shorter notes", "rings shorter", "ring shorter", "less sustain"));
        both(out, new Way(Noticed.REPEATS, 4), List.of("more echo", "more repeats", "louder repeats", "more delay"),
                List.of("less echo", "fewer repeats", "softer repeats", "less delay"));
        both(out, new Way(Noticed.SPACE, 0.8),
                List.of("more space", "wetter", "more hall", "more room", "more reverb"),
                List.of("less space", "drier", "dryer", "less hall", "less room", "less reverb"));
        return out;
    }

    private static void both(Map<String, Way> out, Way way, List<String> more, List<String> less) {
        more.forEach(w -> out.put(w, way));
        less.forEach(w -> out.put(w, new Way(way.what, -way.step)));
    }

    /** @throws InputFault where a part says nothing that a listener notices */
    public static SaidVariant of(String said) {
        int colon = said.indexOf(':');
        String name = colon < 0 ? "" : said.substring(0, colon).strip();
        String asked = said.substring(colon + 1).strip();
        VariantGoal goal = VariantGoal.NOTHING.louder(0);
        List<String> parts = new ArrayList<>();
        for (String p : asked.split(",(?!\\d)|;|\\band\\b", -1))
            if (!p.isBlank()) parts.add(p.strip().toLowerCase(Locale.ROOT));
        if (parts.isEmpty() && name.isEmpty())
            throw new InputFault("what you said", "nothing is asked for", "say for instance “a bit louder, dirtier”");
        for (String p : parts) goal = with(goal, p);
        return new SaidVariant(name.isEmpty() ? String.join(", ", parts) : name, goal);
    }

    private static VariantGoal with(VariantGoal goal, String part) {
        if (part.equals("as loud")) return goal.louder(0);
        Optional<Map.Entry<String, Way>> found = WAYS.entrySet().stream().filter(e -> part.contains(e.getKey()))
                .max(Map.Entry.comparingByKey((a, b) -> Integer.compare(a.length(), b.length())));
        Way way = found.map(Map.Entry::getValue).orElseThrow(() -> new InputFault("“" + part + "”",
                "it says nothing that a variant can be made by", "say " + String.join(", ", known())));
        double by = amount(part).orElse(Math.abs(way.step));
        try {
            return goal.with(way.what, Math.copySign(by * factor(part), way.step));
        } catch (IllegalArgumentException e) {
            throw new InputFault("“" + part + "”", String.valueOf(e.getMessage()), "ask for less", e);
        }
    }

    /** The first way to say each thing, more of it and less. */
    private static List<String> known() {
        List<String> out = new ArrayList<>();
        for (Noticed n : Noticed.values())
            for (double sign : new double[]{1, -1})
                WAYS.entrySet().stream().filter(e -> e.getValue().what == n && e.getValue().step * sign > 0).findFirst()
                        .ifPresent(e -> out.add(e.getKey()));
        return out;
    }

    private static Optional<Double> amount(String part) {
        Matcher m = FIGURE.matcher(part);
        return m.find() ? Optional.of(Double.parseDouble(m.group(1).replace(',', '.'))) : Optional.empty();
    }

    private static double factor(String part) {
        if (amount(part).isPresent()) return 1;
        if (LITTLE.matcher(part).find()) return A_BIT;
        return LOTS.matcher(part).find() ? MUCH : 1;
    }
}
