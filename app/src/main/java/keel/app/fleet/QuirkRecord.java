package keel.app.fleet;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

/** What is odd about a machine, a model, a controller or a firmware. */
@Entity
@Table(name = "quirk")
class QuirkRecord {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    @Enumerated(EnumType.STRING)
    Quirk.Scope scope;

    String holder;
    String code;
    String text;
    String workaround;
    Instant notedAt;
    long personId;
    Instant retiredAt;
}
