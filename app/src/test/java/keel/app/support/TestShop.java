package keel.app.support;

import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicInteger;
import keel.app.bench.Bench;
import keel.app.bench.ServiceEntry;
import keel.app.bench.ServiceView;
import keel.app.failures.FailureEntry;
import keel.app.failures.FailureView;
import keel.app.failures.Failures;
import keel.app.fleet.Fleet;
import keel.app.fleet.MachineEntry;
import keel.app.fleet.ModelEntry;
import keel.app.people.Actor;
import keel.app.people.People;
import keel.app.people.Role;
import keel.app.prints.RunEntry;
import keel.app.prints.RunView;
import keel.app.prints.Runs;
import keel.app.standing.MachineNow;
import keel.app.standing.Standings;
import keel.app.stores.Resins;
import keel.app.stores.Stock;
import keel.core.bolts.VatFrame;
import keel.core.resin.VatSize;
import keel.core.standing.Hold;
import keel.core.standing.MachineKind;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;

/** Builds what a test needs in a few words: people, machines with everything on them, runs, failures, services. */
@Component
public class TestShop {

    public static final String PASSWORD = "a-long-password";
    /** Machines came into the shop then. */
    public static final Instant SINCE = Instant.parse("2025-01-01T00:00:00Z");

    private static final AtomicInteger NUMBER = new AtomicInteger();

    private final Map<String, Actor> actors = new ConcurrentHashMap<>();
    private final People people;
    private final Fleet fleet;
    private final Runs runs;
    private final Failures failures;
    private final Bench bench;
    private final Resins resins;
    private final Stock stock;
    private final Standings standings;

    TestShop(
            People people,
            Fleet fleet,
            Runs runs,
            Failures failures,
            Bench bench,
            Resins resins,
            Stock stock,
            Standings standings) {
        this.people = people;
        this.fleet = fleet;
        this.runs = runs;
        this.failures = failures;
        this.bench = bench;
        this.resins = resins;
        this.stock = stock;
        this.standings = standings;
    }

    /** Makes the people once: owner, keeper, operator, each with {@link #PASSWORD} and PIN 4829. */
    public void people() {
        if (people.nobodyYet()) {
            signIn(people.first("owner", "Olga", PASSWORD));
            people.changeOwnPin(PASSWORD, "4829");
            people.add("keeper", "Kees", Role.KEEPER, PASSWORD, "4829");
            people.add("operator", "Oda", Role.OPERATOR, PASSWORD, "4829");
        }
    }

    /** Signs one of them in. The password is only tried once: hashing it is slow on purpose. */
    public void as(String signIn) {
        signIn(actors.computeIfAbsent(
                signIn, name -> people.byPassword(name, PASSWORD).orElseThrow()));
    }

    private static void signIn(Actor actor) {
        SecurityContextHolder.getContext()
                .setAuthentication(UsernamePasswordAuthenticationToken.authenticated(actor, null, List.of()));
    }

    public String token(Role role) {
        as("owner");
        return people.makeToken("test " + role, role);
    }

    public String maskMachine() {
        return machine(MachineKind.MASK, false);
    }

    /** A machine of a model and in a room of its own; answers its code. */
    public String machine(MachineKind kind, boolean selfLevelling) {
        as("keeper");
        int n = NUMBER.incrementAndGet();
        String model = fleet.addModel(new ModelEntry(
                "Model " + n,
                kind,
                144.0,
                81.0,
                175.0,
                5760,
                3240,
                "PEEL",
                selfLevelling,
                false,
                false,
                false,
                true,
                "BALL",
                280.0,
                VatFrame.UNKNOWN,
                VatSize.UNKNOWN));
        return machineOf(model);
    }

    /** A mask machine whose plate is held by BOLTS_3 or BOLTS_4. */
    public String bolted(String joint) {
        as("keeper");
        return machineOf(fleet.addModel(new ModelEntry(
                "Model " + NUMBER.incrementAndGet(),
                MachineKind.MASK,
                144.0,
                81.0,
                175.0,
                5760,
                3240,
                "PEEL",
                false,
                false,
                false,
                false,
                true,
                joint,
                280.0,
                VatFrame.UNKNOWN,
                new VatSize(176.0, 112.0, 34.0))));
    }

    public String machineOf(String model) {
        as("keeper");
        String room = fleet.addRoom("Room " + NUMBER.incrementAndGet());
        return fleet.addMachine(new MachineEntry(
                "Bird " + NUMBER.incrementAndGet(),
                model,
                room,
                "PAPER",
                false,
                false,
                SINCE,
                0,
                "FEP",
                0.127,
                0.0,
                0.0,
                0.0,
                MachineEntry.Before.NEW));
    }

    public String modelOf(String machine) {
        return fleet.machines().stream()
                .filter(m -> m.code().equals(machine))
                .findFirst()
                .orElseThrow()
                .model();
    }

    /**
     * A good run of so many hours, started so many hours after {@link #SINCE}: 1000 layers of 1.8 s, half an hour of
     * UV, 50 ml.
     */
    public RunView run(String machine, double startHour, double hours) {
        return runs.enter(new RunEntry(
                machine, "Latch pattern", at(startHour), at(startHour + hours), 1000, 1.8, 50.0, "GOOD", null, null));
    }

    public FailureView failure(String machine, double hour, String... symptoms) {
        return failures.log(new FailureEntry(machine, null, at(hour), List.of(symptoms), null, null, null));
    }

    /** Fields come in pairs: name, value. */
    public ServiceView service(String machine, String kind, double hour, Object... fields) {
        Map<String, Object> values = new LinkedHashMap<>();
        for (int i = 0; i < fields.length; i += 2) {
            values.put((String) fields[i], fields[i + 1]);
        }
        return bench.record(new ServiceEntry(machine, kind, at(hour), null, values));
    }

    public ServiceView filmChange(String machine, double hour) {
        return service(machine, "FILM_CHANGE", hour, "material", "FEP", "thicknessMm", 0.127, "endReason", "CLOUDED");
    }

    public String resin(String name) {
        as("keeper");
        return resins.add(name + " " + NUMBER.incrementAndGet(), null);
    }

    public String item(String name, double onHand) {
        as("keeper");
        return stock.addItem(name + " " + NUMBER.incrementAndGet(), "pieces", null, onHand);
    }

    public MachineNow now(String machine) {
        return standings.of(machine);
    }

    public List<String> holds(String machine) {
        return now(machine).holds().stream().map((Hold h) -> h.code().code()).toList();
    }

    public double filmHours(String machine) {
        return now(machine).film().usage().hours();
    }

    public static Instant at(double hour) {
        return SINCE.plus(Duration.ofSeconds(Math.round(hour * 3600))).truncatedTo(ChronoUnit.MILLIS);
    }
}
