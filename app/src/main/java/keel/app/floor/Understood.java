package keel.app.floor;

import java.time.Instant;
import java.util.List;
import keel.core.quick.Reading;

/**
 * How a line was read, and what came of it.
 *
 * @param understood whether it is clear
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
        List<Reading.Choice> choices,
        boolean committed,
        String path,
        Long undo,
        Instant undoUntil) {

    static Understood of(Reading reading, String path) {
        return new Understood(reading.understood(), reading.words(), reading.choices(), false, path, null, null);
    }
}
