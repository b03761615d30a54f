package keel.app.standing;

import jakarta.persistence.Entity;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** A part, wherever it is. */
@Entity
@Immutable
@Synchronize({"component", "fitting", "machine", "machine_model", "meter"})
class PartAnywhere extends PartWithUse {}
