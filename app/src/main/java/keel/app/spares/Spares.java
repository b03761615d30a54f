package keel.app.spares;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import keel.app.fleet.ShopSettings;
import keel.app.upkeep.MachineNow;
import keel.app.upkeep.Standings;
import keel.core.spares.SpareDemand;
import keel.core.standing.Defaults;
import keel.core.standing.MachineState;
import keel.core.standing.PartUse;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Spares of films, tanks and screens, machines of a model together: from what is in service now, how old it is, how long such parts last and how much each machine prints. */
@Service
@Transactional(readOnly = true)
class Spares {

    private static final int SHOWN_BEYOND = 2;

    private final Standings standings;
    private final ShopSettings settings;

    Spares(Standings standings, ShopSettings settings) {
        this.standings = standings;
        this.settings = settings;
    }

    /** A stock, and the chance that somebody waits with it. */
    record Level(int stock, double waits, boolean wanted) {}

    /**
     * Parts of a kind that fit one model.
     *
     * @param inService how many are in machines, {@code ends} from how many the life is known
     * @param expected  ends within the lead time, {@code perYear} in a year at this pace
     * @param stock     that is wanted, {@code tiedUp} what it costs
     * @param levels    chance of waiting by stock
     */
    record Line(PartUse.Part kind, String model, int inService, String knownFrom, double expected, double perYear, int stock, double tiedUp, List<Level> levels) {}

    private record Used(MachineNow machine, PartUse part) {}

    List<Line> lines(double leadDays, double serviceLevel) {
        Defaults defaults = settings.defaults();
        Map<String, List<Used>> byKind = new TreeMap<>(standings.all().stream().filter(m -> m.standing().state() != MachineState.OFF)
                .flatMap(m -> m.worn().stream().filter(p -> p.part() != PartUse.Part.LIGHT).map(p -> new Used(m, p)))
                .collect(Collectors.groupingBy(u -> u.part().part().ordinal() + " " + u.machine().model())));
        return byKind.values().stream().map(used -> line(used, leadDays, serviceLevel, defaults)).toList();
    }

    private static Line line(List<Used> used, double leadDays, double serviceLevel, Defaults defaults) {
        PartUse.Part kind = used.get(0).part().part();
        SpareDemand demand = demand(used, leadDays);
        int stock = demand.stockFor(serviceLevel);
        List<Level> levels = new ArrayList<>(IntStream.rangeClosed(0, stock + SHOWN_BEYOND).mapToObj(n -> new Level(n, Math.max(0, 1 - demand.enough(n)), n == stock)).toList());
        return new Line(kind, used.get(0).machine().model(), used.size(), used.get(0).part().life().knownFrom(), demand.expected(), demand.expected() * 365 / leadDays, stock,
                stock * defaults.value(kind.prefix() + ".price"), levels);
    }

    private static SpareDemand demand(List<Used> used, double leadDays) {
        return SpareDemand.of(used.stream().map(u -> new SpareDemand.InService(u.part().life().span(), u.part().age(),
                u.part().life().use(u.machine().hoursPerDay() * leadDays, u.machine().uvShare()))).toList());
    }
}
