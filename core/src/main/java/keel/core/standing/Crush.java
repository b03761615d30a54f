package keel.core.standing;

import java.util.Collection;
import java.util.Collections;
import java.util.Set;

/**
 * What may have been pressed onto film and screen hard enough to harm them: a crunch that was heard, or something that
 * fell in. Common practice, no source.
 */
public final class Crush {

    private static final String HEARD = "crunch";

    /** Facts of history after which a crush is likely. */
    private static final Set<String> FACTS = Set.of("print-not-cleared", "plate-dropped", "crunch-not-inspected");

    private Crush() {}

    /** Whether a failure with these symptoms was one. */
    public static boolean heard(Collection<String> symptoms) {
        return symptoms.contains(HEARD);
    }

    /** Whether an entry of this kind is one. */
    public static boolean by(ServiceKind service) {
        return service == ServiceKind.PLATE_DROPPED;
    }

    /** Whether what was seen, or what is known of the days before, speaks for one. */
    public static boolean likely(Collection<String> symptoms, Collection<String> history) {
        return heard(symptoms) || !Collections.disjoint(history, FACTS);
    }
}
