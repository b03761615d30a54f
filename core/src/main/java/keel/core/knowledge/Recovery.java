package keel.core.knowledge;

import java.util.List;
import keel.core.standing.Caution;
import keel.core.standing.ServiceKind;

/**
 * What mends a cause.
 *
 * @param what what is done, in order
 * @param work entries at the bench that show that it was done, in order
 * @param page where it is done if not at the bench
 * @param salvage how a part can sometimes be saved, null if it cannot
 */
public record Recovery(List<String> what, List<ServiceKind> work, Page page, Caution caution, String salvage) {

    /** Where settings or job are changed. */
    public enum Page {
        NONE,
        PROFILE,
        SCALE,
        JOB
    }
}
