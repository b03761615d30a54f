package keel.app.people;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;

/** A token of the open interface. Only its hash is kept; it has 256 random bits, so a plain hash will do. */
@Entity
class ApiToken {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    String name;

    @Enumerated(EnumType.STRING)
    Role role;

    @Enumerated(EnumType.STRING)
    TokenScope scope = TokenScope.ALL;

    String tokenHash;
    Long madeBy;
    Instant madeAt;
    Instant endsAt;
    Instant lastUsedAt;
    Instant revokedAt;
}
