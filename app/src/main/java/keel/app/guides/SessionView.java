package keel.app.guides;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import keel.core.bolts.Tightening;
import keel.core.guide.Procedure;
import keel.core.guide.Step;

/**
 * A procedure as far as somebody has come.
 *
 * @param step       the step that is next, null when only the summary is left
 * @param number     its place on the path, from 1
 * @param of         steps on the path as it looks now
 * @param tightening the bolts to turn at this step, null if none
 * @param boltsDone  bolts turned at this step, over all passes
 * @param state      open, finished or given up
 */
public record SessionView(long id, Procedure procedure, String machine, String machineName, Step step, int number, int of,
                          Map<String, String> answers, Tightening tightening, int boltsDone, List<Note> notes, Instant startedAt,
                          String startedBy, Instant touchedAt, String touchedBy, State state, int version) {

    /** Where a session is. */
    public enum State { OPEN, FINISHED, GIVEN_UP }

    /** What was noted at a step. */
    public record Note(String step, String text, String person) {}

    public boolean atEnd() {
        return step == null;
    }

    /** All bolts of all passes. */
    public int boltsInAll() {
        return tightening == null ? 0 : tightening.passes().stream().mapToInt(p -> p.order().size()).sum();
    }
}
