package keel.app.base;

import org.springframework.dao.DataIntegrityViolationException;

/** What was set up by mistake goes again, as long as nothing on record hangs on it. */
public final class Removal {

    private Removal() {}

    /**
     * @param removes one row, at once
     * @throws Conflict at the field where the database knows of something that names it
     */
    public static void of(String field, String name, Runnable removes) {
        try {
            removes.run();
        } catch (DataIntegrityViolationException e) {
            throw new Conflict(field, "Something on record names " + name + ": it stays.");
        }
    }
}
