package keel.app.film;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import keel.app.fleet.Fleet;
import keel.app.prints.InForce;
import keel.app.prints.ProfileView;
import keel.app.prints.Profiles;
import keel.core.film.ClearExposure;
import keel.core.film.Clouding;
import keel.core.profile.Setting;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * What a film's clouding means for the exposure of the profile that is in force, against the film that the profile was
 * made through.
 */
@Service
@Transactional(readOnly = true)
public class FilmExposure {

    private final Fleet fleet;
    private final Profiles profiles;
    private final FilmLooks looks;
    private final VatRecords records;

    FilmExposure(Fleet fleet, Profiles profiles, FilmLooks looks, VatRecords records) {
        this.fleet = fleet;
        this.profiles = profiles;
        this.looks = looks;
        this.records = records;
    }

    /**
     * @param exposureS of the profile
     * @param sameDoseS what gives the same dose through the film as it is now
     * @param then transmittance of the film that it was made through
     * @param metered whether that was metered, rather than taken for a clear film's
     * @param now transmittance now, metered or as usual for what was seen
     */
    record Clouded(
            String resin,
            double exposureS,
            double sameDoseS,
            double then,
            boolean metered,
            double now,
            boolean meteredNow) {

        /** Longer by so much that a change of the profile is worth it. */
        public boolean matters() {
            return Math.abs(sameDoseS / exposureS - 1) >= 0.05;
        }
    }

    /** Empty for a vat on the shelf, without a profile, or whose film nobody looked at. */
    public Optional<Clouded> of(Vats.Vat vat, List<FilmLooks.Look> seen) {
        FilmLooks.Look last =
                seen.stream().filter(l -> l.grade() != null).findFirst().orElse(null);
        if (vat.machine() == null || last == null) {
            return Optional.empty();
        }
        long machine = fleet.machine(vat.machine()).id();
        return profiles.inForce(machine, last.at()).map(p -> {
            Optional<Double> then = filmWhen(machine, madeAt(vat.machine(), p))
                    .flatMap(f -> looks.transmittanceNear(f, madeAt(vat.machine(), p)));
            double was = then.orElse(Clouding.CLEAR.usualTransmittance());
            double is = last.transmittance() != null
                    ? last.transmittance()
                    : last.grade().usualTransmittance();
            double exposureS = p.settings().value(Setting.EXPOSURE_S);
            return new Clouded(
                    p.resin(),
                    exposureS,
                    ClearExposure.seconds(exposureS, was, is),
                    was,
                    then.isPresent(),
                    is,
                    last.transmittance() != null);
        });
    }

    private Instant madeAt(String machine, InForce p) {
        return profiles.of(machine, p.resin())
                .version(p.number())
                .map(ProfileView.Version::madeAt)
                .orElseThrow();
    }

    private Optional<Long> filmWhen(long machine, Instant at) {
        return records.filmsAt(machine, at).stream().findFirst();
    }
}
