package keel.demo;

import jakarta.persistence.EntityManager;
import java.time.temporal.ChronoUnit;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import keel.app.air.Air;
import keel.app.bench.Bench;
import keel.app.bench.ServiceEntry;
import keel.app.failures.CaseChecks;
import keel.app.failures.CaseFacts;
import keel.app.failures.FailureEntry;
import keel.app.failures.Failures;
import keel.app.failures.Verdicts;
import keel.app.film.FilmLives;
import keel.app.film.FilmLooks;
import keel.app.film.FilmTones;
import keel.app.film.Vats;
import keel.app.fleet.ComponentKind;
import keel.app.fleet.Fleet;
import keel.app.fleet.Parts;
import keel.app.fleet.Quirks;
import keel.app.people.Actor;
import keel.app.prints.Calibrations;
import keel.app.prints.LookIns;
import keel.app.prints.ProfileView;
import keel.app.prints.Profiles;
import keel.app.prints.RunEntry;
import keel.app.prints.Runs;
import keel.app.screen.PartModels;
import keel.app.screen.ScreenInspections;
import keel.app.screen.UvMaps;
import keel.app.shell.ShopClock;
import keel.app.standing.MachineNow;
import keel.app.standing.Rebuild;
import keel.app.standing.Standings;
import keel.app.starting.GateQuestions;
import keel.app.stores.FilmPacks;
import keel.core.exposure.WorkingCurve;
import keel.core.film.Recording;
import keel.core.placement.Footprint;
import keel.core.profile.Setting;
import keel.core.screen.TestPattern;
import keel.sim.shop.Happening;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/**
 * Enters what happened in a simulated shop through the application's own services, each at its time and by whoever did
 * it.
 */
@Component
class Replay {

    /**
     * Entries after which the session is emptied: a long one is slow to check for changes, an empty one reads all anew.
     */
    private static final int BATCH = 10;

    private final StoresReplay stores;
    private final AirReplay airs;
    private final Runs runs;
    private final Failures failures;
    private final Verdicts verdicts;
    private final CaseChecks caseChecks;
    private final CaseFacts caseFacts;
    private final Bench bench;
    private final Parts parts;
    private final Fleet fleet;
    private final Air air;
    private final Profiles profiles;
    private final Calibrations calibrations;
    private final LookIns lookIns;
    private final GateQuestions questions;
    private final Quirks quirks;
    private final FilmPacks packs;
    private final Vats vats;
    private final FilmLooks looks;
    private final FilmTones tones;
    private final FilmLives lives;
    private final PartModels panels;
    private final ScreenInspections inspections;
    private final UvMaps uvMaps;
    private final Standings standings;
    private final ShopClock clock;
    private final Rebuild rebuild;
    private final EntityManager entities;
    private final Map<String, Long> runIds = new HashMap<>();
    private final Map<String, Long> failureIds = new HashMap<>();
    private int entered;

    Replay(
            StoresReplay stores,
            AirReplay airs,
            Runs runs,
            Failures failures,
            Verdicts verdicts,
            CaseChecks caseChecks,
            CaseFacts caseFacts,
            Bench bench,
            Parts parts,
            Fleet fleet,
            Air air,
            Profiles profiles,
            Calibrations calibrations,
            LookIns lookIns,
            GateQuestions questions,
            Quirks quirks,
            FilmPacks packs,
            Vats vats,
            FilmLooks looks,
            FilmTones tones,
            FilmLives lives,
            PartModels panels,
            ScreenInspections inspections,
            UvMaps uvMaps,
            Standings standings,
            ShopClock clock,
            Rebuild rebuild,
            EntityManager entities) {
        this.stores = stores;
        this.airs = airs;
        this.runs = runs;
        this.failures = failures;
        this.verdicts = verdicts;
        this.caseChecks = caseChecks;
        this.caseFacts = caseFacts;
        this.bench = bench;
        this.parts = parts;
        this.fleet = fleet;
        this.air = air;
        this.profiles = profiles;
        this.calibrations = calibrations;
        this.lookIns = lookIns;
        this.questions = questions;
        this.quirks = quirks;
        this.packs = packs;
        this.vats = vats;
        this.looks = looks;
        this.tones = tones;
        this.lives = lives;
        this.panels = panels;
        this.inspections = inspections;
        this.uvMaps = uvMaps;
        this.standings = standings;
        this.clock = clock;
        this.rebuild = rebuild;
        this.entities = entities;
    }

    /**
     * Enters all of it; afterwards the clock shows the real time again, and nobody is signed in.
     *
     * @param happenings in order of time
     * @param actors sign-in to person
     */
    @Transactional
    public void enter(List<Happening> happenings, Map<String, Actor> actors) {
        int last = firstOfTheEnd(happenings);
        try {
            rebuild.onceAfter(() -> happenings.subList(0, last).forEach(h -> enter(h, actors)));
            happenings.subList(last, happenings.size()).forEach(h -> enter(h, actors));
        } finally {
            clock.tell(null);
            SecurityContextHolder.clearContext();
        }
    }

    /**
     * A run that is still going on is started as in the shop, through the holds, and so needs what is derived up to
     * then.
     */
    private static int firstOfTheEnd(List<Happening> happenings) {
        for (int i = 0; i < happenings.size(); i++) {
            if (happenings.get(i) instanceof Happening.RunGoing) {
                return i;
            }
        }
        return happenings.size();
    }

    private void enter(Happening happening, Map<String, Actor> actors) {
        clock.tell(happening.at().plus(2, ChronoUnit.MINUTES));
        as(actors.get(happening.who()));
        if (stores.enter(happening, runIds) || airs.enter(happening)) {
            entities.flush();
        } else if (happening instanceof Happening.RunDone r) {
            runIds.put(
                    r.key(),
                    runs.enter(new RunEntry(
                                    r.machine(),
                                    r.job(),
                                    r.startedAt(),
                                    r.at(),
                                    r.layers(),
                                    r.layerExposureS(),
                                    r.resinMl(),
                                    r.outcome(),
                                    r.reachedLayer(),
                                    null,
                                    null,
                                    null,
                                    new Footprint.Parts(r.footprint())))
                            .id());
        } else if (happening instanceof Happening.RunGoing r) {
            runs.enter(new RunEntry(
                    r.machine(),
                    r.job(),
                    r.at(),
                    null,
                    r.layers(),
                    r.layerExposureS(),
                    r.resinMl(),
                    null,
                    null,
                    null,
                    null,
                    null,
                    new Footprint.Parts(r.footprint())));
        } else if (happening instanceof Happening.FailureSeen f) {
            failureIds.put(
                    f.key(),
                    failures.log(new FailureEntry(
                                    f.machine(),
                                    runIds.get(f.runKey()),
                                    f.at(),
                                    f.symptoms(),
                                    f.absent(),
                                    f.zones(),
                                    f.note()))
                            .id());
        } else if (happening instanceof Happening.PrintedAgain a) {
            runs.printsAgain(runIds.get(a.runKey()), runIds.get(a.ofRunKey()));
        } else if (happening instanceof Happening.FactsTold t) {
            caseFacts.tell(failureIds.get(t.failureKey()), Set.copyOf(t.facts()));
        } else if (happening instanceof Happening.CheckDone c) {
            caseChecks.check(failureIds.get(c.failureKey()), c.check(), c.found());
        } else if (happening instanceof Happening.CauseNamed c) {
            verdicts.nameCause(failureIds.get(c.failureKey()), c.cause(), c.certainty(), c.note());
        } else if (happening instanceof Happening.ServiceDone s) {
            bench.record(new ServiceEntry(s.machine(), s.kind(), s.at(), s.note(), s.values()));
        } else if (happening instanceof Happening.ProfileBegun b) {
            profiles.begin(b.machine(), b.resin(), b.settings(), b.school());
        } else if (happening instanceof Happening.ProfileChanged c) {
            changeProfile(c);
        } else if (happening instanceof Happening.ThicknessMeasured t) {
            List<WorkingCurve.Point> points = t.depthMm().entrySet().stream()
                    .map(e -> new WorkingCurve.Point(e.getKey(), e.getValue()))
                    .toList();
            calibrations.keep(profiles.of(t.machine(), t.resin()), points, WorkingCurve.fit(points));
        } else if (happening instanceof Happening.LookedIn l) {
            lookIns.look(runs.last(l.machine()).orElseThrow(), l.seen(), false);
        } else if (happening instanceof Happening.GateAsks q) {
            questions.add(q.text(), q.part(), Set.copyOf(q.kinds()));
        } else if (happening instanceof Happening.QuirkNoted q) {
            quirks.add("MACHINE", q.machine(), q.code(), q.text(), q.workaround());
        } else if (happening instanceof Happening.Compared c) {
            quirks.compare(c.piece(), c.first(), c.firstShows(), c.second(), c.secondShows(), true);
        } else if (happening instanceof Happening.PackBought b) {
            packs.add(new FilmPacks.PackEntry(
                    b.supplier(), b.lot(), "FEP", b.thicknessMm(), b.lengthMm(), b.widthMm(), b.sheets(), b.price()));
        } else if (happening instanceof Happening.FilmLooked l) {
            look(l);
        } else if (happening instanceof Happening.FilmTapped t) {
            Vats.Vat vat = vatOf(t.machine());
            long id = tones.keep(
                    vat,
                    tones.hear(
                            vat,
                            Recording.ofWav(t.centre().bytes()),
                            Recording.ofWav(t.quarter().bytes())),
                    t.temperatureC());
            if (t.right()) {
                tones.refer(vat, id);
            }
        } else if (happening instanceof Happening.ScreenBought b) {
            parts.addSpare(
                    ComponentKind.SCREEN,
                    new Parts.Origin(
                            panels.called(b.model()).id(),
                            b.serial(),
                            b.batch(),
                            b.boughtOn(),
                            b.warrantyUntil(),
                            b.price()));
        } else if (happening instanceof Happening.ScreenPhotographed p) {
            MachineNow m = standings.of(p.machine());
            inspections.writeAll(m, inspections.look(m, p.png().bytes(), TestPattern.WHITE), p.typed());
        } else if (happening instanceof Happening.UvMapped u) {
            uvMaps.keep(standings.of(u.machine()), u.readings());
        } else if (happening instanceof Happening.FilmTried t) {
            lives.experiment(vatOf(t.machine()), t.what());
        } else if (happening instanceof Happening.RoomRead r) {
            air.read(r.room(), r.temperatureC(), r.humidityPercent());
        }
        entities.flush();
        if (++entered % BATCH == 0) {
            entities.clear();
        }
    }

    private Vats.Vat vatOf(String machine) {
        return vats.one(parts.vatOn(fleet.machine(machine).id()).code());
    }

    private void look(Happening.FilmLooked l) {
        Vats.Vat vat = vatOf(l.machine());
        looks.write(
                vat.code(),
                new FilmLooks.LookEntry(
                        l.clouding(),
                        l.uvBare(),
                        l.uvThrough(),
                        l.leak() == null ? null : FilmLooks.Leak.valueOf(l.leak()),
                        l.marks(),
                        null),
                vat.model().plateWidthMm(),
                vat.model().plateDepthMm());
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

    static void as(Actor actor) {
        SecurityContextHolder.getContext()
                .setAuthentication(UsernamePasswordAuthenticationToken.authenticated(actor, null, List.of()));
    }
}
