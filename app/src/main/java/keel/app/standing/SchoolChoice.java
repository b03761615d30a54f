package keel.app.standing;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import keel.core.life.ChangeSchool;
import keel.core.standing.PartUse;
import org.hibernate.annotations.Immutable;

/** By which school a kind of part is changed from then on. */
@Entity
@Immutable
@Table(name = "change_school")
class SchoolChoice {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    @Enumerated(EnumType.STRING)
    PartUse.UsedPart kind;

    @Enumerated(EnumType.STRING)
    ChangeSchool school;

    Instant madeAt;
    long personId;
}
