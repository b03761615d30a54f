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

    @Version
    int version;

    Actor actor() {
        return new Actor(id, signIn, name, role, null);
    }

    /** Rights by PIN end at the keeper's: four digits are not enough for the owner's matters. */
    Actor actorByPin() {
        return new Actor(id, signIn, name, role == Role.OWNER ? Role.KEEPER : role, "PIN");
    }
}
