package keel.app.people;

import java.util.regex.Pattern;

/**
 * What is open to whoever stands there: how things look, and what to do in an emergency, which says nothing of the
 * shop. Neither a sign-in nor a locked screen stands before it.
 */
final class OpenPages {

    /** For the chain of filters, of GET only. */
    static final String[] EMERGENCY = {"/emergency", "/emergency/", "/emergency/*"};

    private static final Pattern EMERGENCY_PAGE = Pattern.compile("/emergency(/[^/]*)?");

    private OpenPages() {}

    static boolean open(String path) {
        return path.startsWith("/static/")
                || path.startsWith("/webjars/")
                || path.equals("/worker.js")
                || EMERGENCY_PAGE.matcher(path).matches();
    }
}
