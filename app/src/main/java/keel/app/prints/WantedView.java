package keel.app.prints;

import java.time.Instant;
import java.util.Map;

/**
 * A job that waits, or that did.
 *
 * @param resinName null where any will do
 * @param fixedMachine code of the machine that somebody wants it on, null where it is free
 * @param fixedAt when, null for whenever that machine is free
 * @param attempts runs of it since it was asked for, that going on included
 * @param run id of the run that goes on, null where none does
 * @param doneBy id of the run that it came out of, null where none did
 */
public record WantedView(
        long id,
        JobEntry entry,
        String resinName,
        Instant askedAt,
        String person,
        String fixedMachine,
        Instant fixedAt,
        State state,
        int attempts,
        Long run,
        Long doneBy,
        int version) {

    /** Where it stands. */
    public enum State {
        WAITING("waits"),
        PRINTING("is printing"),
        DONE("came out"),
        DROPPED("is not wanted any more");

        private final String words;

        State(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    public Map<String, Object> stands() {
        return entry.stands();
    }

    public String name() {
        return entry.name();
    }
}
