package keel.app.stores;

import java.util.List;

/** What the lines of a cost are called; all of them, in the order in which pages show them. */
final class CostLines {

    static final String RESIN = "Resin";
    static final String FILM = "Film";
    static final String SCREEN = "Screen";
    static final String LOST = "Resin lost";
    static final String SHARED = "Gloves, towels, filters, alcohol";
    static final List<String> ALL = List.of(RESIN, FILM, SCREEN, "Work", "Energy", "Plate", SHARED, LOST);

    private CostLines() {}
}
