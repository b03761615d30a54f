package keel.app.shell;

/** Reckons again from the raw record what pages and the open interface show. */
public interface ShopAudit {

    /**
     * What was found.
     *
     * @param clean whether nothing was
     * @param words a line for each finding, and one that says how much was looked at
     */
    record Answer(boolean clean, String words) {}

    Answer answer();
}
