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
 * @param subject who the step is for: "Curlew", "vat V7"
 * @param home path of its page
 * @param machine code of the machine that it is, or that the vat is on; null for a vat on the shelf
 * @param vat code of the vat, null where the guide is for a machine
 * @param others all that are gone through in this sitting, one where there is only this
 * @param step the step that is next, null when only the summary is left
 * @param number its place on the path, from 1
 * @param of steps on the path as it looks now
 * @param tightening the bolts to turn at this step, null if none
 * @param begun whether a step is done that can be taken back
 * @param pausedAt since when it is paused, null while it goes on
 * @param boltsDone bolts turned at this step, over all passes
 * @param state open, finished or given up
 */
public record SessionView(
        long id,
        Procedure procedure,
        String subject,
        String home,
        String machine,
        String vat,
        List<Other> others,
        Step step,
        int number,
        int of,
        boolean begun,
        Map<String, String> answers,
        Tightening tightening,
        int boltsDone,
        List<Note> notes,
        Instant startedAt,
        String startedBy,
        Instant touchedAt,
        String touchedBy,
        Instant pausedAt,
        State state,
        int version) {

    /** Where a session is. */
    public enum State {
        OPEN,
        FINISHED,
        GIVEN_UP
    }

    /** One of those that are gone through, with how far it has come. */
    public record Other(
            String name, String path, String machine, String step, boolean current, Map<String, String> answers) {}

    /** What was noted at a step. */
    public record Note(String step, String text, String person) {}

    /** Whether several vats are gone through in one sitting. */
    public boolean sitting() {
        return others.size() > 1;
    }

    public boolean atEnd() {
        return step == null;
    }

    /** All bolts of all passes. */
    public int boltsInAll() {
        return tightening == null
                ? 0
                : tightening.passes().stream().mapToInt(p -> p.order().size()).sum();
    }
}
