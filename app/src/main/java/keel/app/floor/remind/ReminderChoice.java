package keel.app.floor.remind;

import jakarta.persistence.CollectionTable;
import jakarta.persistence.Column;
import jakarta.persistence.ElementCollection;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.FetchType;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.Version;
import java.util.EnumSet;
import java.util.Set;
import keel.core.round.RemindOf;

/** What a person wants to be reminded of, and how. */
@Entity
class ReminderChoice {

    @Id
    Long personId;

    boolean atPage;
    boolean sound;
    String mail;
    Integer quietFrom;
    Integer quietTo;
    Long thenId;
    int afterMinutes;

    @ElementCollection(fetch = FetchType.EAGER)
    @CollectionTable(name = "reminder_kind", joinColumns = @JoinColumn(name = "person_id"))
    @Column(name = "kind")
    @Enumerated(EnumType.STRING)
    Set<RemindOf> kinds = EnumSet.noneOf(RemindOf.class);

    @Version
    int version;
}
