package keel.app.floor.patterns;

import java.time.DayOfWeek;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import keel.app.fleet.ComponentKind;
import keel.app.fleet.ShopSettings;
import keel.core.pattern.Pattern.Group;
import keel.core.pattern.Told;
import keel.core.pattern.Trait;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Prints of a span with all that is known of each, a chain of failed reprints from one cause as one. */
@Component
@Transactional(readOnly = true)
public class ToldPrints {

    private static final int HOUR_S = 3600;
    private static final int BAND_C = 3;

    private final PatternRecords records;
    private final ShopSettings settings;

    ToldPrints(PatternRecords records, ShopSettings settings) {
        this.records = records;
        this.settings = settings;
    }

    /**
     * @param names what groups are called where their value is no name yet
     * @param left failed reprints that are left out
     * @param causes of failed prints, as far as they were named
     * @param times of each machine
     */
    public record Prints(
            List<Told> told, Map<Group, String> names, int left, Map<Long, String> causes, List<MachineTimes> times) {

        public String name(Group group) {
            return names.getOrDefault(group, group.value());
        }
    }

    /** All that is looked up beside the prints, once for all of them. */
    private record Known(
            Map<Long, PatternRecords.Machine> machines,
            Map<Long, PatternRecords.Version> versions,
            Map<Long, List<PatternRecords.Fitted>> fitted,
            Map<Long, TreeMap<Instant, String>> poured,
            Map<Long, Map<Long, Double>> warmth,
            Set<Long> withFile,
            boolean anyFile,
            ZoneId zone) {}

    Prints of(Instant from, Instant to) {
        List<PatternRecords.Ended> ended = records.ended(from, to);
        Map<Long, String> causes = records.causes(from).stream()
                .collect(Collectors.toMap(PatternRecords.Cause::run, PatternRecords.Cause::cause));
        Set<Long> reprints = failedAgain(ended, causes);
        Known known = known(from, to);
        Map<Group, String> names = new HashMap<>();
        List<Told> told = new ArrayList<>();
        for (PatternRecords.Ended r : ended) {
            if (!reprints.contains(r.id())) {
                told.add(new Told(r.id(), r.startedAt(), !r.cameOut(), traits(r, known, names)));
            }
        }
        return new Prints(told, names, reprints.size(), causes, MachineTimes.of(ended, reprints));
    }

    /** Failed prints of what had failed already, from the same cause as far as anybody knows. */
    private static Set<Long> failedAgain(List<PatternRecords.Ended> ended, Map<Long, String> causes) {
        Map<Long, PatternRecords.Ended> byId =
                ended.stream().collect(Collectors.toMap(PatternRecords.Ended::id, Function.identity()));
        Set<Long> again = new HashSet<>();
        for (PatternRecords.Ended r : ended) {
            PatternRecords.Ended before = r.againOf() == null ? null : byId.get(r.againOf());
            if (before != null && !r.cameOut() && !before.cameOut()) {
                String cause = causes.get(r.id());
                String first = causes.get(before.id());
                if (cause == null || first == null || cause.equals(first)) {
                    again.add(r.id());
                }
            }
        }
        return again;
    }

    private Known known(Instant from, Instant to) {
        Map<Long, TreeMap<Instant, String>> poured = new HashMap<>();
        records.poured(from, to).forEach(p -> poured.computeIfAbsent(p.machine(), m -> new TreeMap<>())
                .put(p.at(), p.bottle()));
        Map<Long, Map<Long, Double>> warmth = new HashMap<>();
        records.hours(from.getEpochSecond() - HOUR_S, to.getEpochSecond())
                .forEach(h ->
                        warmth.computeIfAbsent(h.room(), r -> new HashMap<>()).put(h.atS() / HOUR_S, h.celsius()));
        Set<Long> withFile = new HashSet<>(records.withFile(from));
        return new Known(
                records.machines().stream().collect(Collectors.toMap(PatternRecords.Machine::id, Function.identity())),
                records.versions().stream().collect(Collectors.toMap(PatternRecords.Version::id, Function.identity())),
                records.fitted(from, to).stream().collect(Collectors.groupingBy(PatternRecords.Fitted::machine)),
                poured,
                warmth,
                withFile,
                !withFile.isEmpty(),
                settings.zone());
    }

    private static Map<Trait, String> traits(PatternRecords.Ended r, Known known, Map<Group, String> names) {
        Map<Trait, String> traits = new EnumMap<>(Trait.class);
        PatternRecords.Machine m = known.machines().get(r.machine());
        put(traits, names, Trait.MACHINE, m.code(), m.name());
        put(traits, names, Trait.MODEL, m.model(), m.model());
        put(traits, names, Trait.ROOM, m.room(), m.roomName());
        PatternRecords.Version v =
                r.profileVersion() == null ? null : known.versions().get(r.profileVersion());
        if (v != null) {
            put(traits, names, Trait.RESIN, v.resin(), v.resinName());
            put(
                    traits,
                    names,
                    Trait.PROFILE,
                    Long.toString(v.id()),
                    "version " + v.number() + " of " + m.name() + "'s profile for " + v.resinName());
        }
        fitted(r, known).forEach(f -> {
            boolean film = f.kind() == ComponentKind.FILM;
            put(traits, names, film ? Trait.FILM : Trait.SCREEN, f.code(), f.code());
            if (f.pack() != null) {
                put(traits, names, Trait.FILM_PACK, f.pack(), f.pack());
            }
        });
        TreeMap<Instant, String> poured = known.poured().get(r.machine());
        if (poured != null && poured.floorEntry(r.startedAt()) != null) {
            String bottle = poured.floorEntry(r.startedAt()).getValue();
            put(traits, names, Trait.BOTTLE, bottle, bottle);
        }
        Double celsius = known.warmth()
                .getOrDefault(m.roomId(), Map.of())
                .get(r.startedAt().getEpochSecond() / HOUR_S);
        if (celsius != null) {
            int low = (int) Math.floor(celsius / BAND_C) * BAND_C;
            put(traits, names, Trait.WARMTH, Integer.toString(low), low + " to " + (low + BAND_C) + " °C in the room");
        }
        what(r, known, traits, names);
        when(r.startedAt().atZone(known.zone()), traits, names);
        return traits;
    }

    private static List<PatternRecords.Fitted> fitted(PatternRecords.Ended r, Known known) {
        return known.fitted().getOrDefault(r.machine(), List.of()).stream()
                .filter(f -> !f.since().isAfter(r.startedAt()) && f.until().isAfter(r.startedAt()))
                .toList();
    }

    private static void what(PatternRecords.Ended r, Known known, Map<Trait, String> traits, Map<Group, String> names) {
        put(traits, names, Trait.JOB, r.job().strip().toLowerCase(Locale.ROOT), r.job());
        if (r.detail() != null) {
            put(
                    traits,
                    names,
                    Trait.DETAIL,
                    r.detail().name(),
                    r.detail().words().toLowerCase(Locale.ROOT));
        }
        if (known.anyFile()) {
            boolean read = known.withFile().contains(r.id());
            put(traits, names, Trait.FILE, read ? "READ" : "NOT_READ", read ? "read before" : "not read before");
        }
    }

    private static void when(ZonedDateTime at, Map<Trait, String> traits, Map<Group, String> names) {
        int quarter = at.getHour() / 6;
        put(
                traits,
                names,
                Trait.HOUR,
                Integer.toString(quarter),
                List.of("between midnight and 6", "in the morning", "in the afternoon", "in the evening")
                        .get(quarter));
        DayOfWeek day = at.getDayOfWeek();
        put(
                traits,
                names,
                Trait.WEEKDAY,
                day.name(),
                day.getDisplayName(java.time.format.TextStyle.FULL, Locale.ENGLISH));
    }

    private static void put(
            Map<Trait, String> traits, Map<Group, String> names, Trait trait, String value, String name) {
        if (value != null) {
            traits.put(trait, value);
            names.putIfAbsent(new Group(trait, value), Objects.requireNonNullElse(name, value));
        }
    }
}
