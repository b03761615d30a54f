package keel.app.base;

/** Two people edited one thing; carries what is recorded now, so that the second sees both. */
public final class EditedMeanwhile extends RuntimeException {

    private final transient Object recorded;

    /**
     * @param what it is, like "failure"
     * @param recorded as it stands now, as it is read
     */
    public EditedMeanwhile(String what, Object recorded) {
        super("Somebody else changed this " + what
                + " meanwhile. Both versions are shown; nothing of yours was written yet.");
        this.recorded = recorded;
    }

    /** What stands there now. */
    public <T> T recorded(Class<T> type) {
        return type.cast(recorded);
    }

    public Object recorded() {
        return recorded;
    }
}
