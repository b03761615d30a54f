package keel.app.failures;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Lob;
import java.time.Instant;
import org.hibernate.annotations.Immutable;

/** How the owner tuned the knowledge of failures; the latest counts. */
@Entity
@Immutable
class KnowledgeChange {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Instant madeAt;
    long personId;
    String why;

    @Lob
    String content;
}
