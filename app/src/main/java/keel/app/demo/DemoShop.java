package keel.app.demo;

import jakarta.persistence.EntityManager;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import keel.app.air.Air;
import keel.app.bench.Bench;
import keel.app.bench.ServiceEntry;
import keel.app.failures.FailureEntry;
import keel.app.failures.Failures;
import keel.app.fleet.Fleet;
import keel.app.fleet.MachineEntry;
import keel.app.fleet.ModelEntry;
import keel.app.fleet.Parts;
import keel.app.fleet.ShopSettings;
import keel.app.ops.Home;
import keel.app.ops.ShopClock;
import keel.app.people.Actor;
import keel.app.people.People;
import keel.app.people.Role;
import keel.app.profiles.Calibrations;
import keel.app.profiles.ProfileView;
import keel.app.profiles.Profiles;
import keel.app.runs.LookIns;
import keel.app.runs.RunEntry;
import keel.app.runs.Runs;
import keel.app.starting.GateQuestions;
import keel.app.stores.Resins;
import keel.app.stores.Stock;
import keel.core.bolts.VatFrame;
import keel.core.exposure.WorkingCurve;
import keel.core.profile.Setting;
import keel.core.resin.VatSize;
import keel.core.standing.MachineKind;
import keel.sim.story.Happening;
import keel.sim.story.Saltmarsh;
import keel.sim.story.Story;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Sets up the invented shop and replays its story through the application's own services, in one transaction. */
@Component
@ConditionalOnProperty("keel.demo")
class DemoShop {

    private static final long SEED = 20_240_817L;

    private final People people;
    private final Fleet fleet;
    private final ShopSettings settings;
    private final Runs runs;
    private final Failures failures;
    private final Bench bench;
    private final Resins resins;
    private final Stock stock;
    private final Parts parts;
    private final Air air;
    private final Profiles profiles;
    private final Calibrations calibrations;
    private final LookIns lookIns;
    private final GateQuestions questions;
    private final ShopClock clock;
    private final EntityManager entities;
    private final Path home;
    private final Map<String, Actor> actors = new HashMap<>();
    private final Map<String, Long> runIds = new HashMap<>();
    private final Map<String, Long> failureIds = new HashMap<>();

    DemoShop(People people, Fleet fleet, ShopSettings settings, Runs runs, Failures failures, Bench bench, Resins resins, Stock stock, Parts parts, Air air,
             Profiles profiles, Calibrations calibrations, LookIns lookIns, GateQuestions questions, ShopClock clock, EntityManager entities, @Value("${keel.home}") Path home) {
        this.people = people;
        this.fleet = fleet;
        this.settings = settings;
        this.runs = runs;
        this.failures = failures;
        this.bench = bench;
        this.resins = resins;
        this.stock = stock;
        this.parts = parts;
        this.air = air;
        this.profiles = profiles;
        this.calibrations = calibrations;
        this.lookIns = lookIns;
        this.questions = questions;
        this.clock = clock;
        this.entities = entities;
        this.home = home;
    }

    /** Makes the shop unless it is there already; answers whether it did. */
    @Transactional
    public boolean make() {
        if (!people.nobodyYet()) {
            return false;
        }
        Instant end = clock.instant();
        Story.Told story = Story.tell(SEED, end, ZoneId.systemDefault());
        try {
            clock.tell(story.start());
            setUp(story);
            story.happenings().forEach(this::enter);
        } finally {
            clock.tell(null);
            SecurityContextHolder.clearContext();
        }
        return true;
    }

    /** Writes the token of the open interface, last, when the data are complete. */
    void writeToken() {
        Path file = home.resolve("api-token");
        if (Files.exists(file)) {
            return;
        }
        as(people.byPassword("owner", Saltmarsh.PEOPLE.get(0).password()).orElseThrow());
        try {
            Home.writeSecret(file, people.makeToken("demo", Role.OWNER) + "\n");
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } finally {
            SecurityContextHolder.clearContext();
        }
    }

    private void setUp(Story.Told story) {
        Saltmarsh.PersonSpec owner = Saltmarsh.PEOPLE.get(0);
        actors.put(owner.signIn(), people.first(owner.signIn(), owner.name(), owner.password()));
        as(actors.get("owner"));
        people.changeOwnPin(owner.password(), owner.pin());
        for (Saltmarsh.PersonSpec p : Saltmarsh.PEOPLE.subList(1, Saltmarsh.PEOPLE.size())) {
            people.add(p.signIn(), p.name(), Role.valueOf(p.role()), p.password(), p.pin());
            actors.put(p.signIn(), people.byPassword(p.signIn(), p.password()).orElseThrow());
        }
        settings.rename(Saltmarsh.NAME, ZoneId.systemDefault().getId());
        Saltmarsh.ROOMS.forEach(fleet::addRoom);
        Saltmarsh.RESINS.forEach(r -> resins.add(r.name(), r.density()));
        Saltmarsh.ITEMS.forEach(i -> stock.addItem(i.name(), i.unit(), i.lowAt(), i.first()));
        Saltmarsh.MODELS.forEach(m -> fleet.addModel(new ModelEntry(m.name(), MachineKind.valueOf(m.kind()), m.widthMm(), m.depthMm(), m.heightMm(),
                m.pixelsX(), m.pixelsY(), m.release(), m.selfLevelling(), false, false, m.selfFilling(), m.wholeAreaLight(), m.joint(), m.fillLineMl(),
                new VatFrame(m.frame().windowLengthMm(), m.frame().windowWidthMm(), null, m.frame().clampLong(), m.frame().clampShort(),
                        m.frame().frameLong(), m.frame().frameShort()), new VatSize(m.vat().lengthMm(), m.vat().widthMm(), m.vat().depthMm()))));
        Saltmarsh.MACHINES.forEach(m -> fleet.addMachine(new MachineEntry(m.name(), m.model(), m.room(), m.school(), false, m.sieves(), story.start(),
                m.counterHours(), "FEP", 0.127, story.filmHoursAtStart().get(m.code()), m.screenUvHours(), m.lightHours())));
        parts.addVat("tern-144", new Parts.Sheet("FEP", 0.127), Parts.Baseline.NEW);
        parts.addVat("tern-208-tilting", null, Parts.Baseline.NEW);
    }

    private void enter(Happening happening) {
        clock.tell(happening.at().plus(2, ChronoUnit.MINUTES));
        as(actors.get(happening.who()));
        if (happening instanceof Happening.RunDone r) {
            runIds.put(r.key(), runs.enter(new RunEntry(r.machine(), r.job(), r.startedAt(), r.at(), r.layers(), r.layerExposureS(), r.resinMl(),
                    r.outcome(), r.reachedLayer(), null)).id());
        } else if (happening instanceof Happening.RunGoing r) {
            runs.enter(new RunEntry(r.machine(), r.job(), r.at(), null, r.layers(), r.layerExposureS(), r.resinMl(), null, null, null));
        } else if (happening instanceof Happening.FailureSeen f) {
            failureIds.put(f.key(), failures.log(new FailureEntry(f.machine(), runIds.get(f.runKey()), f.at(), f.symptoms(), f.absent(), f.zones(),
                    f.note())).id());
        } else if (happening instanceof Happening.CheckDone c) {
            failures.check(failureIds.get(c.failureKey()), c.check(), c.found());
        } else if (happening instanceof Happening.CauseNamed c) {
            failures.nameCause(failureIds.get(c.failureKey()), c.cause(), c.certainty(), c.note());
        } else if (happening instanceof Happening.ServiceDone s) {
            bench.record(new ServiceEntry(s.machine(), s.kind(), s.at(), s.note(), s.values()));
        } else if (happening instanceof Happening.ResinPoured p) {
            resins.pour(parts.vatOn(fleet.machine(p.machine()).id()).code(), p.resin(), p.ml(), p.at());
        } else if (happening instanceof Happening.ProfileBegun b) {
            profiles.begin(b.machine(), b.resin(), b.settings(), b.school());
        } else if (happening instanceof Happening.ProfileChanged c) {
            changeProfile(c);
        } else if (happening instanceof Happening.ThicknessMeasured t) {
            List<WorkingCurve.Point> points = t.depthMm().entrySet().stream().map(e -> new WorkingCurve.Point(e.getKey(), e.getValue())).toList();
            calibrations.keep(profiles.of(t.machine(), t.resin()), points, WorkingCurve.fit(points));
        } else if (happening instanceof Happening.LookedIn l) {
            lookIns.look(runs.last(l.machine()).orElseThrow(), l.seen(), false);
        } else if (happening instanceof Happening.GateAsks q) {
            questions.add(q.text(), q.part(), Set.copyOf(q.kinds()));
        } else if (happening instanceof Happening.RoomRead r) {
            air.read(r.room(), r.temperatureC(), r.humidityPercent());
        } else if (happening instanceof Happening.StockMoved m) {
            stock.move(m.item(), m.quantity(), m.reason());
        }
        entities.flush();
        entities.clear();
    }

    private void changeProfile(Happening.ProfileChanged c) {
        if (c.backTo() != null) {
            profiles.backTo(c.machine(), c.resin(), c.backTo(), c.why());
            return;
        }
        ProfileView now = profiles.of(c.machine(), c.resin());
        Map<Setting, Double> settings = new EnumMap<>(now.current().settings().values());
        settings.putAll(c.changes());
        profiles.change(c.machine(), c.resin(), settings, c.why(), now.current().number());
    }

    private static void as(Actor actor) {
        SecurityContextHolder.getContext().setAuthentication(UsernamePasswordAuthenticationToken.authenticated(actor, null, List.of()));
    }
}
