package keel.app.floor.bring;

import java.util.Optional;
import keel.core.bring.BringField;
import keel.core.bring.BringKind;

/** Writes rows of a kind through the services that forms go through, and takes them back. */
interface RowWriter {

    BringKind kind();

    /**
     * Writes a row that could be read.
     *
     * @return what was written, by the id or code under which it can be taken back; empty where it stands there already
     * @throws keel.app.base.Refused or another of the application's problems where it does not fit
     */
    Optional<String> write(BringRow row);

    /** The moment by which rows must be written, the oldest first; empty where they may be as the table has them. */
    default Optional<BringField> inOrderOf() {
        return Optional.empty();
    }

    void takeBack(String subject);
}
