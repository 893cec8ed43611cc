package verisonus.cli.files;

import picocli.CommandLine.Option;

/** The options every command has. */
public abstract class CommonOptions {
    @Option(names = "--verbose", description = "say more when something fails")
    @SuppressWarnings("unused") // read from the arguments where a failure is reported
    private boolean verbose;

    /** In which words can be asked for. */
    enum Language {
        EN,
        DE
    }

    /** Says so where a language is not spoken yet; documents and tables are the same in every one. */
    @Option(names = "--lang", paramLabel = "en|de", description = "language of words (German is still said in English); JSON and CSV do not change")
    @SuppressWarnings("unused") // called by the parser
    private void speak(Language language) {
        if (language == Language.DE)
            System.err.println("verisonus: --lang de: German is not spoken yet; said in English");
    }
}
