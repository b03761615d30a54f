package keel.app.stores;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import keel.app.air.Air;
import keel.app.base.Refused;
import keel.app.fleet.ShopSettings;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.app.standing.MachineNow;
import keel.core.Findings;
import keel.core.resin.Warmth;
import keel.core.standing.Defaults;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** How warm the resin in a machine is: by its own thermometer for some hours, by its room otherwise. */
@Service
@Transactional
public class Warmths {

    /** Resin takes the room's warmth within hours. */
    private static final Duration OWN_COUNTS = Duration.ofHours(2);

    private final ResinWarmths measured;
    private final Resins resins;
    private final ResinRecords records;
    private final Air air;
    private final ShopSettings settings;
    private final Logbook logbook;
    private final Clock clock;

    Warmths(
            ResinWarmths measured,
            Resins resins,
            ResinRecords records,
            Air air,
            ShopSettings settings,
            Logbook logbook,
            Clock clock) {
        this.measured = measured;
        this.resins = resins;
        this.records = records;
        this.air = air;
        this.settings = settings;
        this.logbook = logbook;
        this.clock = clock;
    }

    /** What is known, and how many hours ago that was read. */
    public record Read(Warmth warmth, double hoursAgo) {}

    /** Empty where neither its resin nor its room was ever read. */
    @Transactional(readOnly = true)
    public Optional<Read> of(MachineNow m) {
        Optional<ResinView> resin = m.resin() == null ? Optional.empty() : resins.find(m.resin());
        Defaults defaults = settings.defaults();
        double low = resin.map(ResinView::temperatureFromC).orElse(defaults.value("resin.lowC"));
        double high = resin.map(ResinView::temperatureToC).orElse(defaults.value("resin.highC"));
        Instant now = clock.instant();
        Optional<ResinWarmth> own =
                measured.findByMachineIdAndAtAfterOrderByAtDesc(m.id(), now.minus(OWN_COUNTS), Limit.of(1)).stream()
                        .findFirst();
        if (own.isPresent()) {
            ResinWarmth w = own.get();
            return Optional.of(new Read(new Warmth(w.celsius, true, low, high), hours(w.at, now)));
        }
        Air.RoomNow room = air.room(m.room());
        return room.at() == null
                ? Optional.empty()
                : Optional.of(new Read(new Warmth(room.temperatureC(), false, low, high), hours(room.at(), now)));
    }

    /**
     * Writes down what a thermometer in the resin showed.
     *
     * @throws Refused if it cannot be
     */
    public void measure(MachineNow m, Double celsius) {
        Actor actor = Actor.current();
        Findings findings = new Findings();
        findings.range(celsius, -10, 60, "resinC", "The resin's temperature", "°C");
        Refused.unless(findings);
        ResinWarmth w = new ResinWarmth();
        w.machineId = m.id();
        w.resinId = m.resin() == null
                ? null
                : records.findByCode(m.resin()).map(r -> r.id).orElse(null);
        w.at = clock.instant();
        w.celsius = celsius;
        w.personId = actor.personId();
        measured.save(w);
        logbook.write(LogDraft.of(
                LogKind.RESIN_MEASURED,
                m.id(),
                "RESIN_WARMTH",
                w.id,
                w.at,
                String.format(Locale.ROOT, "Resin in %s measured: %.1f °C.", m.name(), celsius),
                Map.of("celsius", celsius),
                actor));
    }

    private static double hours(Instant at, Instant now) {
        return Duration.between(at, now).toMinutes() / 60.0;
    }
}
