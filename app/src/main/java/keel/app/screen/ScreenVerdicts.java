package keel.app.screen;

import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import keel.app.fleet.ShopSettings;
import keel.app.standing.Footprints;
import keel.app.standing.MachineNow;
import keel.core.placement.Footprint;
import keel.core.placement.PlacedPart;
import keel.core.screen.ScreenInspection.Spot;
import keel.core.screen.ScreenVerdict;
import keel.core.standing.Defaults;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Judges the screens of machines by their spots, by what is printed on them, and by their age. */
@Service
@Transactional(readOnly = true)
public class ScreenVerdicts {

    private static final int RUNS = 30;

    private final ScreenSpots spots;
    private final Footprints footprints;
    private final ShopSettings settings;

    ScreenVerdicts(ScreenSpots spots, Footprints footprints, ShopSettings settings) {
        this.spots = spots;
        this.footprints = footprints;
        this.settings = settings;
    }

    /** Empty for a machine without a screen. */
    public Optional<ScreenVerdict> of(MachineNow m) {
        return Optional.ofNullable(all(List.of(m)).get(m.id()));
    }

    /** By the machine's number. */
    public Map<Long, ScreenVerdict> all(List<MachineNow> machines) {
        Map<Long, ScreenVerdict> verdicts = new HashMap<>();
        Map<Long, List<ScreenSpots.Last>> seen = spots.lastTwo();
        Map<Long, List<Footprint.Parts>> printed = footprints.recent(
                seen.entrySet().stream()
                        .filter(e -> !e.getValue().get(0).spots().isEmpty())
                        .map(Map.Entry::getKey)
                        .filter(machines.stream().map(MachineNow::id).collect(Collectors.toSet())::contains)
                        .toList(),
                RUNS);
        Defaults defaults = settings.defaults();
        for (MachineNow m : machines) {
            if (m.screenUse() != null) {
                verdicts.put(
                        m.id(),
                        verdict(
                                m,
                                seen.getOrDefault(m.id(), List.of()),
                                usual(printed.getOrDefault(m.id(), List.of())),
                                defaults));
            }
        }
        return verdicts;
    }

    private ScreenVerdict verdict(
            MachineNow m, List<ScreenSpots.Last> seen, ScreenVerdict.Size usual, Defaults defaults) {
        List<Spot> now = seen.isEmpty() ? List.of() : seen.get(0).spots();
        double fails = m.screenUse().failsWithin(defaults.value("job.typicalHours"), m.uvShare());
        return ScreenVerdict.of(new ScreenVerdict.Known(
                now,
                seen.isEmpty() ? List.of() : seen.get(0).hidden(),
                ScreenSpots.newOrGrown(seen),
                m.plateWidthMm(),
                m.plateDepthMm(),
                usual,
                fails,
                defaults.value("due.failureChance"),
                !seen.isEmpty()));
    }

    /** The middle one, by area, of the largest parts of the last runs; null where none is known. */
    private static ScreenVerdict.Size usual(List<Footprint.Parts> runs) {
        List<PlacedPart> largest = runs.stream()
                .map(Footprint.Parts::parts)
                .map(parts -> parts.stream()
                        .max(Comparator.comparingDouble(ScreenVerdicts::area))
                        .orElseThrow())
                .sorted(Comparator.comparingDouble(ScreenVerdicts::area))
                .toList();
        if (largest.isEmpty()) {
            return null;
        }
        PlacedPart middle = largest.get(largest.size() / 2);
        return new ScreenVerdict.Size(2 * middle.halfAcross(), 2 * middle.halfDeep());
    }

    private static double area(PlacedPart p) {
        return p.lengthMm() * p.widthMm();
    }
}
