package keel.app.floor.web;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import keel.app.base.NotThere;
import keel.app.base.Refused;
import keel.app.failures.Failures;
import keel.app.fleet.Fleet;
import keel.app.fleet.MachineRef;
import keel.app.fleet.Parts;
import keel.app.prints.Runs;
import keel.core.standing.MachineKind;
import org.springframework.stereotype.Component;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;

/**
 * The tabs of a machine, the same on every page about it: its own pages, its vat's, its runs' and its failures'. Asked
 * for by the frame, so that no page has to know of them.
 */
@Component("tabs")
class MachineTabs {

    private static final Pattern MACHINE = Pattern.compile("/machines/([a-z0-9-]+)(?:/([a-z-]+)(?:/.*)?)?");
    private static final Pattern VAT = Pattern.compile("/vats/([A-Za-z0-9-]+)(?:/.*)?");
    private static final Pattern RUN = Pattern.compile("/runs/(\\d+)(?:/.*)?");
    private static final Pattern FAILURE = Pattern.compile("/failures/(\\d+)(?:/.*)?");
    private static final List<String> AT_THE_BENCH =
            List.of("bench", "services", "stance", "level", "first-layer", "pour", "guides", "do");
    private static final List<String> OF_THE_SCREEN = List.of("screen", "layers", "smoothing");

    private final Fleet fleet;
    private final Parts parts;
    private final Runs runs;
    private final Failures failures;

    MachineTabs(Fleet fleet, Parts parts, Runs runs, Failures failures) {
        this.fleet = fleet;
        this.parts = parts;
        this.runs = runs;
        this.failures = failures;
    }

    /** A tab; {@code here} is the page that is shown, or what it belongs to. */
    public record Tab(String name, String path, boolean here) {}

    /** @param fleet whether the page is one of the fleet's, and not of the runs' or failures' */
    public record Strip(String machine, String path, List<Tab> tabs, boolean fleet) {}

    /** The tabs of the machine that the page is about; null where it is about none. */
    public Strip here() {
        return RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes request
                ? of(request.getRequest().getRequestURI())
                : null;
    }

    Strip of(String path) {
        try {
            Matcher machine = MACHINE.matcher(path);
            if (machine.matches()) {
                String page = machine.group(2) == null ? "" : machine.group(2);
                return strip(fleet.machine(machine.group(1)), tab(page), true);
            }
            Matcher vat = VAT.matcher(path);
            if (vat.matches()) {
                Long on = parts.machineOfVat(parts.vat(vat.group(1), "vat").id());
                return on == null ? null : strip(fleet.machine(on), "Film", true);
            }
            return record(path)
                    .map(code -> strip(fleet.machine(code), "History", false))
                    .orElse(null);
        } catch (NotThere | Refused e) {
            return null;
        }
    }

    private Optional<String> record(String path) {
        Matcher run = RUN.matcher(path);
        Matcher failure = FAILURE.matcher(path);
        if (run.matches()) {
            return Optional.of(runs.one(Long.parseLong(run.group(1))).machine());
        }
        return failure.matches()
                ? Optional.of(failures.one(Long.parseLong(failure.group(1))).machine())
                : Optional.empty();
    }

    private static String tab(String page) {
        if (AT_THE_BENCH.contains(page)) {
            return "At the bench";
        }
        if (OF_THE_SCREEN.contains(page)) {
            return "Screen";
        }
        return switch (page) {
            case "plate", "tilt" -> "Plate";
            case "uv" -> "Light";
            case "profiles" -> "Profiles";
            case "history" -> "History";
            default -> "Now";
        };
    }

    private Strip strip(MachineRef machine, String here, boolean ofTheFleet) {
        String home = "/machines/" + machine.code();
        MachineKind kind = machine.traits().kind();
        Parts.PartRef vat = parts.vatOn(machine.id());
        boolean tank = kind == MachineKind.LASER_TANK;
        List<Tab> tabs = new ArrayList<>();
        tabs.add(new Tab("Now", home, here.equals("Now")));
        tabs.add(new Tab("At the bench", home + "/bench", here.equals("At the bench")));
        tabs.add(new Tab("Plate", home + "/plate", here.equals("Plate")));
        if (vat != null) {
            tabs.add(new Tab(tank ? "Tank" : "Film", "/vats/" + vat.code(), here.equals("Film")));
        }
        if (kind.hasScreen()) {
            tabs.add(new Tab("Screen", home + "/screen", here.equals("Screen")));
        }
        if (!tank) {
            tabs.add(new Tab("Light", home + "/uv", here.equals("Light")));
        }
        tabs.add(new Tab("Profiles", home + "/profiles", here.equals("Profiles")));
        tabs.add(new Tab("History", home + "/history", here.equals("History")));
        return new Strip(machine.name(), home, tabs, ofTheFleet);
    }
}
