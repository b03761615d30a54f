package keel.app.starting;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import keel.app.air.RoomAir;
import keel.app.base.Conflict;
import keel.app.base.Refused;
import keel.app.failures.OwedLooks;
import keel.app.fleet.Fleet;
import keel.app.fleet.MachineRef;
import keel.app.fleet.Quirks;
import keel.app.fleet.ShopSettings;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.app.people.Role;
import keel.app.prints.InForce;
import keel.app.prints.Profiles;
import keel.app.prints.Releases;
import keel.app.prints.RunEntry;
import keel.app.prints.RunView;
import keel.app.prints.Runs;
import keel.app.prints.order.OrderPlates;
import keel.app.screen.ScreenVerdicts;
import keel.app.standing.MachineNow;
import keel.app.standing.SinceFailure;
import keel.app.standing.Standings;
import keel.app.stores.IdleResin;
import keel.app.stores.Warmths;
import keel.core.Findings;
import keel.core.exposure.PrintTime;
import keel.core.gate.GateFacts;
import keel.core.gate.GateItem;
import keel.core.gate.StartGate;
import keel.core.placement.Footprint;
import keel.core.placement.PlacedPart;
import keel.core.profile.Setting;
import keel.core.profile.VersionFared;
import keel.core.resin.VatFill;
import keel.core.run.Detail;
import keel.core.screen.ScreenVerdict;
import keel.core.standing.Defaults;
import keel.core.standing.PartUse;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The start gate of a machine: puts its questions from the records, and lets a run through once they are answered. */
@Service
@Transactional
public class Gates {

    private final Standings standings;
    private final SinceFailure sinceFailure;
    private final Fleet fleet;
    private final Warmths warmths;
    private final Releases releases;
    private final ShopSettings settings;
    private final Runs runs;
    private final Profiles profiles;
    private final GateQuestions questions;
    private final Quirks quirks;
    private final OwedLooks owed;
    private final ScreenVerdicts verdicts;
    private final RoomAir rooms;
    private final IdleResin idle;
    private final JobFiles files;
    private final OrderPlates orders;
    private final Logbook logbook;
    private final Clock clock;

    Gates(
            Standings standings,
            SinceFailure sinceFailure,
            Fleet fleet,
            Warmths warmths,
            Releases releases,
            ShopSettings settings,
            Runs runs,
            Profiles profiles,
            GateQuestions questions,
            Quirks quirks,
            OwedLooks owed,
            ScreenVerdicts verdicts,
            RoomAir rooms,
            IdleResin idle,
            JobFiles files,
            OrderPlates orders,
            Logbook logbook,
            Clock clock) {
        this.standings = standings;
        this.sinceFailure = sinceFailure;
        this.fleet = fleet;
        this.warmths = warmths;
        this.releases = releases;
        this.settings = settings;
        this.runs = runs;
        this.profiles = profiles;
        this.questions = questions;
        this.quirks = quirks;
        this.owed = owed;
        this.verdicts = verdicts;
        this.rooms = rooms;
        this.idle = idle;
        this.files = files;
        this.orders = orders;
        this.logbook = logbook;
        this.clock = clock;
    }

    /**
     * A job as far as it is said; what is not is null.
     *
     * @param exposureS of its layers, s
     * @param ml resin that it takes
     * @param detail how much it needs
     * @param parts what it covers of the plate, empty where nobody says
     * @param file hash of its file
     */
    public record Job(Integer layers, Double exposureS, Double ml, Detail detail, List<PlacedPart> parts, String file) {

        /** One of which its layers and its resin are said. */
        public static Job of(Integer layers, Double ml) {
            return new Job(layers, null, ml, null, List.of(), null);
        }

        static Job of(RunEntry entry, String file) {
            return new Job(
                    entry.layers(),
                    entry.layerExposureS(),
                    entry.resinMl(),
                    entry.detail(),
                    entry.footprint() instanceof Footprint.Parts p ? p.parts() : List.of(),
                    file);
        }
    }

    /** What is looked at before this job. */
    @Transactional(readOnly = true)
    public List<GateItem> of(String machineCode, Job job) {
        Defaults defaults = settings.defaults();
        MachineNow m = standings.of(machineCode);
        List<GateItem> items = new StartGate(defaults).items(facts(m, job, defaults));
        return job.file() == null ? items : withFile(items, files.one(job.file()), m);
    }

    private List<GateItem> withFile(List<GateItem> items, JobFiles.JobFile file, MachineNow m) {
        FileVerdict verdict = files.verdict(file, m);
        GateItem.State state =
                switch (verdict.state()) {
                    case STOPS, ANEW -> GateItem.State.HOLD;
                    case LOOK -> GateItem.State.WARN;
                    default -> GateItem.State.OK;
                };
        List<GateItem> answered =
                new ArrayList<>(StartGate.withFile(items, state, "The file was read. " + verdict.told()));
        Double layerMm = profiles.inForce(m.id(), clock.instant())
                .map(p -> p.settings().value(Setting.LAYER_MM))
                .orElse(null);
        StartGate.otherLayers(file.layerMm(), layerMm).ifPresent(answered::add);
        return List.copyOf(answered);
    }

    /** What a job of so many layers comes to; null where nothing is known of its pace, or the layers are not given. */
    @Transactional(readOnly = true)
    public Estimate estimate(MachineNow m, Integer layers, Double exposureS) {
        return estimate(m, layers, exposureS, false);
    }

    /** The same with a slow release all through. */
    @Transactional(readOnly = true)
    public Estimate estimate(MachineNow m, Integer layers, Double exposureS, boolean slow) {
        PrintTime.Settings timing = layers == null ? null : timing(m, layers, exposureS, slow);
        if (timing == null) {
            return null;
        }
        Double layerMm = profiles.inForce(m.id(), clock.instant())
                .map(p -> p.settings().value(Setting.LAYER_MM))
                .orElse(null);
        PrintTime time = PrintTime.of(timing);
        return new Estimate(
                time.seconds(),
                time.uvOnSeconds(),
                clock.instant().plusSeconds(Math.round(time.seconds())),
                layerMm == null ? null : layers * layerMm,
                layerMm);
    }

    private PrintTime.Settings timing(MachineNow m, int layers, Double exposureS, boolean slow) {
        InForce profile = profiles.inForce(m.id(), clock.instant()).orElse(null);
        if (profile != null) {
            return (exposureS == null ? profile.settings() : profile.settings().with(Setting.EXPOSURE_S, exposureS))
                    .timing(layers)
                    .switching(slow ? List.of(profile.settings().release(1, true)) : List.of());
        }
        return m.sinceRecords().layers() == 0 || exposureS == null
                ? null
                : PrintTime.Settings.even(
                        layers,
                        exposureS,
                        3600 * m.sinceRecords().hours() / m.sinceRecords().layers());
    }

    /**
     * What is said besides the job.
     *
     * @param resinC temperature of the resin as measured, °C; null where nobody measured
     * @param slowRelease whether it lets go slowly from the first layer on
     * @param file hash of the file that is printed, null where nobody says
     * @param order id of the order whose parts lie on the plate, null for none
     * @param pieces of its parts by their ids
     */
    public record Aside(Double resinC, boolean slowRelease, String file, Long order, Map<Long, Integer> pieces) {

        static final Aside NOTHING = new Aside(null, false, null, null, Map.of());
    }

    /** Whether its profile knows of a slow release. */
    @Transactional(readOnly = true)
    public boolean mayReleaseSlowly(MachineNow m) {
        return profiles.inForce(m.id(), clock.instant())
                .filter(p -> p.settings().releasesSlowly())
                .isPresent();
    }

    /** Whether the resin's own temperature would tell more than what is known. */
    @Transactional(readOnly = true)
    public boolean worthMeasuring(MachineNow m) {
        return warmths.of(m).map(r -> r.warmth().worthMeasuring()).orElse(true);
    }

    /**
     * Starts a run through the gate.
     *
     * @param looked codes of the questions that somebody looked at and found in order
     * @throws Refused if one that only eyes can tell was not looked at
     */
    public RunView start(RunEntry entry, List<String> looked) {
        return start(entry, looked, Aside.NOTHING);
    }

    /**
     * The same, with what is said besides the job.
     *
     * @throws Refused also where the resin's temperature cannot be
     */
    public RunView start(RunEntry entry, List<String> looked, Aside aside) {
        Actor actor = Actor.current();
        MachineNow m = standings.of(entry.machine());
        if (aside.resinC() != null) {
            warmths.measure(m, aside.resinC());
        }
        List<GateItem> items = of(entry.machine(), Job.of(entry, aside.file()));
        String despite = despite(items, entry.overrideReason());
        Findings findings = new Findings();
        items.stream()
                .filter(i -> i.state() == GateItem.State.ASK && !looked.contains(i.code()))
                .forEach(i -> findings.add(i.code(), "Not looked at yet: " + i.text()));
        Refused.unless(findings);
        RunView run = runs.enter(entry);
        if (aside.file() != null) {
            files.printed(run.id(), aside.file());
        }
        if (aside.order() != null) {
            orders.put(run.id(), aside.order(), aside.pieces());
        }
        if (aside.slowRelease() && mayReleaseSlowly(m)) {
            releases.switchTo(run.id(), true, 1);
        }
        String warned = String.join(
                " ",
                items.stream()
                        .filter(i -> i.state() == GateItem.State.WARN)
                        .map(GateItem::text)
                        .toList());
        logbook.write(LogDraft.of(
                        LogKind.GATE_PASSED,
                        fleet.machine(entry.machine()).id(),
                        "RUN",
                        run.id(),
                        run.startedAt(),
                        run.machineName() + ": looked at before the start: plate, vat, resin, file and ventilation"
                                + own(items) + ".",
                        Map.of("run", run.id(), "items", items),
                        actor)
                .noting(knowing(despite, warned)));
        return run;
    }

    private static String knowing(String despite, String warned) {
        String file = despite == null ? "" : "Started despite what was found in the file: " + despite + ".";
        String rest = warned.isEmpty() ? "" : "Started knowing: " + warned;
        return file.isEmpty() && rest.isEmpty() ? null : (file + " " + rest).strip();
    }

    /**
     * What spoils the print holds it, unless a keeper says why it is printed all the same; answers why, null where
     * nothing spoils it.
     */
    private static String despite(List<GateItem> items, String overrideReason) {
        GateItem spoiled = items.stream()
                .filter(i -> i.code().equals(StartGate.FILE_READ) && i.state() == GateItem.State.HOLD)
                .findFirst()
                .orElse(null);
        if (spoiled == null) {
            return null;
        }
        if (overrideReason == null || overrideReason.isBlank()) {
            throw new Conflict("file", spoiled.text() + " A keeper may start all the same, with a reason.");
        }
        Actor.require(Role.KEEPER);
        return overrideReason.strip();
    }

    private static String own(List<GateItem> items) {
        return items.stream().anyMatch(i -> i.code().startsWith(GateQuestions.PREFIX))
                ? ", and what the shop asks besides"
                : "";
    }

    private GateFacts facts(MachineNow m, Job job, Defaults defaults) {
        SinceFailure.Now since = sinceFailure.of(m.id());
        Optional<Warmths.Read> warm = warmths.of(m);
        MachineRef ref = fleet.machine(m.code());
        InForce profile = profiles.inForce(m.id(), clock.instant()).orElse(null);
        VersionFared fared = profile == null ? null : profiles.fared(profile.versionId());
        VatFill.Displacer plate =
                new VatFill.Displacer(m.plateWidthMm() * m.plateDepthMm(), defaults.value("plate.thickMm"));
        return new GateFacts(
                m.kind(),
                m.holds(),
                m.worn().stream()
                        .filter(p -> p.part() != PartUse.UsedPart.LIGHT || p.condition() != null)
                        .map(p -> p.under(job.parts()))
                        .toList(),
                jobHours(m, job.layers(), job.exposureS(), defaults),
                job.detail() == null ? Detail.USUAL : job.detail(),
                m.uvShare(),
                m.resin() == null ? null : m.resin().replace('-', ' '),
                m.resin() == null ? null : Double.valueOf(m.resinMl()),
                job.ml(),
                m.fillLineMl(),
                ref.selfFilling(),
                warm.map(Warmths.Read::warmth).orElse(null),
                warm.map(Warmths.Read::hoursAgo).orElse(null),
                m.sinceLevelled().prints(),
                m.levelledAt() != null,
                since.lastFailed(),
                since.changedSince(),
                m.holdNextPartToLight(),
                profile == null
                        ? null
                        : new GateFacts.Profile(
                                profile.number(),
                                profile.settings().value(Setting.EXPOSURE_S),
                                fared.runs(),
                                fared.good()),
                job.exposureS(),
                ref.vat().fill().map(fill -> new GateFacts.Vat(fill, plate)).orElse(null),
                m.resin() == null
                        ? null
                        : idle.of(m.id()).map(IdleResin.Idle::days).orElse(null),
                besides(m, since));
    }

    /** What is odd about the machine, what several failures call for, and what the shop asks itself. */
    private List<GateItem> besides(MachineNow m, SinceFailure.Now since) {
        List<GateItem> items = new ArrayList<>();
        StartGate.knownGoodFirst(since.inARow()).ifPresent(items::add);
        if (since.lastFailed() && m.holds().isEmpty()) {
            owed.of(m).forEach(l -> items.add(StartGate.lookFor(l.code(), l.name(), l.present())));
        }
        m.standing().concerns().stream()
                .filter(c -> c.about().equals("stop-gap"))
                .forEach(c -> items.add(StartGate.stopGap(c.text())));
        verdicts.of(m)
                .filter(v -> v.verdict() != ScreenVerdict.Verdict.USABLE)
                .ifPresent(v -> items.add(StartGate.screen(v)));
        rooms.all().stream()
                .filter(r -> r.code().equals(m.room()) && Boolean.FALSE.equals(r.fanRunning()))
                .forEach(r -> items.add(StartGate.fanOff(r.name())));
        quirks.of(m.code()).forEach(q -> items.add(StartGate.quirk(q.id(), q.text(), q.workaround())));
        items.addAll(questions.items(m.kind()));
        return items;
    }

    /** By the profile or the pace of this machine's own layers; a typical job where the layers are not known. */
    private double jobHours(MachineNow m, Integer layers, Double exposureS, Defaults defaults) {
        Estimate estimate = estimate(m, layers, exposureS);
        return estimate != null
                ? estimate.seconds() / 3600
                : layers == null || m.sinceRecords().layers() == 0
                        ? defaults.value("job.typicalHours")
                        : layers * (m.sinceRecords().hours() / m.sinceRecords().layers());
    }

    /** A layer count as it may come from a link: nonsense is taken as not known. */
    public static Integer layers(String text) {
        return text != null && text.strip().matches("\\d{1,5}") && Integer.parseInt(text.strip()) > 0
                ? Integer.valueOf(text.strip())
                : null;
    }

    /** The same for an amount. */
    public static Double amount(String text) {
        String plain = text == null ? "" : text.strip().replace(',', '.').toLowerCase(Locale.ROOT);
        return plain.matches("\\d{1,5}(\\.\\d+)?") ? Double.valueOf(plain) : null;
    }
}
