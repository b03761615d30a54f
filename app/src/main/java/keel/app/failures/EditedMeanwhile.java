package keel.app.failures;

/** Two people edited one failure; carries what is recorded now, so that the second sees both. */
public final class EditedMeanwhile extends RuntimeException {

    private final transient FailureView recorded;

    EditedMeanwhile(FailureView recorded) {
        super("Somebody else changed this failure meanwhile. Both versions are shown; nothing of yours was "
                + "written yet.");
        this.recorded = recorded;
    }

    public FailureView recorded() {
        return recorded;
    }
}
