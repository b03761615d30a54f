package keel.app.fleet;

import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;

/**
 * When an entry was made that a device kept while there was no network: a header of the request that sends it, in the
 * shop's own time. The fields of the form stay as they were, so that an entry that had arrived after all is known by
 * its key.
 */
final class EnteredAt {

    static final String HEADER = "Keel-Entered";

    private EnteredAt() {}

    /** Null where the entry is made now. */
    static String ofThisRequest() {
        return RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes attributes
                ? attributes.getRequest().getHeader(HEADER)
                : null;
    }
}
