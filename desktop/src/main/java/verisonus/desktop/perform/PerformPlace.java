package verisonus.desktop.perform;

/** The questions of this bench. */
enum PerformPlace {
    SOUNDS("sounds", "Which sounds does the song need?"),
    BEAT("beat", "What follows the beat?"),
    FOOT("foot", "What moves under a foot?"),
    SONG("song", "What is played when?"),
    ELSEWHERE("elsewhere", "With less, on other gear, or in a room with a limit?");

    private final String words;
    private final String question;

    PerformPlace(String words, String question) {
        this.words = words;
        this.question = question;
    }

    String words() {
        return words;
    }

    String question() {
        return question;
    }
}
