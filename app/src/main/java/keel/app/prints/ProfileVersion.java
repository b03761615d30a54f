package keel.app.prints;

import jakarta.persistence.CollectionTable;
import jakarta.persistence.Column;
import jakarta.persistence.ElementCollection;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.FetchType;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.MapKeyColumn;
import jakarta.persistence.MapKeyEnumerated;
import java.time.Instant;
import java.util.EnumMap;
import java.util.Map;
import keel.core.profile.ProfileSettings;
import keel.core.profile.Setting;
import org.hibernate.annotations.BatchSize;

/** One version of a profile. It is written once. */
@Entity
class ProfileVersion {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long profileId;
    int number;
    Instant madeAt;
    Long personId;
    String why;
    Integer backTo;

    @ElementCollection(fetch = FetchType.EAGER)
    @CollectionTable(name = "profile_setting", joinColumns = @JoinColumn(name = "version_id"))
    @MapKeyColumn(name = "setting")
    @MapKeyEnumerated(EnumType.STRING)
    @Column(name = "amount")
    @BatchSize(size = 100)
    Map<Setting, Double> amounts = new EnumMap<>(Setting.class);

    ProfileSettings settings() {
        return ProfileSettings.of(amounts);
    }
}
