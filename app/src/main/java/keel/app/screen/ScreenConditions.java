package keel.app.screen;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import keel.app.base.Remembered;
import keel.app.fleet.ComponentKind;
import keel.app.standing.ConditionChanged;
import keel.app.standing.Conditions;
import keel.app.standing.PartView;
import keel.app.standing.PartsReading;
import keel.app.standing.RunsChanged;
import keel.app.standing.SeenParts;
import keel.core.condition.FadingPath;
import keel.core.condition.LightCondition;
import keel.core.condition.ScreenCondition;
import keel.core.standing.PartCondition;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.event.TransactionalEventListener;

/** In which condition screens and light engines are: by the last two inspections, and by the maps of their light. */
@Service
@Transactional(readOnly = true)
public class ScreenConditions implements SeenParts {

    private final ScreenSpots spots;
    private final UvMaps maps;
    private final PartsReading parts;
    private final Conditions films;
    private final Remembered<Map<Long, PartCondition>> fitted = new Remembered<>();

    ScreenConditions(ScreenSpots spots, UvMaps maps, PartsReading parts, Conditions films) {
        this.spots = spots;
        this.maps = maps;
        this.parts = parts;
        this.films = films;
    }

    @Override
    public Map<Long, PartCondition> fitted() {
        return fitted.get(this::reckoned);
    }

    @TransactionalEventListener(fallbackExecution = true)
    @Transactional(propagation = Propagation.NOT_SUPPORTED)
    void changed(ConditionChanged changed) {
        fitted.forget();
    }

    @TransactionalEventListener(fallbackExecution = true)
    @Transactional(propagation = Propagation.NOT_SUPPORTED)
    void changed(RunsChanged changed) {
        fitted.forget();
    }

    private Map<Long, PartCondition> reckoned() {
        Map<Long, List<ScreenSpots.Last>> seen = spots.lastTwo();
        Map<Long, List<UvMaps.LightMapped>> read =
                maps.ofLights().stream().collect(Collectors.groupingBy(UvMaps.LightMapped::light));
        Map<Long, PartCondition> conditions = new HashMap<>();
        parts.fitted(null)
                .forEach((machine, on) -> on.forEach(p -> {
                    if (p.kind() == ComponentKind.SCREEN && seen.containsKey(machine)) {
                        conditions.put(p.id(), screen(seen.get(machine)));
                    } else if (p.kind() == ComponentKind.LIGHT) {
                        light(machine, p, read.getOrDefault(p.id(), List.of()), conditions);
                    }
                }));
        return conditions;
    }

    private static ScreenCondition screen(List<ScreenSpots.Last> seen) {
        ScreenSpots.Last last = seen.get(0);
        return new ScreenCondition(last.spots(), ScreenSpots.newOrGrown(seen), last.clean(), null, last.at());
    }

    /** Two maps through the same screen are what it takes to see it fade. */
    private void light(
            long machine, PartView light, List<UvMaps.LightMapped> maps, Map<Long, PartCondition> conditions) {
        List<UvMaps.LightMapped> alike = maps.isEmpty()
                ? List.of()
                : maps.stream()
                        .filter(m -> Objects.equals(m.screen(), maps.get(0).screen()))
                        .toList();
        if (alike.size() < 2) {
            return;
        }
        UvMaps.LightMapped first = alike.get(alike.size() - 1);
        List<FadingPath.Reading> readings = new ArrayList<>();
        alike.stream()
                .filter(m -> m.hours() > first.hours() && m.mean() > 0 && first.mean() > 0)
                .forEach(m -> readings.add(
                        new FadingPath.Reading(m.hours() - first.hours(), Math.log(first.mean() / m.mean()))));
        if (!readings.isEmpty()) {
            Instant at = alike.get(0).at();
            FadingPath path = FadingPath.LIGHT.after(readings, FadingPath.READING_SD);
            conditions.put(
                    light.id(),
                    new LightCondition(
                            path,
                            Math.max(0, light.usage().uvHours() - first.hours()),
                            films.madeUp(machine, first.at()),
                            at));
        }
    }
}
