package keel.sim.shop;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import keel.core.profile.Setting;
import keel.core.standing.MachineKind;
import keel.sim.chance.Chance;
import keel.sim.instrument.BenchTools;
import keel.sim.world.Machine;
import keel.sim.world.Parameters;

/** What is done to a machine at the bench: it changes what is true, and is written down. */
final class Hands {

    private static final double GOOD_RISE_MM = 0.05;
    private static final int PATIENCE = 3;
    private static final String KEEPER = "keeper";

    private final Machine machine;
    private final Parameters parameters;
    private final Records records;
    private final Chance chance;
    private final Plot plot;

    Hands(Machine machine, Parameters parameters, Records records, Chance chance, Plot plot) {
        this.machine = machine;
        this.parameters = parameters;
        this.records = records;
        this.chance = chance;
        this.plot = plot;
    }

    /** Levelled; {@code readings} where somebody takes the gauge afterwards. */
    Instant level(Instant at, boolean readings) {
        boolean carelessly = !readings && chance.happens(parameters.people().levelsCarelessly());
        machine.plate().level(machine.site().selfLevelling(), carelessly);
        for (int again = 0; readings && again < PATIENCE && machine.plate().riseMm() > GOOD_RISE_MM; again++) {
            machine.plate().level(machine.site().selfLevelling(), false);
        }
        Map<String, Object> values =
                new LinkedHashMap<>(Map.of("school", machine.site().school()));
        if (readings) {
            values.put("readings", gauge());
            values.put("gaugeSdMm", BenchTools.GAUGE_SD_MM);
        }
        records.service(at, KEEPER, "LEVELLING", values, null);
        return at.plus(Duration.ofMinutes(8));
    }

    /** The gauge at the corners and in the middle, a touch inside the rim. */
    private List<Map<String, Double>> gauge() {
        double[][] places = {{0.08, 0.08}, {0.92, 0.08}, {0.08, 0.92}, {0.92, 0.92}, {0.5, 0.5}};
        List<Map<String, Double>> readings = new ArrayList<>();
        for (double[] p : places) {
            double x = p[0] * machine.site().widthMm();
            double y = p[1] * machine.site().depthMm();
            readings.add(
                    Map.of("xMm", hundredths(x), "yMm", hundredths(y), "zMm", BenchTools.gauge(machine, x, y, chance)));
        }
        return readings;
    }

    private static double hundredths(double value) {
        return Math.round(value * 100) / 100.0;
    }

    /** Because it was blamed or looked bad; not while the story wants it kept, unless there is a hole in it. */
    Instant changeFilm(Instant at, String reason, String note) {
        boolean kept = plot.keepsFilm()
                && at.isAfter(plot.leftAloneFrom())
                && !machine.vat().film().pierced();
        return kept ? at : fitFilm(at, reason, note);
    }

    Instant fitFilm(Instant at, String reason, String note) {
        boolean tank = machine.site().kind() == MachineKind.LASER_TANK;
        machine.changeFilm(chance.happens(parameters.people().levelsCarelessly()));
        records.filmBegins();
        Map<String, Object> values = new LinkedHashMap<>();
        if (!tank) {
            values.put("material", "FEP");
            values.put("thicknessMm", 0.127);
        }
        values.put("endReason", reason);
        String item = tank
                ? "laser-tank-" + Math.round(machine.site().widthMm())
                : "film-sheet-" + Math.round(machine.site().widthMm());
        values.put("fromStores", item);
        records.service(at, KEEPER, tank ? "TANK_CHANGE" : "FILM_CHANGE", values, note);
        return level(at.plus(Duration.ofMinutes(tank ? 25 : 50)), false);
    }

    Instant changeScreen(Instant at, String reason, String note) {
        machine.changeScreen();
        records.screenBegins();
        records.service(
                at,
                KEEPER,
                "SCREEN_CHANGE",
                Map.of(
                        "endReason",
                        reason,
                        "fromStores",
                        "screen-" + Math.round(machine.site().widthMm())),
                note);
        inspectScreen(at.plus(Duration.ofMinutes(4)), true);
        inspectVat(at.plus(Duration.ofMinutes(8)), true, List.of());
        return level(at.plus(Duration.ofMinutes(16)), false);
    }

    Instant grease(Instant at) {
        machine.grease();
        records.service(at, KEEPER, "LUBRICATION", Map.of("part", "SCREW"), null);
        records.service(at.plus(Duration.ofMinutes(6)), KEEPER, "LUBRICATION", Map.of("part", "RAIL"), null);
        return at.plus(Duration.ofMinutes(10));
    }

    Instant abrade(Instant at, boolean readings) {
        machine.plate().abrade();
        records.service(at, KEEPER, "PLATE_WORK", Map.of("work", "ABRADED"), null);
        return level(at.plus(Duration.ofMinutes(12)), readings);
    }

    Instant deburr(Instant at) {
        machine.plate().deburr();
        records.service(at, KEEPER, "PLATE_WORK", Map.of("work", "DEBURRED"), null);
        return level(at.plus(Duration.ofMinutes(8)), false);
    }

    Instant standFirm(Instant at) {
        machine.standFirm();
        BenchTools.Slopes left = BenchTools.level(machine, chance);
        records.service(
                at,
                KEEPER,
                "STANCE_CHECKED",
                Map.of("acrossMmPerM", left.acrossMmPerM(), "alongMmPerM", left.alongMmPerM()),
                null);
        return at.plus(Duration.ofMinutes(6));
    }

    void clearPlate(Instant at, String who, boolean sieved) {
        machine.plate().leavePrintOn(false);
        machine.plate().handle(machine.site().selfLevelling());
        machine.plate().scrape(chance.happens(parameters.people().scrapesHard()));
        records.service(at, who, "PLATE_CLEARED", sieved ? Map.of("sieved", true) : Map.of(), null);
        if (sieved) {
            machine.vat().sieve(0.97);
        }
    }

    /** After a failure; {@code emptied} where the resin goes out for good. */
    void cleanUp(Instant at, String who, boolean emptied) {
        boolean quick = machine.site().kind() != MachineKind.LASER_TANK && !emptied && chance.happens(0.4);
        boolean sieved = emptied || !chance.happens(parameters.people().forgetsSieve());
        double share =
                (quick ? 0.75 : 0.93) * (chance.happens(parameters.people().cleanWell()) ? 1 : 0.8);
        machine.vat().sieve(sieved ? Math.min(1, share + 0.1) : share);
        machine.vat().film().wipe(chance.happens(0.3));
        machine.vat().stir();
        if (emptied) {
            machine.vat().empty();
        }
        if (!quick) {
            machine.handleVat(1);
        }
        records.service(
                at,
                who,
                "CLEAN_UP",
                Map.of("way", quick ? "QUICK" : "FULL", "sieved", sieved, "emptied", emptied),
                null);
    }

    void inspectVat(Instant at, boolean clean, List<String> found) {
        records.service(
                at,
                "operator",
                "VAT_INSPECTED",
                clean ? Map.of("clean", true) : Map.of("clean", false, "found", found),
                null);
    }

    void inspectScreen(Instant at, boolean clean) {
        records.service(at, KEEPER, "SCREEN_INSPECTED", Map.of("clean", clean), null);
    }

    void pour(Instant at, String who, String resin, double ml) {
        if (ml >= 1) {
            machine.vat().pour(resin, ml);
            records.add(new Happening.ResinPoured(at, who, machine.site().code(), resin, ml));
        }
    }

    /** What differs from the settings in force is changed; where nothing does, nothing is written. */
    void set(Instant at, Map<Setting, Double> wanted, String why) {
        Map<Setting, Double> changes = new EnumMap<>(wanted);
        changes.entrySet().removeIf(c -> c.getValue().equals(machine.settings().get(c.getKey())));
        if (changes.isEmpty()) {
            return;
        }
        machine.set(machine.vat().resin(), changes);
        records.add(new Happening.ProfileChanged(
                at, KEEPER, machine.site().code(), machine.vat().resin(), changes, null, why));
    }

    /** Back to the settings of a maker's sheet, which are version 1. */
    void backToTheSheet(Instant at, String why) {
        if (machine.settings().equals(machine.sheet(machine.vat().resin()))) {
            return;
        }
        machine.set(machine.vat().resin(), machine.sheet(machine.vat().resin()));
        records.add(new Happening.ProfileChanged(
                at, KEEPER, machine.site().code(), machine.vat().resin(), Map.of(), 1, why));
    }

    void newStick(Instant at) {
        machine.newStick();
        records.add(new Happening.StockMoved(
                at,
                KEEPER,
                "storage-sticks",
                -1,
                "new stick for " + machine.site().code()));
    }
}
