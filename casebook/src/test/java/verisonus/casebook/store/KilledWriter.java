package verisonus.casebook.store;

import java.nio.file.Path;

/** Changes a casebook as fast as it can until it is killed; says how many changes were done. */
final class KilledWriter {
    private KilledWriter() {}

    public static void main(String[] args) {
        Casebook book = Casebook.create(Path.of(args[0]));
        long id = book.addCase("case", "", "");
        long medium = book.recordings().addMedium(id, Medium.Role.REFERENCE, "take.wav", CasebookTest.wav(48000 * 30));
        for (int i = 1; i < 100_000; i++) {
            book.recordings().addRegion(medium, Region.Role.NOISE, i % 20, i % 20 + 1);
            System.out.println(i);
            System.out.flush();
        }
    }
}
