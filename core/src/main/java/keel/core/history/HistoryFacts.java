package keel.core.history;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Stream;
import keel.core.profile.Setting;
import keel.core.resin.VatContent;
import keel.core.run.Outcome;
import keel.core.standing.Crush;
import keel.core.standing.Defaults;
import keel.core.standing.MachineKind;
import keel.core.standing.ServiceKind;

/**
 * Facts of a machine's history that make a cause likelier or less likely, derived from its records as they stood when a
 * print failed. Common practice in the trade; windows and limits are figures without a published source.
 */
public final class HistoryFacts {

    private static final double NEAR_ITS_LIFE = 0.8;
    private static final double EARLY_IN_ITS_LIFE = 0.3;
    private static final int PRINTS_THAT_TILT_A_PLATE = 8;
    private static final int JUST_CHANGED_PRINTS = 3;
    private static final int PRINTS_THAT_SETTLE_A_VAT = 10;
    private static final int SETTINGS_SHOW_WITHIN_PRINTS = 6;
    private static final int STANCE_SHOWS_WITHIN_PRINTS = 15;
    private static final int PRINTS_THAT_PROVE_SETTINGS = 8;
    private static final double PROVEN_SHARE = 0.75;
    private static final double PLAINLY_MOVED = 0.08;
    private static final int FIRST_RUNS = 8;
    private static final double SWING_K_PER_HOUR = 1;
    private static final double SPARE_ML = 15;
    private static final double COLD_BY_K = 2;
    private static final Duration IDLE = Duration.ofDays(4);
    private static final Duration LATELY = Duration.ofDays(21);
    private static final Duration IN_A_ROW = Duration.ofDays(4);
    private static final Duration STICK_REMEMBERED = Duration.ofDays(60);
    private static final Duration READ_NEAR = Duration.ofHours(8);
    private static final int MANY_FAILURES = 4;
    private static final int MANY_KINDS = 5;
    private static final double OFTEN = 0.35;
    private static final Set<ServiceKind> VAT_TOUCHED = EnumSet.of(
            ServiceKind.FILM_CHANGE,
            ServiceKind.TANK_CHANGE,
            ServiceKind.VAT_FITTED,
            ServiceKind.VAT_REMOVED,
            ServiceKind.CLEAN_UP);
    private static final Set<ServiceKind> FILM_NEW =
            EnumSet.of(ServiceKind.FILM_CHANGE, ServiceKind.TANK_CHANGE, ServiceKind.VAT_FITTED);
    private static final Set<ServiceKind> OTHER_VAT = EnumSet.of(ServiceKind.VAT_FITTED, ServiceKind.TANK_CHANGE);
    private static final Set<String> STICK_SIGNS = Set.of("media-not-read", "solid-slab");
    private static final Set<String> STICK_CAUSES = Set.of("medium-bad", "file-corrupt");

    private final Defaults defaults;

    public HistoryFacts(Defaults defaults) {
        this.defaults = defaults;
    }

    /**
     * Facts as they stood for a print that failed.
     *
     * @param past entries of the machine, in any order; later ones than the failure are left aside
     * @param ages of its parts at that print
     * @param kind how the machine lights a layer
     * @param selfLevelling whether the machine levels its plate by itself
     * @param print the print that failed, null if the failure belongs to none: then the moment itself counts
     * @param failure the failure; it need not be among the entries
     */
    public Set<String> of(
            Collection<Past> past,
            PartAges ages,
            MachineKind kind,
            boolean selfLevelling,
            Past.Printed print,
            Past.Failed failure) {
        Reading r = new Reading(past, print, failure.at());
        Set<String> facts = new LinkedHashSet<>();
        add(facts, "no-screen", !kind.hasScreen());
        places(r, failure, facts);
        level(r, selfLevelling, facts);
        ages(ages, facts);
        handled(r, facts);
        before(r, facts);
        settings(r, facts);
        resin(r, facts);
        warmth(r, facts);
        lately(r, facts);
        return facts;
    }

    /** The entries before the print began, sorted, with the counts that several facts ask for. */
    private static final class Reading {

        private final List<Past> before;
        private final List<Past> all;
        private final List<Past.Printed> prints;
        private final Past.Printed print;
        private final Instant start;

        Reading(Collection<Past> past, Past.Printed print, Instant seenAt) {
            this.print = print;
            this.start = print == null ? seenAt : print.startedAt();
            this.all = past.stream()
                    .filter(p -> !p.at().isAfter(seenAt))
                    .sorted(Comparator.comparing(Past::at))
                    .toList();
            this.before = all.stream()
                    .filter(p -> !p.at().isAfter(start) && !p.equals(print))
                    .toList();
            this.prints = only(Past.Printed.class, before).toList();
        }

        Past.Printed previous() {
            return prints.isEmpty() ? null : prints.get(prints.size() - 1);
        }

        int printsSince(Instant at) {
            return (int) prints.stream().filter(p -> p.startedAt().isAfter(at)).count();
        }

        Instant last(Predicate<Past.Serviced> which) {
            return only(Past.Serviced.class, before)
                    .filter(which)
                    .map(Past::at)
                    .reduce((a, b) -> b)
                    .orElse(null);
        }

        Instant last(ServiceKind kind) {
            return last(s -> s.kind() == kind);
        }

        boolean since(Instant from, Predicate<Past.Serviced> which) {
            return only(Past.Serviced.class, before).anyMatch(s -> !s.at().isBefore(from) && which.test(s));
        }

        /** End of the last good print, the beginning of time if there was none. */
        Instant lastGood() {
            return prints.stream()
                    .filter(Past.Printed::good)
                    .map(Past::at)
                    .reduce((a, b) -> b)
                    .orElse(Instant.EPOCH);
        }

        static <T extends Past> Stream<T> only(Class<T> kind, List<Past> entries) {
            return entries.stream().filter(kind::isInstance).map(kind::cast);
        }
    }

    private static void level(Reading r, boolean selfLevelling, Set<String> facts) {
        Instant levelled = r.last(ServiceKind.LEVELLING);
        if (levelled != null) {
            boolean worked = r.since(levelled, s -> s.kind() == ServiceKind.PLATE_WORK && s.at().isAfter(levelled));
            add(
                    facts,
                    "plate-handled",
                    worked || !selfLevelling && r.printsSince(levelled) >= PRINTS_THAT_TILT_A_PLATE);
            add(facts, "levelled-recently", !worked && r.printsSince(levelled) <= 1);
            add(
                    facts,
                    "level-holds",
                    !worked && r.printsSince(levelled) > 1 && r.printsSince(levelled) < PRINTS_THAT_TILT_A_PLATE);
        }
    }

    private static void places(Reading r, Past.Failed failure, Set<String> facts) {
        add(facts, "one-place", Places.together(failure.zones()));
        add(facts, "one-edge", Places.alongAnEdge(failure.zones()));
        List<Past.Failed> earlier = Reading.only(Past.Failed.class, r.before)
                .filter(f -> f.at().isAfter(failure.at().minus(LATELY)))
                .toList();
        add(facts, "same-place-again", earlier.stream().anyMatch(f -> f.zones().stream()
                .anyMatch(failure.zones()::contains)));
        Past.Failed last = earlier.isEmpty() ? null : earlier.get(earlier.size() - 1);
        add(
                facts,
                "same-again",
                last != null
                        && last.at().isAfter(failure.at().minus(IN_A_ROW))
                        && last.symptoms().stream().anyMatch(failure.symptoms()::contains));
    }

    private static void ages(PartAges ages, Set<String> facts) {
        old(facts, ages.film(), "film-old", "film-young");
        old(facts, ages.screen(), "screen-old", "screen-young");
        old(facts, ages.light(), "light-old", null);
        old(facts, ages.plate(), "plate-worn", "plate-fresh");
        if (ages.lubrication() != null) {
            add(facts, "z-unlubricated", ages.lubrication() > 1);
            add(facts, "z-lubricated", ages.lubrication() < 0.5);
        }
    }

    private static void old(Set<String> facts, Double age, String old, String young) {
        if (age != null) {
            add(facts, old, age > NEAR_ITS_LIFE);
            if (young != null) {
                add(facts, young, age < EARLY_IN_ITS_LIFE);
            }
        }
    }

    private static void handled(Reading r, Set<String> facts) {
        Instant film = r.last(s -> FILM_NEW.contains(s.kind()));
        add(facts, "film-changed", film != null && r.printsSince(film) < JUST_CHANGED_PRINTS);
        Instant good = r.lastGood();
        add(facts, "vat-handled", r.since(good, s -> VAT_TOUCHED.contains(s.kind())));
        Instant touched = r.last(s -> VAT_TOUCHED.contains(s.kind()));
        add(facts, "vat-long-on", touched != null && r.printsSince(touched) >= PRINTS_THAT_SETTLE_A_VAT);
        Instant moved = r.last(ServiceKind.MOVED);
        add(facts, "machine-moved", moved != null && r.printsSince(moved) < STANCE_SHOWS_WITHIN_PRINTS);
        Instant firmware = r.last(ServiceKind.FIRMWARE);
        add(facts, "firmware-changed", firmware != null && r.printsSince(firmware) < STANCE_SHOWS_WITHIN_PRINTS);
        Instant scraped = r.last(s -> s.yes().contains("burr"));
        add(facts, "scraper-used", scraped != null && !r.since(scraped, s -> s.kind() == ServiceKind.PLATE_WORK));
        Instant dropped = r.last(ServiceKind.PLATE_DROPPED);
        add(facts, "plate-dropped", dropped != null && dropped.isAfter(good));
        crunch(r, facts);
    }

    private static void crunch(Reading r, Set<String> facts) {
        Instant crunch = Stream.concat(
                        Reading.only(Past.Failed.class, r.before).filter(f -> Crush.heard(f.symptoms())),
                        Reading.only(Past.Serviced.class, r.before).filter(s -> Crush.by(s.kind())))
                .map(Past::at)
                .max(Instant::compareTo)
                .orElse(null);
        add(
                facts,
                "crunch-not-inspected",
                crunch != null
                        && !(r.since(crunch, s -> s.kind() == ServiceKind.VAT_INSPECTED)
                                && r.since(crunch, s -> s.kind() == ServiceKind.SCREEN_INSPECTED)));
    }

    private static void before(Reading r, Set<String> facts) {
        Past.Printed previous = r.previous();
        if (previous != null) {
            boolean failed = !previous.good();
            boolean cleaned = r.since(
                    previous.at(),
                    s -> s.kind() == ServiceKind.CLEAN_UP && s.yes().contains("sieved")
                            || s.kind() == ServiceKind.VAT_INSPECTED);
            add(facts, "last-failed", failed);
            add(facts, "last-good", !failed);
            add(facts, "last-failed-not-cleaned", failed && !cleaned);
            boolean cleared = r.since(previous.at(), s -> s.kind() == ServiceKind.PLATE_CLEARED);
            add(facts, "print-not-cleared", !cleared);
            add(facts, "plate-cleared", cleared);
        }
        if (r.print != null) {
            boolean stopped = r.print.outcome() == Outcome.STOPPED;
            add(facts, "stopped-by-hand", stopped);
            add(facts, "not-stopped", !stopped);
        }
    }

    /**
     * What was changed lately, how the settings stand against the profile's first version, and whether they have proved
     * themselves.
     */
    private static void settings(Reading r, Set<String> facts) {
        String resin = Reading.only(Past.Poured.class, r.before)
                .map(Past.Poured::resin)
                .reduce((a, b) -> b)
                .orElse(null);
        Past.Changed last = Reading.only(Past.Changed.class, r.before)
                .filter(c -> resin == null || c.resin().equals(resin))
                .reduce((a, b) -> b)
                .orElse(null);
        if (last != null) {
            add(facts, "profile-changed", r.printsSince(last.at()) < SETTINGS_SHOW_WITHIN_PRINTS);
            moved(last, Setting.EXPOSURE_S, "exposure-raised", "exposure-lowered", "exposure-as-first", facts);
            moved(
                    last,
                    Setting.BOTTOM_EXPOSURE_S,
                    "bottom-exposure-raised",
                    "bottom-exposure-lowered",
                    "bottom-exposure-as-first",
                    facts);
            moved(last, Setting.LIFT_MM_PER_MIN, "lift-raised", null, "lift-as-first", facts);
            moved(last, Setting.SMOOTHING, null, "smoothing-lowered", "smoothing-as-first", facts);
        }
        Instant since = last == null ? Instant.EPOCH : last.at();
        Instant changed = resinChanged(r);
        Instant from = changed != null && changed.isAfter(since) ? changed : since;
        List<Past.Printed> with =
                r.prints.stream().filter(p -> p.startedAt().isAfter(from)).toList();
        long good = with.stream().filter(Past.Printed::good).count();
        add(facts, "settings-proven", good >= PRINTS_THAT_PROVE_SETTINGS && good >= PROVEN_SHARE * with.size());
    }

    private static void moved(
            Past.Changed change, Setting setting, String up, String down, String not, Set<String> facts) {
        double ratio = change.against().getOrDefault(setting, 1.0);
        String fact = ratio > 1 + PLAINLY_MOVED ? up : ratio < 1 - PLAINLY_MOVED ? down : not;
        if (fact != null) {
            facts.add(fact);
        }
    }

    private static void resin(Reading r, Set<String> facts) {
        Instant changed = resinChanged(r);
        add(facts, "resin-changed", changed != null && r.printsSince(changed) < SETTINGS_SHOW_WITHIN_PRINTS);
        add(
                facts,
                "first-runs-of-resin",
                changed != null && newHere(r, changed) && r.printsSince(changed) < FIRST_RUNS);
        Past.Printed previous = r.previous();
        add(
                facts,
                "resin-idle",
                previous != null && Duration.between(previous.at(), r.start).compareTo(IDLE) > 0);
        VatContent content = content(r);
        add(facts, "other-resin-added", content.mixedAt() != null);
        if (r.print != null && content.resin() != null) {
            boolean small = content.ml() < r.print.resinMl() + SPARE_ML;
            add(facts, "margin-small", small);
            add(facts, "resin-enough", !small);
        }
    }

    /** When the resin that is in the vat was first poured after another one; null while nothing but it is on record. */
    private static Instant resinChanged(Reading r) {
        List<Past.Poured> pours = Reading.only(Past.Poured.class, r.before).toList();
        for (int i = pours.size() - 1; i > 0; i--) {
            if (!pours.get(i).resin().equals(pours.get(i - 1).resin())) {
                return pours.get(i).at();
            }
        }
        return null;
    }

    private static boolean newHere(Reading r, Instant changed) {
        List<Past.Poured> pours = Reading.only(Past.Poured.class, r.before).toList();
        String now = pours.get(pours.size() - 1).resin();
        return pours.stream()
                .noneMatch(p -> p.at().isBefore(changed) && p.resin().equals(now));
    }

    private static VatContent content(Reading r) {
        Instant emptied = r.last(s -> s.yes().contains("emptied") || OTHER_VAT.contains(s.kind()));
        List<VatContent.Change> changes = new ArrayList<>();
        for (Past p : r.before) {
            if (emptied != null && p.at().isBefore(emptied)) {
                continue;
            }
            if (p instanceof Past.Poured poured) {
                changes.add(new VatContent.Poured(poured.at(), poured.resin(), poured.ml()));
            } else if (p instanceof Past.Printed printed) {
                changes.add(new VatContent.Printed(printed.at(), printed.resinMl()));
            }
        }
        return changes.stream().noneMatch(VatContent.Poured.class::isInstance)
                ? VatContent.EMPTY
                : VatContent.after(changes);
    }

    private void warmth(Reading r, Set<String> facts) {
        Instant end = r.print == null ? r.start : r.print.at();
        List<Past.Warmth> near = Reading.only(Past.Warmth.class, r.all)
                .filter(w -> w.at().isAfter(r.start.minus(READ_NEAR)) && !w.at().isAfter(end))
                .toList();
        List<Past.Warmth> measured =
                near.stream().filter(w -> w.resinLowC() != null).toList();
        List<Past.Warmth> telling = measured.isEmpty() ? near : measured;
        add(facts, "resin-cold", telling.stream().anyMatch(w -> w.celsius() < low(w) - COLD_BY_K));
        add(facts, "resin-warm-enough", !telling.isEmpty() && telling.stream().allMatch(w -> w.celsius() >= low(w)));
        swings(facts, near.stream().filter(w -> w.resinLowC() == null).toList());
    }

    private double low(Past.Warmth w) {
        return w.resinLowC() == null ? defaults.value("resin.lowC") : w.resinLowC();
    }

    private static void swings(Set<String> facts, List<Past.Warmth> near) {
        for (int i = 1; i < near.size(); i++) {
            double hours =
                    Duration.between(near.get(i - 1).at(), near.get(i).at()).toMinutes() / 60.0;
            add(
                    facts,
                    "temperature-swings",
                    hours >= 1
                            && Math.abs(near.get(i).celsius() - near.get(i - 1).celsius()) / hours > SWING_K_PER_HOUR);
        }
    }

    private static void lately(Reading r, Set<String> facts) {
        List<Past.Failed> failed = Reading.only(Past.Failed.class, r.before)
                .filter(f -> f.at().isAfter(r.start.minus(LATELY)))
                .toList();
        Set<String> kinds = new HashSet<>();
        failed.forEach(f -> kinds.addAll(f.symptoms()));
        long prints = r.prints.stream()
                .filter(p -> p.at().isAfter(r.start.minus(LATELY)))
                .count();
        add(
                facts,
                "random-places",
                failed.size() >= MANY_FAILURES && kinds.size() >= MANY_KINDS && failed.size() >= OFTEN * prints);
        Instant from = r.start.minus(STICK_REMEMBERED);
        boolean signs = Reading.only(Past.Failed.class, r.before)
                .anyMatch(f -> f.at().isAfter(from) && f.symptoms().stream().anyMatch(STICK_SIGNS::contains));
        boolean found = Reading.only(Past.Found.class, r.before)
                .anyMatch(f -> f.at().isAfter(from) && f.causes().stream().anyMatch(STICK_CAUSES::contains));
        add(facts, "medium-faulty", signs || found);
    }

    private static void add(Set<String> facts, String fact, boolean so) {
        if (so) {
            facts.add(fact);
        }
    }
}
