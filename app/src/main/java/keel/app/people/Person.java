package keel.app.people;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Version;
import java.time.Instant;

/** Somebody who works in the shop. Leaves by being made inactive, so that the logbook keeps the name. */
@Entity
class Person {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    @Column(name = "sign_in")
    String signIn;

    String name;

    @Enumerated(EnumType.STRING)
    Role role;

    String passwordHash;
    String pinHash;
    boolean active = true;
    Instant createdAt;

    /** Grows with what ends the sessions that were opened before. */
    int door;

    @Version
    int version;

    Actor actor() {
        return new Actor(id, signIn, name, role, null, door);
    }

    /** Rights by PIN end at the keeper's: four digits are not enough for the owner's matters. */
    Actor actorByPin() {
        return new Actor(id, signIn, name, role == Role.OWNER ? Role.KEEPER : role, "PIN", door);
    }

    /** A token has its own role where that is less, and loses what its maker loses. */
    Actor actorByToken(Role given, String token) {
        return new Actor(id, signIn, name, role.atLeast(given) ? given : role, "token " + token, door);
    }
}
