package keel.app.standing;

import jakarta.persistence.Entity;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** A part that is fitted now. */
@Entity
@Immutable
@Synchronize({"component", "fitting", "machine", "machine_model", "meter"})
class PartFitted extends PartWithUse {}
