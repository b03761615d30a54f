package keel.sim.story;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import keel.core.light.UvMap;
import keel.core.profile.Setting;
import keel.core.screen.ScreenInspection.Spot;
import keel.core.screen.ScreenInspection.SpotKind;
import keel.core.screen.TestPattern;
import keel.core.screen.TestPicture;
import keel.sim.chance.Chance;
import keel.sim.instrument.BenchTools;
import keel.sim.instrument.Camera;
import keel.sim.shop.Happening;
import keel.sim.shop.Shop;
import keel.sim.world.Machine;
import keel.sim.world.Screen;

/**
 * The bench of screens: spares bought one by one and fitted by their serial numbers, UV maps, a screen that begins to
 * go and is photographed, dry runs.
 */
final class ScreenStory {

    private static final int WARRANTY_MONTHS = 6;
    private static final int[] UV_DAYS_AGO = {402, 296, 171, 52, 9};
    private static final List<String> UV_MACHINES = List.of("avocet", "curlew", "dunlin", "fulmar");
    private static final String GOING = "curlew";
    private static final int FIRST_SEEN_DAYS_AGO = 13;
    private static final int SEEN_AGAIN_DAYS_AGO = 3;
    private static final double FIRST_MM = 1.1;

    private final Shop.History history;
    private final Days days;
    private final Chance chance;
    private final List<Happening> bought = new ArrayList<>();
    private int serial = 21_044;

    ScreenStory(Shop.History history, Days days, Chance chance) {
        this.history = history;
        this.days = days;
        this.chance = chance;
    }

    /**
     * What happened at the machines, with the serial number of the spare at each change of a screen; the shop buys
     * another whenever one is fitted.
     */
    List<Happening> withSpares(List<Happening> shop) {
        Map<String, Deque<Happening.ScreenBought>> shelf = new HashMap<>();
        buy("144", history.start().plus(Duration.ofMinutes(40)), shelf);
        buy("144", history.start().plus(Duration.ofMinutes(42)), shelf);
        buy("208", history.start().plus(Duration.ofMinutes(44)), shelf);
        List<Happening> all = new ArrayList<>();
        for (Happening h : shop) {
            if (h instanceof Happening.ServiceDone s && s.kind().equals("SCREEN_CHANGE")) {
                String size = Long.toString(
                        Math.round(history.machines().get(s.machine()).site().widthMm()));
                all.add(fitted(s, size, shelf));
                Instant delivery = s.at().plus(Duration.ofHours(150 + chance.below(150)));
                if (delivery.isBefore(history.end().minus(Duration.ofHours(4)))) {
                    buy(size, delivery, shelf);
                }
            } else {
                all.add(
                        h instanceof Happening.ServiceDone s
                                        && s.kind().equals("SCREEN_INSPECTED")
                                        && s.machine().equals(GOING)
                                        && s.at().isAfter(firstSeen())
                                ? spotted(s)
                                : h);
            }
        }
        return all;
    }

    /** Whoever looks after the first spot was found finds it there. */
    private Happening spotted(Happening.ServiceDone s) {
        Machine machine = history.machines().get(GOING);
        int first = first(machine);
        return new Happening.ServiceDone(
                s.at(),
                s.who(),
                s.machine(),
                s.kind(),
                Map.of(
                        "clean",
                        false,
                        "spots",
                        List.of(Map.of(
                                "kind",
                                "DARK",
                                "xMm",
                                machine.cells().xMm(first),
                                "yMm",
                                machine.cells().yMm(first),
                                "sizeMm",
                                FIRST_MM))),
                s.note());
    }

    private Instant firstSeen() {
        return idle(GOING, days.before(FIRST_SEEN_DAYS_AGO).plus(Duration.ofMinutes(50)));
    }

    private static int first(Machine machine) {
        return machine.cells().at(machine.site().widthMm() - 38, machine.site().depthMm() - 18);
    }

    private Happening fitted(Happening.ServiceDone s, String size, Map<String, Deque<Happening.ScreenBought>> shelf) {
        Deque<Happening.ScreenBought> there = shelf.get(size);
        if (there.isEmpty() || there.peek().at().isAfter(s.at())) {
            buy(size, s.at().minus(Duration.ofMinutes(50)), shelf);
        }
        Happening.ScreenBought spare =
                there.stream().filter(b -> !b.at().isAfter(s.at())).findFirst().orElseThrow();
        there.remove(spare);
        Map<String, Object> values = new LinkedHashMap<>(s.values());
        values.remove("fromStores");
        values.put("spare", spare.serial());
        return new Happening.ServiceDone(s.at(), s.who(), s.machine(), s.kind(), values, s.note());
    }

    private void buy(String size, Instant at, Map<String, Deque<Happening.ScreenBought>> shelf) {
        LocalDate day = at.atZone(days.zone()).toLocalDate();
        boolean small = size.equals("144");
        Happening.ScreenBought screen = new Happening.ScreenBought(
                at,
                "keeper",
                small ? "slate-144-b" : "slate-208-c",
                (small ? "T4-" : "T8-") + serial,
                "%02d%02d".formatted(day.getYear() % 100, day.getMonthValue()),
                day,
                day.plusMonths(WARRANTY_MONTHS),
                small ? 78 : 134);
        serial += 17;
        bought.add(screen);
        shelf.computeIfAbsent(size, k -> new ArrayDeque<>()).add(screen);
    }

    /** Call it after {@link #withSpares}. */
    List<Happening> happenings() {
        List<Happening> all = new ArrayList<>(bought);
        UV_MACHINES.forEach(m -> {
            for (int daysAgo : UV_DAYS_AGO) {
                Instant at = idle(m, days.before(daysAgo).plus(Duration.ofMinutes(25L + 12 * UV_MACHINES.indexOf(m))));
                all.add(new Happening.UvMapped(at, "keeper", m, readings(m, at)));
            }
        });
        all.addAll(going());
        all.add(dryRun());
        return all;
    }

    /** The first moment from then on, in steps of a quarter of an hour, at which a machine does not print. */
    private Instant idle(String machine, Instant from) {
        Instant at = from;
        while (prints(machine, at)) {
            at = at.plus(Duration.ofMinutes(15));
        }
        return at;
    }

    private boolean prints(String machine, Instant at) {
        return history.happenings().stream()
                .anyMatch(h -> h instanceof Happening.RunDone r
                        && r.machine().equals(machine)
                        && !r.startedAt().isAfter(at)
                        && r.at().plusSeconds(300).isAfter(at));
    }

    private List<UvMap.Reading> readings(String code, Instant at) {
        Machine machine = history.machines().get(code);
        double after = history.happenings().stream()
                .filter(h -> h instanceof Happening.RunDone r
                        && r.machine().equals(code)
                        && r.startedAt().isAfter(at))
                .map(Happening.RunDone.class::cast)
                .mapToDouble(
                        r -> (r.reachedLayer() == null ? r.layers() : r.reachedLayer()) * r.layerExposureS() / 3600)
                .sum();
        double hours = machine.light().uvHours() - after;
        List<UvMap.Reading> readings = new ArrayList<>();
        for (int i = 0; i < UvMap.LEAST_READINGS; i++) {
            double x = (i % 3 + 0.5) * machine.site().widthMm() / 3;
            double y = (i / 3 + 0.5) * machine.site().depthMm() / 3;
            readings.add(new UvMap.Reading(
                    x, y, BenchTools.uvThen(machine, x, y, hours, chance.stream("uv " + code + at, i))));
        }
        return readings;
    }

    /**
     * A dark spot towards the back; ten days later it has grown, a second is there, and a point that stays lit.
     *
     * @param then what the camera saw when there was one
     * @param now what it saw when there were two
     * @param lit the cell that stays lit
     */
    private record Grown(Happening.Bytes then, Happening.Bytes now, int lit) {}

    private Grown grow(Function<String, Happening.Bytes> camera) {
        Machine machine = history.machines().get(GOING);
        Screen screen = machine.screen();
        double right = machine.site().widthMm() - 38;
        double back = machine.site().depthMm() - 18;
        int first = first(machine);
        screen.spot(new Screen.Spot(first, false, FIRST_MM));
        Happening.Bytes then = camera.apply("then");
        screen.spot(new Screen.Spot(first, false, 1.9));
        screen.spot(new Screen.Spot(machine.cells().at(right - 27, back - 12), false, 1.3));
        int lit = machine.cells().at(right + 14, back - 26);
        Happening.Bytes now = camera.apply("now");
        screen.spot(new Screen.Spot(lit, true, 0.8));
        return new Grown(then, now, lit);
    }

    /** The spots came, whoever looked. */
    void spots() {
        grow(when -> null);
    }

    private List<Happening> going() {
        Machine machine = history.machines().get(GOING);
        Grown grown = grow(when -> photograph(machine, when));
        Spot lit = new Spot(
                SpotKind.LIT, machine.cells().xMm(grown.lit()), machine.cells().yMm(grown.lit()), 0.8, 1);
        return List.of(
                new Happening.ScreenPhotographed(firstSeen(), "keeper", GOING, grown.then(), List.of()),
                new Happening.ScreenPhotographed(
                        idle(GOING, days.before(SEEN_AGAIN_DAYS_AGO)), "keeper", GOING, grown.now(), List.of(lit)));
    }

    private Happening.Bytes photograph(Machine machine, String when) {
        Saltmarsh.ModelSpec model = Saltmarsh.MODELS.stream()
                .filter(m -> m.name().equals("Tern 144"))
                .findFirst()
                .orElseThrow();
        return new Happening.Bytes(Camera.photograph(
                machine,
                TestPicture.of(TestPattern.WHITE, model.pixelsX(), model.pixelsY()),
                chance.stream("photo " + when)));
    }

    /** Fulmar's controller does not keep the wait before the light; its file is sound. */
    private Happening dryRun() {
        Map<Setting, Double> sheet = Sheets.of("fulmar").get("cast-amber");
        double lift = 60 * sheet.get(Setting.LIFT_MM) / sheet.get(Setting.LIFT_MM_PER_MIN);
        double retract = 60 * sheet.get(Setting.LIFT_MM) / sheet.get(Setting.RETRACT_MM_PER_MIN);
        Map<String, Object> values = new LinkedHashMap<>();
        values.put("file", "Casting pattern, gate latch");
        values.put("medium", "SAME");
        values.put("scope", "AS_PRINTED");
        values.put("seen", "AS_FILE");
        values.put("liftMm", List.of(sheet.get(Setting.LIFT_MM)));
        values.put("liftS", byHand(lift, "lift"));
        values.put("retractS", byHand(retract, "retract"));
        values.put("waitBeforeS", byHand(1.1, "before"));
        values.put("waitAfterS", byHand(sheet.get(Setting.WAIT_AFTER_S), "after"));
        return new Happening.ServiceDone(
                idle("fulmar", days.before(26).plus(Duration.ofMinutes(50))),
                "keeper",
                "fulmar",
                "DRY_RUN",
                values,
                null);
    }

    private List<Double> byHand(double seconds, String what) {
        List<Double> readings = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            readings.add(Math.max(
                    0.05, Math.round(100 * (seconds + chance.stream(what, i).normal(0, 0.08))) / 100.0));
        }
        return readings;
    }
}
