package keel.app.fleet;

import java.time.Instant;

/**
 * Something odd that no repair mends.
 *
 * @param scope what it belongs to
 * @param holder code of the machine or model, name of the controller, version of the firmware
 * @param code fact of history that it stands for in the diagnosis, null if none
 * @param workaround how to live with it
 */
public record Quirk(
        long id,
        Scope scope,
        String holder,
        String code,
        String text,
        String workaround,
        Instant notedAt,
        String notedBy) {

    /** What a quirk belongs to, from one machine to all with the same part. */
    public enum Scope {
        MACHINE("this machine"),
        MODEL("the model"),
        CONTROLLER("the controller"),
        FIRMWARE("the firmware");

        private final String words;

        Scope(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }
}
