package keel.app.prints;

import java.math.BigDecimal;
import java.time.Instant;
import java.util.Map;
import org.springframework.web.util.UriComponentsBuilder;

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

    /** The start gate of a machine, with what this job says of itself. */
    public String startPath(String machine) {
        UriComponentsBuilder path =
                UriComponentsBuilder.fromPath("/machines/{machine}/start").queryParam("job", "{job}");
        JobEntry.Size size = entry.size();
        if (size.widthMm() != null && size.depthMm() != null) {
            path.queryParam("footprint", side(size.widthMm()) + " x " + side(size.depthMm()));
        }
        return path.encode().buildAndExpand(machine, name()).toUriString();
    }

    private static String side(double mm) {
        return BigDecimal.valueOf(mm).stripTrailingZeros().toPlainString();
    }

    public Map<String, Object> stands() {
        return entry.stands();
    }

    public String name() {
        return entry.name();
    }
}
