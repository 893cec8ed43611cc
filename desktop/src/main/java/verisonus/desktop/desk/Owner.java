package verisonus.desktop.desk;

/** To whom the result of a piece of work belongs. Both questions may be asked on any thread. */
interface Owner {
    /** The casebook as a whole: it is there and in sight as long as the window stands. */
    Owner BOOK = new Owner() {
        @Override
        public boolean isThere() { return true; }

        @Override
        public boolean isShown() { return true; }
    };

    /** Whether a result can be kept with it. */
    boolean isThere();

    /** Whether the player is looking at it, so that a result may be shown. */
    boolean isShown();
}
