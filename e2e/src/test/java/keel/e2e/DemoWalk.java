package keel.e2e;

import org.junit.jupiter.api.AfterEach;

/** A walk through the demo in a browser: whatever it is about, the browser has nothing to complain of. */
abstract class DemoWalk {

    final Browsing browsing = Demo.browsing();

    @AfterEach
    void theBrowserHadNothingToComplainOf() {
        browsing.noComplaints();
    }
}
