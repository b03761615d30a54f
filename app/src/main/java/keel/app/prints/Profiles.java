package keel.app.prints;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import keel.app.base.Conflict;
import keel.app.base.NotThere;
import keel.app.base.Refused;
import keel.app.fleet.Fleet;
import keel.app.fleet.MachineRef;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.app.people.Role;
import keel.app.standing.ConditionChanged;
import keel.app.standing.Occupancy;
import keel.core.Findings;
import keel.core.profile.OneAtATime;
import keel.core.profile.ProfileSettings;
import keel.core.profile.Setting;
import keel.core.profile.VersionFared;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps the profiles: begins one, changes one setting at a time, goes back; and says which version is in force. */
@Service
@Transactional
public class Profiles {

    private static final int LONGEST_WHY = 400;

    private final ProfileRecords records;
    private final ProfileVersions versions;
    private final Fleet fleet;
    private final Occupancy occupancy;
    private final Logbook logbook;
    private final ApplicationEventPublisher events;
    private final Clock clock;

    Profiles(
            ProfileRecords records,
            ProfileVersions versions,
            Fleet fleet,
            Occupancy occupancy,
            Logbook logbook,
            ApplicationEventPublisher events,
            Clock clock) {
        this.records = records;
        this.versions = versions;
        this.fleet = fleet;
        this.occupancy = occupancy;
        this.logbook = logbook;
        this.events = events;
        this.clock = clock;
    }

    /** @throws NotThere if there is no profile of this resin on this machine */
    @Transactional(readOnly = true)
    public ProfileView of(String machineCode, String resinCode) {
        MachineRef machine = fleet.machine(machineCode);
        ProfileRecords.ResinRef resin = resin(resinCode);
        Profile profile = records.findByMachineIdAndResinId(machine.id(), resin.id())
                .orElseThrow(
                        () -> new NotThere("There is no profile of " + resin.name() + " on " + machine.name() + "."));
        return new ProfileView(
                profile.id,
                machine.code(),
                machine.name(),
                resin.code(),
                resin.name(),
                profile.school,
                versionsOf(profile.id));
    }

    /** Whether there is one. */
    @Transactional(readOnly = true)
    public boolean exists(String machineCode, String resinCode) {
        return records.findByMachineIdAndResinId(
                        fleet.machine(machineCode).id(), resin(resinCode).id())
                .isPresent();
    }

    /** All resins that have a profile on a machine, by name. */
    @Transactional(readOnly = true)
    public List<Pair> ofMachine(String machineCode) {
        long machine = fleet.machine(machineCode).id();
        return records.latest(machine).stream()
                .map(l -> new Pair(
                        l.resin(),
                        l.name(),
                        l.version().number,
                        l.version().madeAt,
                        l.version().amounts.get(Setting.EXPOSURE_S),
                        fared(l.version())))
                .toList();
    }

    /**
     * Where settings to start from may be taken: every profile, best fared first for the same resin, then others of
     * that machine.
     */
    @Transactional(readOnly = true)
    public Optional<ProfileSettings> startFrom(String machineCode, String resinCode) {
        return records.toStartFrom(machineCode, resinCode, Limit.of(1)).stream()
                .findFirst()
                .map(ProfileVersion::settings);
    }

    /**
     * The version in force for the resin that is, or was then, in the machine's vat.
     *
     * @param at a moment not after now
     */
    @Transactional(readOnly = true)
    public Optional<InForce> inForce(long machineId, Instant at) {
        return version(machineId, at).map(v -> new InForce(v.id(), v.number(), v.resin(), settings(v.id())));
    }

    /** The same, but only which it is. */
    @Transactional(readOnly = true)
    public Optional<Long> versionAt(long machineId, Instant at) {
        return version(machineId, at).map(ProfileRecords.VersionRef::id);
    }

    private Optional<ProfileRecords.VersionRef> version(long machineId, Instant at) {
        return records.resinsAt(machineId, at, Limit.of(1)).stream()
                .flatMap(resin -> records.versions(machineId, resin, at, Limit.of(1)).stream())
                .findFirst();
    }

    @Transactional(readOnly = true)
    public ProfileSettings settings(long versionId) {
        return versions.findById(versionId).orElseThrow().settings();
    }

    /** How prints with this version fared. */
    @Transactional(readOnly = true)
    public VersionFared fared(long versionId) {
        return fared(versions.findById(versionId).orElseThrow());
    }

    private VersionFared fared(ProfileVersion version) {
        return faredByNumber(version.profileId).getOrDefault(version.number, new VersionFared(version.number, 0, 0));
    }

    /** The first version of a resin on a machine. */
    public void begin(String machineCode, String resinCode, Map<Setting, Double> typed, String school) {
        Actor keeper = Actor.require(Role.KEEPER);
        MachineRef machine = fleet.machineOfEntry(machineCode);
        ProfileRecords.ResinRef resin = resin(resinCode);
        Findings findings = new Findings();
        ProfileSettings.check(typed, findings);
        boolean known = List.of("MAKER", "CALIBRATE").contains(String.valueOf(school));
        findings.when(!known, "school", "Choose how you come to the settings.");
        Refused.unless(findings);
        occupancy.lock(machine.id());
        if (records.findByMachineIdAndResinId(machine.id(), resin.id()).isPresent()) {
            throw new Conflict(
                    "resin", resin.name() + " has a profile on " + machine.name() + " already. Change that one.");
        }
        Profile profile = new Profile();
        profile.machineId = machine.id();
        profile.resinId = resin.id();
        profile.school = School.valueOf(school);
        records.save(profile);
        add(
                profile,
                machine,
                resin,
                1,
                ProfileSettings.of(typed),
                null,
                null,
                "Profile of " + resin.name() + " on " + machine.name() + " begun.",
                keeper);
    }

    /**
     * A next version.
     *
     * @param after number of the version that was shown when this was typed; another one in force means that somebody
     *     was quicker
     * @throws Refused if nothing is changed, or several settings without a reason
     * @throws Conflict if somebody was quicker
     */
    public int change(String machineCode, String resinCode, Map<Setting, Double> typed, String why, int after) {
        Actor keeper = Actor.require(Role.KEEPER);
        MachineRef machine = fleet.machineOfEntry(machineCode);
        occupancy.lock(machine.id());
        ProfileView now = of(machineCode, resinCode);
        if (now.current().number() != after) {
            throw new Conflict("Somebody made version " + now.current().number()
                    + " meanwhile. What is in force now is shown; yours is not written yet.");
        }
        Findings findings = new Findings();
        ProfileSettings.check(typed, findings);
        findings.when(why != null && why.length() > LONGEST_WHY, "why", "The reason may have 400 characters at most.");
        Refused.unless(findings);
        ProfileSettings next = ProfileSettings.of(typed);
        List<ProfileSettings.Change> changes = now.current().settings().changesTo(next);
        Refused.unless(OneAtATime.findings(changes, why));
        add(
                records.findById(now.id()).orElseThrow(),
                machine,
                resin(resinCode),
                after + 1,
                next,
                why,
                null,
                now.resinName() + " on " + machine.name() + ", version " + (after + 1) + ": " + words(changes) + ".",
                keeper);
        return after + 1;
    }

    /** A next version with the settings of an earlier one. */
    public int backTo(String machineCode, String resinCode, int number, String why) {
        Actor keeper = Actor.require(Role.KEEPER);
        MachineRef machine = fleet.machineOfEntry(machineCode);
        occupancy.lock(machine.id());
        ProfileView now = of(machineCode, resinCode);
        ProfileView.Version old =
                now.version(number).orElseThrow(() -> new NotThere("There is no version " + number + "."));
        if (now.current().settings().equals(old.settings())) {
            throw new Conflict("Version " + now.current().number() + " has these settings already.");
        }
        int next = now.current().number() + 1;
        add(
                records.findById(now.id()).orElseThrow(),
                machine,
                resin(resinCode),
                next,
                old.settings(),
                why,
                number,
                now.resinName() + " on " + machine.name() + ", version " + next + ": back to version " + number + ".",
                keeper);
        return next;
    }

    private void add(
            Profile profile,
            MachineRef machine,
            ProfileRecords.ResinRef resin,
            int number,
            ProfileSettings settings,
            String why,
            Integer backTo,
            String headline,
            Actor by) {
        ProfileVersion version = new ProfileVersion();
        version.profileId = profile.id;
        version.number = number;
        version.madeAt = clock.instant();
        version.personId = by.personId();
        version.why = why == null || why.isBlank() ? null : why.strip();
        version.backTo = backTo;
        version.amounts.putAll(settings.values());
        versions.save(version);
        events.publishEvent(new ConditionChanged());
        Map<String, Object> content = new LinkedHashMap<>();
        content.put("resin", resin.code());
        content.put("version", number);
        settings.values().forEach((setting, value) -> content.put(setting.code(), value));
        logbook.write(LogDraft.of(
                        LogKind.PROFILE_CHANGED,
                        machine.id(),
                        "PROFILE",
                        profile.id,
                        version.madeAt,
                        headline,
                        content,
                        by)
                .noting(version.why));
    }

    private List<ProfileView.Version> versionsOf(long profileId) {
        List<ProfileVersion> all = versions.findByProfileIdOrderByNumberDesc(profileId);
        Map<Integer, VersionFared> fared = faredByNumber(profileId);
        Map<Long, String> names =
                records.people().stream().collect(Collectors.toMap(ProfileRecords.Who::id, ProfileRecords.Who::name));
        List<ProfileView.Version> views = new ArrayList<>();
        for (int i = 0; i < all.size(); i++) {
            ProfileVersion v = all.get(i);
            ProfileSettings settings = v.settings();
            List<ProfileSettings.Change> changes =
                    i + 1 < all.size() ? all.get(i + 1).settings().changesTo(settings) : List.of();
            views.add(new ProfileView.Version(
                    v.id,
                    v.number,
                    v.madeAt,
                    names.get(v.personId),
                    v.why,
                    v.backTo,
                    settings,
                    changes,
                    fared.getOrDefault(v.number, new VersionFared(v.number, 0, 0))));
        }
        return views;
    }

    /** Rework counts as come out, as everywhere. */
    private Map<Integer, VersionFared> faredByNumber(long profileId) {
        return records.fared(profileId).stream()
                .collect(Collectors.toMap(
                        ProfileRecords.Fared::number,
                        f -> new VersionFared(f.number(), (int) f.cameOut(), (int) f.prints())));
    }

    private ProfileRecords.ResinRef resin(String code) {
        return records.resin(code).orElseThrow(() -> new NotThere("There is no resin called " + code + "."));
    }

    private static String words(List<ProfileSettings.Change> changes) {
        return changes.stream()
                .map(c -> c.setting().name(Locale.ROOT) + " " + c.setting().said(c.before()) + " to "
                        + c.setting().said(c.after())
                        + (c.setting().unit().isEmpty() ? "" : " " + c.setting().unit()))
                .collect(Collectors.joining(", "));
    }
}
