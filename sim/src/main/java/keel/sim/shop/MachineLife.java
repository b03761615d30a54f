package keel.sim.shop;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayDeque;
import java.util.Comparator;
import java.util.Deque;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import keel.core.exposure.PrintTime;
import keel.core.profile.ProfileSettings;
import keel.core.run.Outcome;
import keel.core.wear.Usage;
import keel.sim.chance.Chance;
import keel.sim.print.Job;
import keel.sim.print.Jobs;
import keel.sim.print.Print;
import keel.sim.print.PrintEnd;
import keel.sim.print.Sign;
import keel.sim.seen.Checks;
import keel.sim.world.Machine;
import keel.sim.world.Parameters;
import keel.sim.world.Rooms;

/** One machine's days, from the first to the last. Its chance is its own: another machine beside it changes nothing. */
final class MachineLife {

    /** Runs a day above which a machine prints at noon and at weekends too. */
    private static final double BUSY = 1.5;

    private static final double SPARE_ML = 60;
    private static final double WARM_FROM_WORK_K = 1.5;
    private static final Duration LATE_LOOK = Duration.ofMinutes(9);

    private final Machine machine;
    private final Parameters parameters;
    private final Rooms rooms;
    private final Chance chance;
    private final ZoneId zone;
    private final Instant end;
    private final Plot plot;
    private final Records records;
    private final Hands hands;
    private final Upkeep upkeep;
    private final FailureDesk desk;
    private final Print print;
    private final Onlooker onlooker;
    private final Deque<Turn> turns;
    private Instant free;
    private Job again;
    private String lostRun;
    private String printsAgain;

    MachineLife(
            Machine machine,
            Parameters parameters,
            Rooms rooms,
            Chance chance,
            ZoneId zone,
            Instant start,
            Instant end,
            Plot plot,
            Onlooker onlooker) {
        this.machine = machine;
        this.parameters = parameters;
        this.rooms = rooms;
        this.chance = chance;
        this.zone = zone;
        this.end = end;
        this.plot = plot;
        this.records = new Records(machine.site().code());
        this.hands = new Hands(machine, parameters, records, chance.stream("hands"), plot);
        Remedies remedies = new Remedies(machine, hands, records);
        this.upkeep = new Upkeep(machine, hands, remedies, onlooker);
        this.desk = new FailureDesk(machine, parameters, hands, remedies, records);
        this.print = new Print(parameters);
        this.onlooker = onlooker;
        this.turns = new ArrayDeque<>(
                plot.turns().stream().sorted(Comparator.comparing(Turn::at)).toList());
        this.free = start.plus(Duration.ofHours(6));
    }

    Records live(LocalDate first, LocalDate last) {
        for (LocalDate date = first; !date.isAfter(last); date = date.plusDays(1)) {
            day(new Day(date, zone), chance.stream("day", date.toEpochDay()));
        }
        new Finales(machine, parameters, records, chance.stream("finale")).play(plot.finale(), end);
        return records;
    }

    private void day(Day day, Chance today) {
        machine.daysPass(1, today);
        Instant morning = day.at(7, 15);
        if (morning.isAfter(free) && morning.isBefore(quietFrom())) {
            Instant busy = turns(morning);
            if (day.worked() && morning.isBefore(plot.leftAloneFrom())) {
                busy = upkeep.morning(busy, today.stream("upkeep"));
            }
            free = later(free, busy);
        }
        if (day.worked() || machine.site().runsADay() > BUSY) {
            runs(day, today);
        }
    }

    /** A print in the morning, one overnight, and in a busy shop one at noon. */
    private void runs(Day day, Chance today) {
        boolean noon = machine.site().runsADay() > BUSY;
        double each = machine.site().runsADay() / (noon ? 3 : 2);
        if (today.happens(each)) {
            run(day.at(8, 10).plus(Duration.ofMinutes(today.below(50))), false, today.stream("first"));
        }
        if (noon && today.happens(each)) {
            run(day.at(12, 20).plus(Duration.ofMinutes(today.below(30))), false, today.stream("noon"));
        }
        if (today.happens(each)) {
            run(day.at(16, 30).plus(Duration.ofMinutes(today.below(50))), true, today.stream("second"));
        }
    }

    private Instant turns(Instant morning) {
        Instant at = morning;
        while (!turns.isEmpty() && !turns.peek().at().isAfter(morning.plus(Duration.ofHours(2)))) {
            at = new Turns(machine, hands, records).play(turns.poll(), at);
        }
        return at;
    }

    private void run(Instant from, boolean overnight, Chance luck) {
        Instant start = later(from, free.plus(Duration.ofMinutes(2)));
        if (Duration.between(from, start).toHours() >= 4
                || !Day.somebodyThere(start, zone).equals(start)) {
            return;
        }
        Job job = again != null ? again : Jobs.next(machine, parameters.jobs(), 1, overnight, luck.stream("job"));
        printsAgain = again == null ? null : lostRun;
        again = null;
        print(checked(job, luck.stream("file")), start, luck);
    }

    private Job checked(Job job, Chance file) {
        boolean looked = !file.happens(parameters.people().skipsFileCheck());
        return looked && file.happens(0.9) ? job.corrected() : job;
    }

    /**
     * Prints, looks, clears or sees to the failure. Where the story wants no failure now, a print that would fail is
     * not begun.
     */
    void print(Job job, Instant start, Chance luck) {
        Print.Circumstances around = circumstances(start, luck.stream("around"));
        ready(job, start, luck.stream("ready"));
        PrintTime.Settings timing = ProfileSettings.of(machine.settings()).timing(job.layers());
        double seconds = PrintTime.of(timing).seconds();
        Instant last = start.plus(Duration.ofSeconds(Math.round(seconds)));
        boolean oldPrint = machine.plate().oldPrintOn();
        PrintEnd result = print.of(machine, job, around, luck.stream("print"));
        boolean wanted = result.outcome() == Outcome.GOOD || start.isBefore(plot.onlyGoodFrom());
        if (!wanted || last.isAfter(quietFrom())) {
            return;
        }
        onlooker.begins(new Onlooker.Begun(
                start, machine, job, around, seconds / 3600, job.layers() * timing.exposureS() / 3600, result));
        machine.plate().leavePrintOn(false);
        machine.copied();
        boolean hunch = result.outcome() == Outcome.GOOD
                && luck.stream("hunch").happens(parameters.people().stopsOnAHunch());
        Stop stop = hunch
                ? new Stop(start.plusSeconds((long) (seconds * luck.between(0.2, 0.8))), Outcome.STOPPED)
                : stopped(result, start, seconds, luck.stream("look"));
        PrintEnd seen = hunch
                ? new PrintEnd(
                        Outcome.STOPPED,
                        1,
                        List.of("stopped-early"),
                        List.of(new Sign("ends-early", 0.95)),
                        new int[0],
                        0,
                        1,
                        false)
                : result;
        finish(new Checks.Scene(machine, job, around, seen, hunch, oldPrint), start, stop, timing, luck);
    }

    /** When it ended and what is written down of it. */
    private record Stop(Instant at, Outcome outcome) {}

    /** Runs to its end, unless somebody looks in and sees that all is lost, or the machine itself goes no further. */
    private Stop stopped(PrintEnd result, Instant start, double seconds, Chance look) {
        Instant last = start.plus(Duration.ofSeconds(Math.round(seconds)));
        boolean endsEarly = result.signs().stream().anyMatch(s -> s.symptom().equals("ends-early"));
        if (endsEarly) {
            return new Stop(
                    start.plusSeconds(Math.round(seconds * Math.max(0.05, Math.min(0.98, result.at())))),
                    Outcome.FAILED);
        }
        for (double share : new double[] {look.between(0.06, 0.2), look.between(0.3, 0.7)}) {
            Instant at = start.plusSeconds(Math.round(seconds * share));
            boolean plain = result.lostShare() > 0.9 && result.at() < share;
            boolean there = Day.somebodyThere(at, zone).equals(at)
                    && look.happens(parameters.people().looksIn());
            if (plain && there && look.happens(0.6)) {
                return new Stop(at, Outcome.STOPPED);
            }
        }
        return new Stop(last, result.outcome());
    }

    private void finish(Checks.Scene scene, Instant start, Stop stop, PrintTime.Settings timing, Chance luck) {
        Job job = scene.job();
        double hours = Duration.between(start, stop.at()).toSeconds() / 3600.0;
        double wholeHours = PrintTime.of(timing).seconds() / 3600;
        boolean whole = hours > wholeHours - 0.01;
        int layersDone = whole ? job.layers() : Math.max(1, PrintTime.layerAt(timing, hours * 3600) - 1);
        double ml = Math.round(Math.max(
                3, job.ml() * layersDone / job.layers() * (1 - 0.4 * scene.end().lostShare())));
        String key = records.key();
        Usage usage = Usage.ofRun(hours, layersDone, timing.exposureS(), ml);
        records.add(new Happening.RunDone(
                stop.at(),
                operatorAt(start),
                machine.site().code(),
                key,
                job.name(),
                start,
                job.layers(),
                timing.exposureS(),
                ml,
                stop.outcome().name(),
                whole ? null : layersDone,
                job.footprint()));
        if (printsAgain != null) {
            records.add(new Happening.PrintedAgain(stop.at(), operatorAt(start), key, printsAgain));
        }
        records.used(usage);
        machine.vat().use(ml);
        machine.printed(
                hours,
                usage.uvHours(),
                layersDone,
                Print.covered(machine, job),
                scene.around().resinC());
        if (scene.end().bits() > 0) {
            machine.vat().dropBits(scene.end().bits(), scene.end().cells());
        }
        if (machine.vat().film().pierced() && machine.screen() != null && luck.happens(0.6)) {
            machine.screen().wetAt(machine.vat().film().piercedAt(), 4 + luck.between(0, 5));
        }
        Instant seen = Day.somebodyThere(stop.at().plus(LATE_LOOK), zone);
        seen = seen.isAfter(end.minus(Duration.ofMinutes(100))) ? stop.at().plus(LATE_LOOK) : seen;
        after(scene, key, stop, seen, whole ? job.layers() : layersDone, luck);
    }

    private void after(Checks.Scene scene, String key, Stop stop, Instant seen, int layer, Chance luck) {
        if (stop.outcome() == Outcome.GOOD) {
            good(scene, seen, luck.stream("after"));
            return;
        }
        FailureDesk.After after = desk.failed(scene, key, layer, seen, luck.stream("desk"));
        if (scene.end().finishing()) {
            hands.clearPlate(
                    seen.plus(Duration.ofMinutes(4)), "operator", machine.site().sieves());
        }
        free = after.free();
        again = luck.stream("again").happens(0.75) ? after.again() : null;
        lostRun = key;
    }

    private void good(Checks.Scene scene, Instant seen, Chance luck) {
        boolean forgotten = seen.isBefore(plot.onlyGoodFrom())
                && luck.happens(parameters.people().leavesPrintOn());
        if (forgotten) {
            machine.plate().leavePrintOn(true);
        } else {
            hands.clearPlate(
                    seen,
                    operatorAt(seen),
                    machine.site().sieves() && !luck.happens(parameters.people().forgetsSieve()));
        }
        desk.good(scene.job().layers(), seen.plus(Duration.ofMinutes(1)), luck);
        if (!scene.end().causes().isEmpty()) {
            records.add(new Truth(
                    seen,
                    machine.site().code(),
                    null,
                    null,
                    scene.end().causes(),
                    Map.of(),
                    scene.around().resinC()));
        }
        free = seen.plus(Duration.ofMinutes(10));
    }

    private Print.Circumstances circumstances(Instant start, Chance chance) {
        Parameters.Habits people = parameters.people();
        String room = machine.site().room();
        double resinC = (rooms.at(room, start).temperatureC()
                                + rooms.at(room, start.plus(Duration.ofHours(3)))
                                        .temperatureC())
                        / 2
                + WARM_FROM_WORK_K;
        boolean badly =
                chance.happens(machine.stickWorn() ? 0.3 : parameters.stick().faultChance());
        return new Print.Circumstances(
                resinC,
                rooms.at(room, start.plus(Duration.ofHours(4))).swingKPerHour(),
                badly,
                chance.happens(people.washShort()),
                chance.happens(people.driesShort()),
                chance.happens(people.curesLong()));
    }

    private void ready(Job job, Instant start, Chance chance) {
        if (!chance.happens(parameters.people().forgetsStir())) {
            machine.vat().stir();
        }
        double wanted = Math.min(machine.site().fillMl(), job.ml() + SPARE_ML);
        boolean misjudged = chance.happens(parameters.people().pourShort());
        double missing = wanted - machine.vat().ml();
        if (missing > 0 && !misjudged) {
            double pour = Math.round(machine.site().fillMl() - machine.vat().ml());
            hands.pour(
                    start.minus(Duration.ofMinutes(12)),
                    operatorAt(start),
                    machine.vat().resin(),
                    pour);
        }
        if (chance.happens(parameters.people().wrongBottle())) {
            machine.vat()
                    .contaminate(chance.oneOf(
                            List.copyOf(new TreeSet<>(parameters.resins().keySet()))));
        }
        if (chance.happens(parameters.people().settingsSlip())) {
            new Tinkering(machine, hands).slip(start.minus(Duration.ofMinutes(9)), chance);
        }
    }

    private String operatorAt(Instant at) {
        return at.atZone(zone).getHour() < 13 ? "operator" : "keeper";
    }

    private Instant quietFrom() {
        return plot.quietFrom().isBefore(end) ? plot.quietFrom() : end;
    }

    private static Instant later(Instant a, Instant b) {
        return a.isAfter(b) ? a : b;
    }
}
