package keel.sim.story;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import keel.sim.story.Happening.CauseNamed;
import keel.sim.story.Happening.CheckDone;
import keel.sim.story.Happening.FailureSeen;
import keel.sim.story.Happening.LookedIn;
import keel.sim.story.Happening.ResinPoured;
import keel.sim.story.Happening.RoomRead;
import keel.sim.story.Happening.RunDone;
import keel.sim.story.Happening.RunGoing;
import keel.sim.story.Happening.ServiceDone;
import keel.sim.story.Happening.StockMoved;
import keel.sim.story.Saltmarsh.MachineSpec;

/**
 * Eight weeks of Saltmarsh Pattern Works up to a given end, the same for the same seed, end and zone. At the end Dunlin
 * prints, Bittern is on hold, Fulmar is due, Curlew's film and Godwit's tank are near their ends, the others are ready.
 */
public final class Story {

    /** How far back it goes. */
    public static final Duration LENGTH = Duration.ofDays(56);

    private static final Duration QUIET_AT_END = Duration.ofHours(4);
    private static final double VAT_FULL_ML = 240;

    private final Random chance;
    private final Instant end;
    private final ZoneId zone;
    private final List<Happening> happenings = new ArrayList<>();
    private final Map<String, Double> hours = new HashMap<>();
    private final SettingsStory settings;
    private int keys;

    private Story(long seed, Instant end, ZoneId zone) {
        this.chance = new Random(seed);
        this.end = end.truncatedTo(ChronoUnit.SECONDS);
        this.zone = zone;
        this.settings = new SettingsStory(this.end, zone);
    }

    /**
     * A whole story.
     *
     * @param start            when the records begin
     * @param happenings       in the order in which they happened
     * @param filmHoursAtStart machine code to the hours its film had when the records begin
     */
    public record Told(Instant start, List<Happening> happenings, Map<String, Double> filmHoursAtStart) {}

    public static Told tell(long seed, Instant end, ZoneId zone) {
        return new Story(seed, end, zone).tell();
    }

    private Told tell() {
        Map<String, Double> filmHours = new HashMap<>();
        for (MachineSpec machine : Saltmarsh.MACHINES) {
            life(machine);
            filmHours.put(machine.code(), Math.max(0, machine.filmHoursAtEnd() - hours.getOrDefault(machine.code(), 0.0)));
        }
        beforeHours("godwit", 138).ifPresent(at -> {
            happenings.add(new ServiceDone(at, "keeper", "godwit", "TANK_CHANGE", Map.of("endReason", "CLOUDED", "fromStores", "laser-tank-115"), null));
            service(at.plus(Duration.ofMinutes(25)), "godwit", "LEVELLING", Map.of("school", "ON_FILM"));
        });
        beforeHours("fulmar", 214).ifPresent(at -> service(at, "fulmar", "LUBRICATION", Map.of("part", "SCREW")));
        beforeHours("avocet", 120).ifPresent(at -> filmChange(machine("avocet"), at, "SCRATCHED", "Film sheet 144", "Scratches all over the middle."));
        happenings.addAll(settings.happenings());
        stores();
        rooms();
        endings();
        happenings.sort(Comparator.comparing(Happening::at));
        return new Told(end.minus(LENGTH), List.copyOf(happenings), Map.copyOf(filmHours));
    }

    // ---- one machine, day by day

    private void life(MachineSpec machine) {
        LocalDate first = end.minus(LENGTH).atZone(zone).toLocalDate().plusDays(1);
        LocalDate last = end.atZone(zone).toLocalDate();
        Vat vat = new Vat(machine);
        Instant free = end.minus(LENGTH).plus(Duration.ofHours(6));
        for (LocalDate day = first; !day.isAfter(last); day = day.plusDays(1)) {
            int daysLeft = (int) ChronoUnit.DAYS.between(day, last);
            free = planned(machine, vat, day, daysLeft, free);
            boolean weekend = day.getDayOfWeek().getValue() > 5;
            if (!weekend && chance.nextDouble() < machine.runsADay() * 0.75) {
                free = run(machine, vat, at(day, 8, 10), 2.4 + chance.nextDouble() * 3.2, daysLeft, free);
            }
            if (!weekend && chance.nextDouble() < machine.runsADay() * 0.62) {
                free = run(machine, vat, at(day, 16, 30), 5.5 + chance.nextDouble() * 5, daysLeft, free);
            }
        }
    }

    private Instant run(MachineSpec machine, Vat vat, Instant from, double lengthHours, int daysLeft, Instant free) {
        Instant start = from.plus(Duration.ofMinutes(chance.nextInt(50)));
        double fullHours = lengthHours * (machine.code().equals("dunlin") || machine.code().equals("egret") ? 1.15 : 1);
        Failing failing = failing(machine, daysLeft);
        double done = failing == null ? 1 : failing.reaches();
        Instant stop = start.plus(Duration.ofSeconds(Math.round(fullHours * 3600 * done)));
        if (start.isBefore(free) || stop.isAfter(end.minus(QUIET_AT_END))) {
            return free;
        }
        double exposure = settings.exposureS(machine, vat.resin, daysLeft);
        int layers = (int) (fullHours * 3600 / (exposure + 6.1));
        double ml = Math.round(8 + fullHours * (6 + chance.nextDouble() * 6));
        vat.topUp(start.minus(Duration.ofMinutes(12)), ml);
        String key = key();
        happenings.add(new RunDone(stop, operatorAt(start), machine.code(), key, job(), start, layers, exposure, Math.round(ml * done),
                failing == null ? "GOOD" : failing.outcome(), failing == null ? null : (int) (layers * done)));
        vat.ml -= ml * done;
        hours.merge(machine.code(), Duration.between(start, stop).toMillis() / 3_600_000.0, Double::sum);
        Instant seen = lookedAt(stop.plus(Duration.ofMinutes(9)));
        if (failing == null) {
            service(seen, machine.code(), "PLATE_CLEARED", Map.of());
            return seen.plus(Duration.ofMinutes(10));
        }
        return afterFailure(machine, failing, key, seen);
    }

    // ---- what goes wrong

    private record Failing(String outcome, double reaches, List<String> symptoms, List<String> absent, List<String> zones, String cause,
                           String check, String remedy, String note) {}

    private Failing failing(MachineSpec machine, int daysLeft) {
        if (machine.code().equals("bittern") && daysLeft <= 34 && daysLeft > 20) {
            return chance.nextDouble() < 0.55 ? new Failing("FAILED", 0.25 + chance.nextDouble() * 0.5, List.of("layer-split", "part-missing"),
                    List.of("bits-in-vat"), List.of(), "exposure-short", "compare-profile", "", "Again. Exposure up by 0.2 s.") : null;
        }
        double rate = machine.code().equals("avocet") ? 0.05 : 0.09;
        if (daysLeft < 2 || chance.nextDouble() > rate) {
            return null;
        }
        return switch (chance.nextInt(6)) {
            case 0 -> new Failing("PARTIAL", 1, List.of("model-torn-off", "overhang-droop"), List.of("film-cloudy"), List.of("C2", "D2"),
                    "supports-weak", "page-file", "", "Two of six off their supports.");
            case 1 -> new Failing("FAILED", 0.08, List.of("bare-plate", "base-lifting"), List.of(), List.of("A1", "B1"), "plate-tilted",
                    "level-check", "LEVELLING", "Front left corner low.");
            case 2 -> new Failing("FAILED", 0.6, List.of("part-missing", "bits-in-vat"), List.of("film-slack"), List.of("D3", "E3"),
                    "debris-on-film", "feel-vat", "", "");
            case 3 -> new Failing("PARTIAL", 1, List.of("layer-split", "soft-detail"), List.of(), List.of(), "resin-cold", "resin-temp", "",
                    "15.8 °C in the vat this morning.");
            case 4 -> new Failing("PARTIAL", 1, List.of("pitted-face"), List.of("hole-through"), List.of("B3", "C3"), "flat-orientation",
                    "page-file", "", "Latch face lay flat to the film.");
            default -> new Failing("STOPPED", 0.35, List.of("doubled-model"), List.of(), List.of(), "file-unchecked", "page-file", "",
                    "Two latches one in the other. Seen at the look-in.");
        };
    }

    private Instant afterFailure(MachineSpec machine, Failing failing, String runKey, Instant seen) {
        String failure = key();
        happenings.add(new FailureSeen(seen, "operator", machine.code(), failure, runKey, failing.symptoms(), failing.absent(), failing.zones(),
                failing.note().isEmpty() ? null : failing.note()));
        boolean light = !machine.code().equals("godwit");
        service(seen.plus(Duration.ofMinutes(24)), machine.code(), "CLEAN_UP", Map.of("way", light && chance.nextBoolean() ? "QUICK" : "FULL",
                "sieved", true, "emptied", false));
        service(seen.plus(Duration.ofMinutes(28)), machine.code(), "VAT_INSPECTED", Map.of("clean", true));
        service(seen.plus(Duration.ofMinutes(30)), machine.code(), "PLATE_CLEARED", Map.of());
        happenings.add(new CheckDone(seen.plus(Duration.ofMinutes(36)), "keeper", failure, failing.check(), List.of(failing.cause())));
        if (!failing.remedy().isEmpty()) {
            service(seen.plus(Duration.ofMinutes(44)), machine.code(), failing.remedy(), Map.of("school", levels(machine)));
        }
        happenings.add(new CauseNamed(seen.plus(Duration.ofMinutes(50)), "keeper", failure, failing.cause(), "PRESUMED", null));
        return seen.plus(Duration.ofMinutes(60));
    }

    // ---- upkeep and the planted stories

    private Instant planned(MachineSpec machine, Vat vat, LocalDate day, int daysLeft, Instant free) {
        Instant morning = at(day, 7, 15);
        if (morning.isBefore(free) || morning.isAfter(end.minus(QUIET_AT_END))) {
            return free;
        }
        boolean fulmar = machine.code().equals("fulmar");
        if (!fulmar && (daysLeft == 38 || daysLeft == 9)) {
            service(morning, machine.code(), "LUBRICATION", Map.of("part", "SCREW"));
            service(morning.plus(Duration.ofMinutes(6)), machine.code(), "LUBRICATION", Map.of("part", "RAIL"));
        }
        if (daysLeft == 17) {
            service(morning.plus(Duration.ofMinutes(10)), machine.code(), "PLATE_WORK", Map.of("work", "ABRADED"));
            service(morning.plus(Duration.ofMinutes(22)), machine.code(), "LEVELLING", levelled(machine, 0.02));
        }
        if (machine.code().equals("curlew") && (daysLeft == 46 || daysLeft == 33)) {
            service(morning.plus(Duration.ofMinutes(20)), machine.code(), "LEVELLING", levelled(machine, daysLeft == 46 ? 0.05 : 0.08));
        }
        if (machine.code().equals("bittern")) {
            bittern(daysLeft, morning);
        }
        if (machine.code().equals("curlew") && daysLeft == 24) {
            splash(morning);
        }
        if (machine.code().equals("fulmar") && daysLeft == 12) {
            newResin(morning, vat);
        }
        if (machine.code().equals("egret") && daysLeft == 30) {
            filmChange(machine, morning, "DENTED", "Film sheet 208", "Two dents from the last pack; back to the supplier.");
        }
        return morning.plus(Duration.ofMinutes(50));
    }

    private void bittern(int daysLeft, Instant morning) {
        if (daysLeft == 35) {
            filmChange(machine("bittern"), morning, "CLOUDED", "Film sheet 144", "Straight after the change, vat back in.");
        }
        if (daysLeft == 20) {
            String failure = key();
            happenings.add(new FailureSeen(morning.plus(Duration.ofMinutes(5)), "keeper", "bittern", failure, null,
                    List.of("vat-rides-up", "layer-split", "part-missing"), List.of("film-slack", "bits-in-vat"), List.of(),
                    "The vat lifts with the plate. Both bolts can be turned by hand."));
            happenings.add(new CheckDone(morning.plus(Duration.ofMinutes(8)), "keeper", failure, "vat-bolts", List.of("vat-bolts-loose")));
            happenings.add(new CauseNamed(morning.plus(Duration.ofMinutes(10)), "keeper", failure, "vat-bolts-loose", "FOUND",
                    "Loose since the film change. A fortnight of blaming the exposure."));
            service(morning.plus(Duration.ofMinutes(30)), "bittern", "CLEAN_UP", Map.of("way", "FULL", "sieved", true, "emptied", false));
            service(morning.plus(Duration.ofMinutes(34)), "bittern", "VAT_INSPECTED", Map.of("clean", true));
            service(morning.plus(Duration.ofMinutes(45)), "bittern", "LEVELLING", Map.of("school", "PAPER"));
        }
    }

    private void splash(Instant morning) {
        String failure = key();
        happenings.add(new FailureSeen(morning, "operator", "curlew", failure, null, List.of("wet-under-vat", "region-bare"), List.of("film-cloudy"),
                List.of("E1", "F1", "E2"), "Wet along the right edge after pouring. Film looks whole."));
        happenings.add(new CheckDone(morning.plus(Duration.ofMinutes(12)), "keeper", failure, "leak-check", List.of("spill")));
        service(morning.plus(Duration.ofMinutes(25)), "curlew", "CLEAN_UP", Map.of("way", "FULL", "sieved", true, "emptied", false));
        service(morning.plus(Duration.ofMinutes(28)), "curlew", "SCREEN_CHANGE", Map.of("endReason", "RESIN", "serial", "SN-2291", "fromStores", "screen-144"));
        service(morning.plus(Duration.ofMinutes(34)), "curlew", "VAT_INSPECTED", Map.of("clean", true));
        service(morning.plus(Duration.ofMinutes(42)), "curlew", "LEVELLING", Map.of("school", "ON_FILM"));
        happenings.add(new CauseNamed(morning.plus(Duration.ofMinutes(45)), "keeper", failure, "spill", "FOUND",
                "Splash crept under the vat and cured on the screen. Wipe the underside after pouring."));
    }

    private void newResin(Instant morning, Vat vat) {
        service(morning.plus(Duration.ofMinutes(24)), "fulmar", "CLEAN_UP", Map.of("way", "FULL", "sieved", true, "emptied", true));
        happenings.add(new ResinPoured(morning.plus(Duration.ofMinutes(30)), "keeper", "fulmar", "silt-tough", 300));
        vat.resin = "silt-tough";
        vat.ml = 300;
    }

    private void filmChange(MachineSpec machine, Instant at, String reason, String item, String note) {
        hours.put(machine.code(), 0.0);
        happenings.add(new ServiceDone(at, "keeper", machine.code(), "FILM_CHANGE", Map.of("material", "FEP", "thicknessMm", 0.127,
                "endReason", reason, "fromStores", item.toLowerCase().replace(' ', '-')), note));
        service(at.plus(Duration.ofMinutes(12)), machine.code(), "LEVELLING", Map.of("school", levels(machine)));
    }

    private void endings() {
        Instant going = end.minus(Duration.ofMinutes(130));
        happenings.add(new RunGoing(going, "operator", "dunlin", "Hinge patterns, set of eight", 2180, 2.3, 168));
        happenings.add(new LookedIn(going.plus(Duration.ofMinutes(14)), "operator", "dunlin", "AS_IT_SHOULD"));
        Instant stopped = end.minus(Duration.ofMinutes(55));
        String run = key();
        happenings.add(new RunDone(stopped, "operator", "bittern", run, "Mayfly larva, twelve", stopped.minus(Duration.ofMinutes(95)), 1350, 2.3, 18,
                "FAILED", 610));
        happenings.add(new FailureSeen(stopped.plus(Duration.ofMinutes(6)), "operator", "bittern", key(), run, List.of("part-missing", "layer-split"),
                List.of("wet-under-vat"), List.of("B2", "C2", "C3"), "Five of twelve on the plate, the rest in the vat."));
    }

    /** The rooms are read most mornings: the Annexe is warmer, and drier, than the Long Room. */
    private void rooms() {
        for (int daysLeft = 55; daysLeft >= 0; daysLeft--) {
            Instant at = workingHours(end.minus(Duration.ofDays(daysLeft)).minus(Duration.ofMinutes(95)));
            if (daysLeft == 0 || chance.nextDouble() < 0.7 && at.isBefore(end.minus(Duration.ofHours(2)))) {
                Instant read = daysLeft == 0 ? end.minus(Duration.ofMinutes(95)) : at;
                happenings.add(new RoomRead(read, "operator", "long-room", tenths(20.4 + chance.nextGaussian() * 0.8), Math.round(49 + chance.nextGaussian() * 4)));
                happenings.add(new RoomRead(read.plusSeconds(240), "operator", "annexe", tenths(22.6 + chance.nextGaussian() * 1.1),
                        Math.round(43 + chance.nextGaussian() * 4)));
            }
        }
    }

    private static double tenths(double value) {
        return Math.round(value * 10) / 10.0;
    }

    private void stores() {
        for (int daysLeft = 49; daysLeft > 0; daysLeft -= 7) {
            Instant at = end.minus(Duration.ofDays(daysLeft)).minus(Duration.ofHours(3));
            happenings.add(new StockMoved(at, "operator", "nitrile-gloves", -(30 + chance.nextInt(20)), "week's use"));
            happenings.add(new StockMoved(at.plusSeconds(60), "operator", "paper-filters", -(10 + chance.nextInt(8)), "week's use"));
            happenings.add(new StockMoved(at.plusSeconds(120), "operator", "isopropyl-alcohol", -(2 + chance.nextInt(3)), "week's use"));
            happenings.add(new StockMoved(at.plusSeconds(180), "operator", "reed-grey-resin", -1, "opened"));
        }
        happenings.add(new StockMoved(end.minus(Duration.ofDays(26)), "owner", "nitrile-gloves", 200, "delivery"));
        happenings.add(new StockMoved(end.minus(Duration.ofDays(21)), "owner", "film-sheet-144", 5, "delivery"));
    }

    /** What is in a vat, as the story pours it. */
    private final class Vat {
        private final MachineSpec machine;
        private String resin;
        private double ml;

        private Vat(MachineSpec machine) {
            this.machine = machine;
            this.resin = machine.resin();
        }

        private void topUp(Instant at, double needMl) {
            if (ml < needMl + 60) {
                double pour = Math.round(Math.max(VAT_FULL_ML - ml, needMl + 80 - ml));
                happenings.add(new ResinPoured(at, "operator", machine.code(), resin, pour));
                ml += pour;
            }
        }
    }

    // ---- small things

    private void service(Instant at, String machine, String kind, Map<String, Object> values) {
        boolean bench = !kind.equals("PLATE_CLEARED") && !kind.equals("CLEAN_UP") && !kind.equals("VAT_INSPECTED");
        happenings.add(new ServiceDone(at, bench ? "keeper" : "operator", machine, kind, values, null));
    }

    /** A quiet moment with about so many print hours between it and the end of the story; empty if there are not as many. */
    private Optional<Instant> beforeHours(String machine, double hoursLeft) {
        List<RunDone> runs = happenings.stream().filter(h -> h instanceof RunDone r && r.machine().equals(machine)).map(RunDone.class::cast)
                .sorted(Comparator.comparing(RunDone::at).reversed()).toList();
        double sum = 0;
        for (int i = 0; i + 1 < runs.size(); i++) {
            sum += Duration.between(runs.get(i).startedAt(), runs.get(i).at()).toMinutes() / 60.0;
            Instant quietFrom = workingHours(runs.get(i + 1).at()).plus(Duration.ofMinutes(80));
            Instant at = runs.get(i).startedAt().minus(Duration.ofMinutes(40));
            if (sum >= hoursLeft && at.isAfter(quietFrom)) {
                return Optional.of(at);
            }
        }
        return Optional.empty();
    }

    private static MachineSpec machine(String code) {
        return Saltmarsh.MACHINES.stream().filter(m -> m.code().equals(code)).findFirst().orElseThrow();
    }

    /** A levelling with what the gauge showed at five places afterwards: what is left of the tilt rises to the right. */
    private Map<String, Object> levelled(MachineSpec machine, double leftMm) {
        double width = machine.code().equals("dunlin") || machine.code().equals("egret") ? 208 : machine.code().equals("fulmar") ? 176 : machine.code().equals("godwit") ? 115 : 144;
        double depth = width * 0.5625;
        double[][] places = {{0.08, 0.08}, {0.92, 0.08}, {0.08, 0.92}, {0.92, 0.92}, {0.5, 0.5}};
        List<Map<String, Double>> readings = new ArrayList<>();
        for (double[] p : places) {
            readings.add(Map.of("xMm", tenths(p[0] * width), "yMm", tenths(p[1] * depth), "zMm", Math.round(100 * (leftMm * p[0] + chance.nextGaussian() * 0.008)) / 100.0));
        }
        return Map.of("school", levels(machine), "readings", readings, "gaugeSdMm", 0.01);
    }

    private static String levels(MachineSpec machine) {
        return machine.school();
    }

    private String job() {
        String[] jobs = {"Gate latch pattern", "Latch keeper, pair", "Hinge patterns", "Strap end patterns", "Mayfly larva, ten", "Caddis case models",
            "Stonefly nymph, six", "Freshwater shrimp", "River limpet set", "Core box insert", "Runner and gate set", "Leech model, large"};
        return jobs[chance.nextInt(jobs.length)];
    }

    private String operatorAt(Instant start) {
        return start.atZone(zone).getHour() < 12 ? "operator" : "keeper";
    }

    /** What ends at night waits for the morning, unless the story ends before that: then somebody looked in late. */
    private Instant lookedAt(Instant at) {
        Instant morning = workingHours(at);
        return morning.isAfter(end.minus(Duration.ofHours(2))) ? at : morning;
    }

    private Instant workingHours(Instant at) {
        LocalTime time = at.atZone(zone).toLocalTime();
        if (time.isBefore(LocalTime.of(6, 30))) {
            return at(at.atZone(zone).toLocalDate(), 6, 45);
        }
        return time.isAfter(LocalTime.of(20, 30)) ? at(at.atZone(zone).toLocalDate().plusDays(1), 6, 45) : at;
    }

    private Instant at(LocalDate day, int hour, int minute) {
        return day.atTime(hour, minute).atZone(zone).toInstant();
    }

    private String key() {
        return "k" + ++keys;
    }
}
