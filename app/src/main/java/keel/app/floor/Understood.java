package keel.app.floor;

import java.time.Instant;
import java.util.List;
import java.util.stream.Stream;
import keel.core.find.Findable;
import keel.core.quick.Reading;

/**
 * How a line was read, and what came of it.
 *
 * @param understood whether it is an entry, and clear
 * @param reading the reading in words, or what is not clear
 * @param choices nearest lines that would be clear
 * @param committed whether it was written
 * @param path page of what was named or written, null where there is none
 * @param undo number to take it back with, null where nothing was written
 * @param undoUntil until when
 */
public record Understood(
        boolean understood,
        String reading,
        List<Choice> choices,
        boolean committed,
        String path,
        Long undo,
        Instant undoUntil) {

    /**
     * Something to choose from.
     *
     * @param kind LINE for a line that would be clear, FIND for something that was found
     * @param line that line, or the name of what was found
     * @param reading what the line would mean, or what kind of thing was found
     * @param url where what was found is; null for a line
     */
    public record Choice(String kind, String line, String reading, String url) {

        static final String LINE = "LINE";
        static final String FIND = "FIND";
    }

    /** @param found what the line finds where it is no entry */
    static Understood of(Reading reading, String path, List<Findable> found) {
        return new Understood(
                reading.understood(),
                reading.words(),
                Stream.concat(
                                lines(reading).stream(),
                                found.stream().map(f -> new Choice(Choice.FIND, f.name(), f.kind(), f.url())))
                        .toList(),
                false,
                path,
                null,
                null);
    }

    static List<Choice> lines(Reading reading) {
        return reading.choices().stream()
                .map(c -> new Choice(Choice.LINE, c.line(), c.reading(), null))
                .toList();
    }
}
