package keel.app.standing;

import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import keel.app.base.NotThere;
import keel.app.base.OncePerRead;
import keel.app.fleet.ComponentKind;
import keel.app.fleet.MachineCard;
import keel.app.fleet.Quirk;
import keel.app.fleet.Quirks;
import keel.app.fleet.ShopSettings;
import keel.core.exposure.PrintTime;
import keel.core.knowledge.Knowledge;
import keel.core.profile.ProfileSettings;
import keel.core.profile.Setting;
import keel.core.standing.Circumstances;
import keel.core.standing.Hold;
import keel.core.standing.MachineKind;
import keel.core.standing.PartCondition;
import keel.core.standing.PartUse;
import keel.core.standing.Standing;
import keel.core.standing.StateRules;
import keel.core.standing.StopGap;
import keel.core.wear.Usage;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** How the machines stand now: a fixed number of queries, whatever the size of the fleet and of its history. */
@Service
@Transactional(readOnly = true)
public class Standings {

    private static final Duration FORECAST_FROM = Duration.ofDays(28);

    private static final Map<ComponentKind, NotKnown.About> ABOUT = Map.of(
            ComponentKind.FILM, NotKnown.About.FILM,
            ComponentKind.SCREEN, NotKnown.About.SCREEN,
            ComponentKind.LIGHT, NotKnown.About.LIGHT);

    private final StandingRecords records;
    private final MeterRecords meters;
    private final Quirks quirks;
    private final PartsReading parts;
    private final PartLives lives;
    private final AllSeen seen;
    private final ShopSettings settings;
    private final Knowledge knowledge;
    private final Clock clock;

    Standings(
            StandingRecords records,
            MeterRecords meters,
            PartsReading parts,
            PartLives lives,
            AllSeen seen,
            ShopSettings settings,
            Knowledge knowledge,
            Clock clock,
            Quirks quirks) {
        this.quirks = quirks;
        this.records = records;
        this.meters = meters;
        this.parts = parts;
        this.lives = lives;
        this.seen = seen;
        this.settings = settings;
        this.knowledge = knowledge;
        this.clock = clock;
    }

    /** All machines of the shop that have not left it, by name. */
    public List<MachineNow> all() {
        return read(null);
    }

    /** @throws NotThere if no machine has this code */
    public MachineNow of(String code) {
        return read(code).stream()
                .findFirst()
                .orElseThrow(() -> new NotThere("There is no machine called " + code + "."));
    }

    /** The open holds of a machine, most urgent first. */
    public List<Hold> holds(long machineId) {
        return holdsOf(machineId).getOrDefault(machineId, List.of());
    }

    /** All that is read for some machines at once, by their numbers. */
    private record Read(
            Map<Long, List<PartView>> fitted,
            Map<Long, List<Hold>> holds,
            Map<Long, List<String>> causes,
            Map<String, List<Quirk>> quirks,
            Map<Meter.Key, Usage> meters,
            Map<Long, Double> pace,
            Map<Long, MachineNow.OpenRun> runs,
            Map<Long, List<PartQueries.Unsaid>> unsaid,
            StateRules rules,
            PartLives.Book lives,
            Map<Long, PartCondition> conditions) {

        Usage meter(MeterScope scope, MachineCard machine) {
            return meters.getOrDefault(new Meter.Key(scope, machine.id()), Usage.NONE);
        }
    }

    private record Asked(String code) {}

    private List<MachineNow> read(String code) {
        return OncePerRead.get(new Asked(code), () -> readAnew(code));
    }

    private List<MachineNow> readAnew(String code) {
        List<StandingRecords.Stands> machines = records.machines(code);
        if (machines.isEmpty()) {
            return List.of();
        }
        Long only = code == null ? null : machines.get(0).card().id();
        Map<Meter.Key, Usage> metered = meters.ofMachines(only).stream()
                .collect(Collectors.toMap(m -> new Meter.Key(m.scope, m.ownerId), Meter::usage));
        Read read = new Read(
                parts.fitted(only),
                holdsOf(only),
                causesOf(only),
                quirks.byMachine(code),
                metered,
                pace(only),
                openRuns(only, metered),
                parts.unsaid(only),
                new StateRules(settings.defaults()),
                lives.book(),
                seen.fitted());
        return machines.stream().map(m -> now(m, read)).toList();
    }

    private MachineNow now(StandingRecords.Stands machine, Read read) {
        MachineCard card = machine.card();
        MachineStanding stands = machine.standing() == null ? new MachineStanding() : machine.standing();
        Map<ComponentKind, PartView> part = read.fitted().getOrDefault(card.id(), List.of()).stream()
                .collect(Collectors.toMap(PartView::kind, Function.identity(), (a, b) -> a));
        MachineNow.Meters meter = meters(card, stands, read);
        List<Hold> holds = read.holds().getOrDefault(card.id(), List.of());
        List<PartUse> worn = uses(card, part, read);
        double uvShare = meter.sinceRecords().uvShare(settings.defaults().value("uv.share"));
        MachineNow.OpenRun run = read.runs().get(card.id());
        Standing standing = read.rules()
                .of(new Circumstances(
                        stands.offSince != null,
                        run != null,
                        holds,
                        worn,
                        new Circumstances.Upkept(meter.sinceLubricated().hours(), stands.lubricationKnown),
                        new Circumstances.Upkept(meter.sinceAbraded().hours(), stands.abradingKnown),
                        meter.hoursPerDay(),
                        uvShare,
                        read.causes().getOrDefault(card.id(), List.of()),
                        read.quirks().getOrDefault(card.code(), List.of()).stream()
                                .map(Quirk::text)
                                .toList(),
                        stopGap(stands)));
        return new MachineNow(
                named(card),
                standing,
                holds,
                fitted(card, part),
                new MachineNow.Vessel(stands.vatResin, stands.vatMl, card.fillLineMl()),
                run,
                meter,
                stands.holdToLight,
                worn,
                uvShare,
                notKnown(card, stands, read.unsaid().getOrDefault(card.id(), List.of())));
    }

    private static List<NotKnown> notKnown(MachineCard card, MachineStanding stands, List<PartQueries.Unsaid> unsaid) {
        List<NotKnown> notKnown = new ArrayList<>();
        add(notKnown, !card.selfLevelling() && stands.levelledAt == null, NotKnown.About.LEVELLED);
        add(notKnown, !stands.lubricationKnown, NotKnown.About.LUBRICATED);
        add(notKnown, !stands.abradingKnown, NotKnown.About.ABRADED);
        add(notKnown, !stands.vatKnown && stands.vatId != null, NotKnown.About.RESIN);
        unsaid.stream()
                .filter(u -> ABOUT.containsKey(u.kind()))
                .forEach(u -> notKnown.add(new NotKnown(ABOUT.get(u.kind()), u.code())));
        return notKnown;
    }

    private static void add(List<NotKnown> notKnown, boolean so, NotKnown.About about) {
        if (so) {
            notKnown.add(new NotKnown(about, null));
        }
    }

    private static MachineNow.Named named(MachineCard card) {
        return new MachineNow.Named(
                card.id(),
                card.code(),
                card.name(),
                card.kind(),
                card.modelName(),
                card.roomCode(),
                card.roomName(),
                new MachineNow.PlateSize(card.plateWidthMm(), card.plateDepthMm(), card.plateHeightMm()),
                card.since());
    }

    private static MachineNow.Meters meters(MachineCard card, MachineStanding stands, Read read) {
        Usage printed = read.meter(MeterScope.MACHINE, card);
        return new MachineNow.Meters(
                printed.plus(new Usage(card.baselineHours(), 0, 0, 0, 0)),
                printed,
                read.meter(MeterScope.LUBRICATED, card),
                read.meter(MeterScope.ABRADED, card),
                read.meter(MeterScope.LEVELLED, card),
                stands.levelledAt,
                read.pace().getOrDefault(card.id(), 0.0));
    }

    private static MachineNow.FittedParts fitted(MachineCard card, Map<ComponentKind, PartView> part) {
        return new MachineNow.FittedParts(
                part.get(ComponentKind.VAT),
                part.get(ComponentKind.FILM),
                card.kind().hasScreen() ? part.get(ComponentKind.SCREEN) : null,
                part.get(ComponentKind.PLATE),
                part.get(ComponentKind.LIGHT));
    }

    private List<PartUse> uses(MachineCard card, Map<ComponentKind, PartView> parts, Read read) {
        List<PartUse> uses = new ArrayList<>();
        PartUse.UsedPart lining = card.kind() == MachineKind.LASER_TANK ? PartUse.UsedPart.TANK : PartUse.UsedPart.FILM;
        use(card, parts.get(ComponentKind.FILM), lining, card.kind().lining(), read)
                .ifPresent(uses::add);
        if (card.kind().hasScreen()) {
            use(card, parts.get(ComponentKind.SCREEN), PartUse.UsedPart.SCREEN, "Screen", read)
                    .ifPresent(uses::add);
        }
        use(card, parts.get(ComponentKind.LIGHT), PartUse.UsedPart.LIGHT, "Light engine", read)
                .ifPresent(uses::add);
        return uses;
    }

    private Optional<PartUse> use(MachineCard card, PartView part, PartUse.UsedPart kind, String words, Read read) {
        if (part == null) {
            return Optional.empty();
        }
        PartCondition condition = read.conditions().get(part.id());
        return Optional.of(new PartUse(
                kind,
                words + " " + part.code(),
                part.usage(),
                read.lives().of(kind, card.modelName()),
                condition,
                seen.kept(card.id(), kind, part, condition)));
    }

    private StopGap stopGap(MachineStanding stands) {
        return stands.stopGapSince == null
                ? null
                : new StopGap(
                        stands.stopGapSince,
                        stands.stopGapHours,
                        settings.defaults().value("stopgap.everyHours"));
    }

    private Map<Long, List<Hold>> holdsOf(Long only) {
        return records.holds(only).stream()
                .collect(Collectors.groupingBy(
                        h -> h.machineId, Collectors.mapping(OpenHold::hold, Collectors.toList())));
    }

    private Map<Long, List<String>> causesOf(Long only) {
        return records.causes(only).stream()
                .collect(Collectors.groupingBy(
                        c -> c.machineId, Collectors.mapping(c -> name(c.cause), Collectors.toList())));
    }

    private String name(String cause) {
        return knowledge.cause(cause).map(c -> c.name()).orElse(cause);
    }

    private Map<Long, Double> pace(Long only) {
        return records.printed(clock.instant().minus(FORECAST_FROM), only).stream()
                .collect(Collectors.toMap(StandingRecords.Printed::machine, p -> p.hours() / FORECAST_FROM.toDays()));
    }

    private Map<Long, MachineNow.OpenRun> openRuns(Long only, Map<Meter.Key, Usage> metered) {
        List<RunGoingOn> runs = records.goingOn(only);
        Map<Long, ProfileSettings> profiles = profiles(runs);
        Map<Long, List<ReleaseSwitched>> switched = switched(runs, profiles);
        return runs.stream()
                .collect(Collectors.toMap(
                        r -> r.machineId,
                        r -> openRun(
                                r,
                                profiles.get(r.profileVersionId),
                                switched.getOrDefault(r.id, List.of()),
                                metered.getOrDefault(new Meter.Key(MeterScope.MACHINE, r.machineId), Usage.NONE)),
                        (a, b) -> a));
    }

    /** Asked only where a machine can let go slowly. */
    private Map<Long, List<ReleaseSwitched>> switched(List<RunGoingOn> runs, Map<Long, ProfileSettings> profiles) {
        List<Long> able = runs.stream()
                .filter(r -> r.profileVersionId != null
                        && profiles.get(r.profileVersionId).releasesSlowly())
                .map(r -> r.id)
                .toList();
        return able.isEmpty() ? Map.of() : records.switched(able).stream().collect(Collectors.groupingBy(s -> s.runId));
    }

    private Map<Long, ProfileSettings> profiles(List<RunGoingOn> runs) {
        Map<Long, Map<Setting, Double>> amounts = new HashMap<>();
        List<Long> versions = runs.stream()
                .map(r -> r.profileVersionId)
                .filter(Objects::nonNull)
                .toList();
        if (!versions.isEmpty()) {
            records.settings(versions)
                    .forEach(a -> amounts.computeIfAbsent(a.version(), id -> new EnumMap<>(Setting.class))
                            .put(a.setting(), a.amount()));
        }
        return amounts.entrySet().stream()
                .collect(Collectors.toMap(Map.Entry::getKey, e -> ProfileSettings.of(e.getValue())));
    }

    /** By its profile, or by the pace of this machine's layers so far. */
    private static MachineNow.OpenRun openRun(
            RunGoingOn run, ProfileSettings profile, List<ReleaseSwitched> switched, Usage machine) {
        PrintTime.Settings timing = profile != null
                ? profile.with(Setting.EXPOSURE_S, run.layerExposureS)
                        .timing(run.layers)
                        .switching(switched.stream()
                                .map(s -> profile.release(s.fromLayer, s.slow))
                                .toList())
                : machine.layers() > 0
                        ? PrintTime.Settings.even(
                                run.layers, run.layerExposureS, machine.hours() * 3600 / machine.layers())
                        : null;
        return new MachineNow.OpenRun(
                run.id,
                run.job,
                run.startedAt,
                run.layers,
                timing == null
                        ? null
                        : run.startedAt.plusSeconds(
                                Math.round(PrintTime.of(timing).seconds())),
                timing,
                profile == null ? null : Double.valueOf(profile.value(Setting.LAYER_MM)));
    }
}
