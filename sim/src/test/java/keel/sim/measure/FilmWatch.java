package keel.sim.measure;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.DoubleSupplier;
import keel.core.condition.CloudingAhead;
import keel.core.condition.CloudingPath;
import keel.core.condition.CloudingPrior;
import keel.core.condition.CloudingSeen;
import keel.core.condition.FilmBears;
import keel.core.condition.FilmCondition;
import keel.core.condition.FilmHazard;
import keel.core.condition.FilmLearned;
import keel.core.condition.FilmLearning;
import keel.core.condition.FilmLearning.Lost;
import keel.core.condition.FilmReplay;
import keel.core.film.Clouding;
import keel.core.film.FilmMark;
import keel.core.film.FilmMark.MarkKind;
import keel.core.life.EarlyAndWorn;
import keel.core.life.Life;
import keel.core.profile.Setting;
import keel.core.run.Detail;
import keel.core.run.Outcome;
import keel.core.standing.ChangeCosts;
import keel.core.standing.Defaults;
import keel.core.standing.MachineKind;
import keel.core.standing.PartUse;
import keel.core.wear.Lifespan;
import keel.core.wear.WeibullLife;
import keel.sim.chance.Chance;
import keel.sim.print.Print;
import keel.sim.print.PrintEnd;
import keel.sim.shop.Onlooker;
import keel.sim.world.Film;
import keel.sim.world.Machine;
import keel.sim.world.Parameters;

/**
 * Looks at the films of a simulated shop now and then, as somebody would, and says before each print what to expect of
 * it from what was known then. What it was lost to is taken as it truly was.
 */
final class FilmWatch implements Onlooker {

    private static final Set<String> BY_FILM = Set.of("film-worn", "film-pierced", "film-slack");
    private static final double LOOKS_EVERY_H = 40;
    private static final double EYE_SD = 0.025;
    private static final double METER_SD = 0.012;
    private static final double CENTS_SD = 25;
    private static final double CENTS_PER_OCTAVE_OF_TENSION = 600;
    private static final double SEES_WET = 0.8;
    private static final double JOB_H = 8;
    private static final int TRIES = 40;
    private static final int LEARNS_EVERY = 400;
    private static final WeibullLife USUAL = Defaults.shipped().life(PartUse.UsedPart.FILM);

    /** How it will end some day is not asked here. */
    private static final CloudingAhead NOT_ASKED =
            new CloudingAhead(CloudingPath.fresh(CloudingPrior.USUAL), 0.3, Detail.USUAL.bearsLoss());

    /** What was said before a print, as chances that it is lost to its film, and what came of it. */
    record Told(double byAge, double byLook, double byCondition, double truth, boolean lost) {}

    /**
     * When a film is changed in the morning.
     *
     */
    interface Rule {

        /**
         * @param hours that it has printed
         * @param seen as it was seen, null where nobody looked yet
         * @param fails chance that it spoils a usual job, as the product says
         * @param truly the same as the simulator has it
         */
        boolean changes(double hours, FilmHazard seen, DoubleSupplier fails, DoubleSupplier truly);
    }

    /** What a rule came to. */
    record Cost(double printHours, int changes, int lost, int looks) {

        double anHour(ChangeCosts costs, double look) {
            return (changes * costs.plannedCost() + lost * (costs.failureCost() - costs.plannedCost()) + looks * look)
                    / printHours;
        }
    }

    private final Rule rule;
    private final Print print;
    private final Chance chance;
    private final Map<String, Watched> watched = new HashMap<>();
    private final List<Life> lives = new ArrayList<>();
    private final List<FilmLearning.Printed> prints = new ArrayList<>();
    private final double[] lostByGrade = new double[Clouding.values().length];
    private final double[] printsByGrade = new double[Clouding.values().length];
    private final List<Told> told = new ArrayList<>();
    private FilmLearned learned = FilmLearned.NOTHING;
    private Lifespan span = USUAL;
    private int runs;
    private double printHours;
    private int lost;
    private int looks;

    /** A film with what was seen of it. */
    private static final class Watched {

        private final Film film;
        private final double exposureS;
        private double hours;
        private double uvHours;
        private double nextLook;
        private boolean wet;
        private boolean planned;
        private Begun lastPrint;
        private final List<CloudingSeen> seen = new ArrayList<>();
        private FilmHazard hazard = new FilmHazard(null, List.of(), null, false, null);

        Watched(Machine machine, double nextLook) {
            this.film = machine.vat().film();
            this.exposureS = exposureS(machine);
            this.hours = film.hours();
            this.uvHours = 0.27 * film.hours();
            this.nextLook = nextLook;
        }

        /** A hole was seen, or resin under the vat: nobody prints on it. */
        boolean held() {
            return wet || hazard.marks().stream().anyMatch(m -> m.kind() == MarkKind.HOLE);
        }

        CloudingPath path() {
            return CloudingPath.of(CloudingPrior.USUAL, seen, hours, uvHours);
        }

        /** What the exposure was raised by since it was fitted. */
        double madeUp(Machine machine) {
            return Math.max(0, Math.log(FilmWatch.exposureS(machine) / exposureS));
        }
    }

    /** @param rule null for the keeper's own eye; then what to expect is said before each print */
    FilmWatch(Parameters parameters, Chance chance, Rule rule) {
        this.rule = rule;
        this.print = new Print(parameters);
        this.chance = chance;
    }

    private static double exposureS(Machine machine) {
        return machine.settings().get(Setting.EXPOSURE_S);
    }

    /** Of films that somebody had looked at, but for those that a hold stops. */
    List<Told> told() {
        return told;
    }

    Cost cost() {
        return new Cost(printHours, lives.size(), lost, looks);
    }

    FilmLearned learned() {
        return learned;
    }

    @Override
    public void begins(Begun begun) {
        Machine machine = begun.machine();
        if (machine.site().kind() == MachineKind.LASER_TANK) {
            return;
        }
        runs++;
        Watched w = of(machine);
        Chance luck = chance.stream(machine.site().code(), runs);
        if (w.hours >= w.nextLook) {
            look(machine, w, luck);
        }
        w.lastPrint = begun;
        lost += lost(begun.end()) == Lost.NOT_BY_FILM ? 0 : 1;
        printHours += begun.hours();
        if (!w.seen.isEmpty() && !w.held()) {
            say(begun, w, luck);
        }
        w.wet |= luck.happens(SEES_WET)
                && begun.end().signs().stream().anyMatch(s -> s.symptom().equals("wet-under-vat"));
        w.hours += begun.hours();
        w.uvHours += begun.uvHours();
        if (runs % LEARNS_EVERY == 0) {
            learn();
        }
    }

    @Override
    public Films morning(Machine machine) {
        Watched w = watched.get(machine.site().code());
        if (rule == null || machine.site().kind() == MachineKind.LASER_TANK) {
            return Films.KEEPER;
        }
        boolean known = w != null && w.film == machine.vat().film();
        boolean changes = known
                && (w.held()
                        || rule.changes(
                                w.hours,
                                w.seen.isEmpty() ? null : w.hazard,
                                () -> usualJobFails(w),
                                () -> truth(w.lastPrint, chance.stream("morning", runs))));
        if (changes) {
            w.planned = !w.held();
        }
        return changes ? Films.CHANGED : Films.LEFT;
    }

    private double usualJobFails(Watched w) {
        return condition(w, w.lastPrint, w.hazard).failsWithin(span.failsWithin(w.hours, JOB_H), JOB_H, 0.3 * JOB_H);
    }

    private void learn() {
        List<Life> known = new ArrayList<>(lives);
        watched.values().forEach(w -> known.add(new Life(Math.max(0.1, w.hours), false)));
        span = EarlyAndWorn.fitted(known, USUAL);
        learned = FilmLearning.of(prints);
    }

    private Watched of(Machine machine) {
        Watched w = watched.get(machine.site().code());
        if (w == null || w.film != machine.vat().film()) {
            if (w != null) {
                lives.add(new Life(Math.max(0.1, w.hours), !w.planned));
            }
            Chance first = chance.stream("first look " + machine.site().code(), runs);
            w = new Watched(machine, first.between(5, LOOKS_EVERY_H));
            watched.put(machine.site().code(), w);
        }
        return w;
    }

    private void look(Machine machine, Watched w, Chance eyes) {
        looks++;
        w.nextLook = w.hours + eyes.between(0.6, 1.4) * LOOKS_EVERY_H;
        double clear = w.film.clearTransmittance();
        double now = w.film.meanTransmittance();
        Clouding grade = Clouding.of(now * Math.exp(eyes.normal(0, EYE_SD)));
        Double metered = null;
        if (eyes.happens(0.25)) {
            metered = Math.min(clear, now * Math.exp(eyes.normal(0, METER_SD)));
        }
        w.seen.add(new CloudingSeen(w.hours, w.uvHours, grade, metered));
        Double cents = w.hazard.cents();
        if (eyes.happens(0.5)) {
            cents = CENTS_PER_OCTAVE_OF_TENSION * Math.log(w.film.tightness()) / Math.log(2) + eyes.normal(0, CENTS_SD);
        }
        w.hazard = new FilmHazard(grade, marks(machine, w.film, eyes), null, false, cents);
    }

    private static List<FilmMark> marks(Machine machine, Film film, Chance eyes) {
        List<FilmMark> marks = new ArrayList<>();
        for (int cell = 0; cell < machine.cells().count(); cell++) {
            if (film.dented(cell) && eyes.happens(0.85)) {
                marks.add(new FilmMark(
                        MarkKind.DENT,
                        machine.cells().xMm(cell),
                        machine.cells().yMm(cell),
                        2));
            }
        }
        if (film.pierced() && eyes.happens(0.8)) {
            marks.add(new FilmMark(MarkKind.HOLE, 0, 0, 1));
        }
        return marks;
    }

    private static Lost lost(PrintEnd end) {
        boolean lost = end.outcome() == Outcome.FAILED || end.outcome() == Outcome.PARTIAL;
        if (!lost || end.causes().stream().noneMatch(BY_FILM::contains)) {
            return Lost.NOT_BY_FILM;
        }
        return end.causes().contains("film-worn") ? Lost.CLOUDED : Lost.OTHERWISE;
    }

    private void say(Begun b, Watched w, Chance luck) {
        long machine = b.machine().site().code().hashCode();
        double byAge = span.failsWithin(w.hours, b.hours());
        FilmHazard hazard = w.hazard.under(b.job().footprint());
        FilmCondition film = condition(w, b, hazard);
        Lost lost = lost(b.end());
        told.add(new Told(
                byAge,
                byLook(w.hazard.grade(), lost),
                film.failsWithin(byAge, b.hours(), b.uvHours()),
                rule == null ? truth(b, luck) : 0,
                lost != Lost.NOT_BY_FILM));
        FilmReplay.Run run =
                new FilmReplay.Run(machine, w.hours, w.uvHours, b.hours(), b.uvHours(), byAge, Detail.USUAL, lost);
        prints.add(FilmLearning.Printed.of(film.path(), hazard, film.madeUp(), run));
    }

    private FilmCondition condition(Watched w, Begun b, FilmHazard hazard) {
        FilmBears bears = learned.on(b.machine().site().code().hashCode(), hazard.grade());
        return new FilmCondition(w.path(), NOT_ASKED, hazard, bears, w.madeUp(b.machine()), "", null);
    }

    /** Share of the prints before that were lost through films that looked so. */
    private double byLook(Clouding grade, Lost lost) {
        int g = grade.ordinal();
        double chanceSoFar = (1 + lostByGrade[g]) / (60 + printsByGrade[g]);
        lostByGrade[g] += lost == Lost.NOT_BY_FILM ? 0 : 1;
        printsByGrade[g]++;
        return chanceSoFar;
    }

    /** The same print over and over, with other luck. */
    private double truth(Begun b, Chance luck) {
        int lost = 0;
        for (int i = 0; i < TRIES; i++) {
            PrintEnd end = print.of(b.machine(), b.job(), b.around(), luck.stream("truth", i));
            lost += lost(end) == Lost.NOT_BY_FILM ? 0 : 1;
        }
        return (double) lost / TRIES;
    }
}
