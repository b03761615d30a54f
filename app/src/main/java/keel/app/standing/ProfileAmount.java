package keel.app.standing;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import java.io.Serializable;
import keel.core.profile.Setting;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** One setting of a version. */
@Entity
@Immutable
@Synchronize("profile_setting")
@IdClass(ProfileAmount.Key.class)
class ProfileAmount {

    record Key(long versionId, Setting setting) implements Serializable {}

    @Id
    long versionId;

    @Id
    @Enumerated(EnumType.STRING)
    Setting setting;

    double amount;
}
