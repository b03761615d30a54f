package keel.app.floor.bring;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;

/** Something that was written from a table: the id of a run or failure, the code of a machine or item. */
@Entity
class BroughtRow {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long broughtId;
    String subject;

    protected BroughtRow() {}

    BroughtRow(long broughtId, String subject) {
        this.broughtId = broughtId;
        this.subject = subject;
    }
}
