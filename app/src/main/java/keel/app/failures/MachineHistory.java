package keel.app.failures;

import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashSet;
import java.util.Set;
import keel.app.fleet.Fleet;
import keel.app.fleet.ShopSettings;
import keel.app.upkeep.MachineNow;
import keel.app.upkeep.PartView;
import keel.core.standing.Defaults;
import keel.core.standing.HoldCode;
import keel.core.standing.MachineKind;
import org.springframework.stereotype.Component;

/**
 * The facts of a machine's history that follow from how it stands now: ages of its parts, work overdue, holds that are open. Facts
 * of the job, of the room and of earlier prints are not among them yet.
 */
@Component
class MachineHistory {

    private static final double NEAR_ITS_LIFE = 0.8;
    private static final int PRINTS_THAT_TILT_A_PLATE = 8;
    private static final Duration NEW_FOR = Duration.ofDays(2);

    private final ShopSettings settings;
    private final Fleet fleet;

    MachineHistory(ShopSettings settings, Fleet fleet) {
        this.settings = settings;
        this.fleet = fleet;
    }

    Set<String> of(MachineNow now, Instant at) {
        Set<String> facts = new LinkedHashSet<>();
        level(now, facts);
        parts(now, at, facts);
        holds(now, facts);
        return facts;
    }

    private void level(MachineNow now, Set<String> facts) {
        boolean levelled = now.levelledAt() != null;
        add(facts, "plate-handled", levelled && !fleet.machine(now.code()).traits().selfLevelling() && now.sinceLevelled().prints() >= PRINTS_THAT_TILT_A_PLATE);
        add(facts, "levelled-recently", levelled && now.sinceLevelled().prints() <= 1);
    }

    private void parts(MachineNow now, Instant at, Set<String> facts) {
        Defaults defaults = settings.defaults();
        String film = now.kind() == MachineKind.LASER_TANK ? "tank" : "film";
        add(facts, "film-old", old(now.film(), defaults.value(film + ".scaleHours"), false));
        add(facts, "film-changed", now.film() != null && now.film().since().isAfter(at.minus(NEW_FOR)) && now.film().usage().prints() <= 2);
        add(facts, "screen-old", old(now.screen(), defaults.value("screen.scaleHours"), true));
        add(facts, "light-old", old(now.light(), defaults.value("light.scaleHours"), false));
        add(facts, "z-unlubricated", now.sinceLubricated().hours() > defaults.value("lubrication.everyHours"));
    }

    private static void holds(MachineNow now, Set<String> facts) {
        add(facts, "machine-moved", held(now, HoldCode.STANCE_UNCHECKED));
        add(facts, "other-resin-added", held(now, HoldCode.RESIN_MIXED));
        add(facts, "crunch-not-inspected", held(now, HoldCode.CRUNCH_NOT_INSPECTED));
    }

    private static boolean old(PartView part, double life, boolean byLight) {
        return part != null && (byLight ? part.usage().uvHours() : part.usage().hours()) > NEAR_ITS_LIFE * life;
    }

    private static boolean held(MachineNow now, HoldCode code) {
        return now.holds().stream().anyMatch(h -> h.code() == code);
    }

    private static void add(Set<String> facts, String fact, boolean so) {
        if (so) {
            facts.add(fact);
        }
    }
}
