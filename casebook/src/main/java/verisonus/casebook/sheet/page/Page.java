package verisonus.casebook.sheet.page;

import java.util.ArrayList;
import java.util.List;

/** A page of headings, paragraphs, tables and drawings, whatever it is written as. */
public final class Page {
    public sealed interface Part {}

    public record Heading(String text) implements Part {}

    public record Paragraph(String text) implements Part {}

    /** Said once, where it matters. */
    public record Caution(String text) implements Part {}

    /** Rows of as many cells as the head has. */
    public record Table(List<String> head, List<List<String>> rows) implements Part {
        public Table {
            head = List.copyOf(head);
            rows = rows.stream().map(List::copyOf).toList();
            for (List<String> r : rows)
                if (r.size() != head.size()) throw new IllegalArgumentException(r + " under " + head);
        }
    }

    public record Picture(Drawing drawing) implements Part {}

    /** What follows begins on a new sheet of paper. */
    public record NewSheet() implements Part {}

    private final String title;
    private final boolean large;
    private final List<Part> parts = new ArrayList<>();

    public Page(String title) {
        this(title, false);
    }

    /** @param large to be read from a stand on a dark stage */
    public Page(String title, boolean large) {
        this.title = title;
        this.large = large;
    }

    public String title() {
        return title;
    }

    public boolean isLarge() { return large; }

    /** What stands on the page, from top to bottom. */
    public List<Part> parts() {
        return List.copyOf(parts);
    }

    public void heading(String text) {
        parts.add(new Heading(text));
    }

    public void paragraph(String text) {
        if (!text.isBlank()) parts.add(new Paragraph(text));
    }

    public void caution(String text) {
        parts.add(new Caution(text));
    }

    public void table(List<String> head, List<List<String>> rows) {
        if (!rows.isEmpty()) parts.add(new Table(head, rows));
    }

    public void picture(Drawing drawing) {
        parts.add(new Picture(drawing));
    }

    public void newSheet() {
        if (!parts.isEmpty()) parts.add(new NewSheet());
    }

    /** Everything of another page, its title as a heading, on sheets of its own. */
    public void append(Page other) {
        newSheet();
        heading(other.title);
        parts.addAll(other.parts);
    }
}
