package keel.app.standing;

import keel.core.standing.ServiceKind;

/**
 * Something of a machine that nobody said or measured yet: shown as not known, and never evidence.
 *
 * @param code of the part, null where it is about none
 */
public record NotKnown(About about, String code) {

    /** What it is about. */
    public enum About {
        LEVELLED(null, "when it was levelled", "Level it now", ServiceKind.LEVELLING),
        LUBRICATED("lubricatedH", "when its Z axis was greased", "Grease it now", ServiceKind.LUBRICATION),
        ABRADED("abradedH", "when its plate was abraded, or how old it is", "Abrade it now", ServiceKind.PLATE_WORK),
        RESIN("vatEmpty", "what is in its vat", "Say what was poured", null),
        FILM("filmHours", "how long its film was in use before", "Look at the film", null),
        SCREEN(
                "screenUvHours",
                "how long its screen was lit before",
                "Inspect the screen",
                ServiceKind.SCREEN_INSPECTED),
        LIGHT("lightHours", "how long its light engine was in use before", null, null);

        private final String field;
        private final String words;
        private final String instead;
        private final ServiceKind task;

        About(String field, String words, String instead, ServiceKind task) {
            this.field = field;
            this.words = words;
            this.instead = instead;
            this.task = task;
        }

        /** What it is called where it is said; null where it is not said but done. */
        public String field() {
            return field;
        }

        /** As in "not known: when it was levelled". */
        public String words() {
            return words;
        }

        /** What makes it known without anybody remembering; null where nothing does. */
        public String instead() {
            return instead;
        }

        /** The work that makes it known; null where it is another page, or nothing. */
        public ServiceKind task() {
            return task;
        }
    }
}
