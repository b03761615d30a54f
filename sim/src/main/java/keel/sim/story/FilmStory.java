package keel.sim.story;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import keel.core.film.Clouding;
import keel.core.film.FilmMark;
import keel.sim.chance.Chance;
import keel.sim.instrument.BenchTools;
import keel.sim.instrument.Microphone;
import keel.sim.shop.Happening;
import keel.sim.shop.Shop;
import keel.sim.world.Film;
import keel.sim.world.Machine;
import org.hipparchus.util.FastMath;

/**
 * The bench of films: packs bought, films inspected and tapped as they truly are, cleaned, one hole cured shut before a
 * change, one experiment.
 */
final class FilmStory {

    private static final String GOOD_SUPPLIER = "Fen Foil Supply";
    private static final String OTHER_SUPPLIER = "Marl Sheet Works";
    private static final int BAD_LOT_FROM_DAYS_AGO = 170;
    private static final int BAD_LOT_TO_DAYS_AGO = 45;
    private static final int CLEANED_EVERY_DAYS = 45;
    private static final Duration BETWEEN_LOOKS = Duration.ofDays(26);
    private static final double MM_PER_LENGTH = 1.25;
    private static final Map<String, String> MODEL_PACKS = Map.of(
            "avocet", "144", "bittern", "144", "curlew", "144", "dunlin", "208", "egret", "208", "fulmar", "176");
    private static final Map<String, String> REFERENCES = Map.of("avocet", "144", "dunlin", "208", "fulmar", "176");

    private final Shop.History history;
    private final Days days;
    private final Chance chance;

    FilmStory(Shop.History history, Days days, Chance chance) {
        this.history = history;
        this.days = days;
        this.chance = chance;
    }

    /** The packs that film changes take their sheets from, by model and time. */
    static String pack(String machine, boolean badLot) {
        return switch (MODEL_PACKS.getOrDefault(machine, "")) {
            case "144" -> "K1";
            case "208" -> badLot ? "K5" : "K2";
            case "176" -> "K3";
            default -> null;
        };
    }

    /** What happened at the machines, with the pack noted at each change of a film. */
    List<Happening> withPacks() {
        List<Happening> all = new ArrayList<>();
        for (Happening h : history.happenings()) {
            if (h instanceof Happening.ServiceDone s && s.kind().equals("FILM_CHANGE")) {
                boolean bad = s.at().isAfter(days.before(BAD_LOT_FROM_DAYS_AGO))
                        && s.at().isBefore(days.before(BAD_LOT_TO_DAYS_AGO))
                        && s.machine().equals("egret");
                Map<String, Object> values = new LinkedHashMap<>(s.values());
                Optional.ofNullable(pack(s.machine(), bad)).ifPresent(p -> values.put("pack", p));
                all.add(new Happening.ServiceDone(s.at(), s.who(), s.machine(), s.kind(), values, s.note()));
            } else {
                all.add(h);
            }
        }
        return all;
    }

    List<Happening> happenings() {
        List<Happening> all = new ArrayList<>(packs());
        int day = 3;
        for (Map.Entry<String, Machine> m : history.machines().entrySet()) {
            if (MODEL_PACKS.containsKey(m.getKey())) {
                all.addAll(looks(m.getKey(), m.getValue(), days.before(day).plus(Duration.ofMinutes(20L * day))));
                all.addAll(cleanings(m.getKey()));
                day += 1;
            }
        }
        holeBefore("avocet").ifPresent(all::add);
        all.add(new Happening.FilmTried(days.before(31), "operator", "dunlin", "Water repellent wiped on the inside"));
        return all;
    }

    private List<Happening> packs() {
        Instant first = history.start().plus(Duration.ofHours(1));
        return List.of(
                new Happening.PackBought(first, "keeper", GOOD_SUPPLIER, "F-2231", 0.127, 215, 150, sheets("144"), 3.1),
                new Happening.PackBought(
                        first.plusSeconds(60), "keeper", GOOD_SUPPLIER, "F-2240", 0.127, 285, 190, sheets("208"), 4.8),
                new Happening.PackBought(
                        first.plusSeconds(120), "keeper", GOOD_SUPPLIER, "F-2238", 0.127, 250, 170, sheets("176"), 4.2),
                new Happening.PackBought(
                        days.before(BAD_LOT_FROM_DAYS_AGO + 6),
                        "keeper",
                        OTHER_SUPPLIER,
                        "7-B",
                        0.127,
                        285,
                        190,
                        4,
                        3.4),
                new Happening.PackBought(
                        first.plusSeconds(180), "keeper", OTHER_SUPPLIER, null, 0.1, 180, 120, 6, 1.9));
    }

    private int sheets(String model) {
        return 3
                + (int) history.happenings().stream()
                        .filter(h -> h instanceof Happening.ServiceDone s
                                && s.kind().equals("FILM_CHANGE")
                                && model.equals(MODEL_PACKS.get(s.machine())))
                        .count();
    }

    /** Two inspections of the film that is in now, and its tone; only the later one where it is not so old. */
    private List<Happening> looks(String code, Machine machine, Instant at) {
        Instant fitted = changes(code).stream()
                .map(Happening::at)
                .max(Instant::compareTo)
                .orElse(history.start());
        if (at.isBefore(fitted)) {
            return List.of();
        }
        List<Happening> all = new ArrayList<>();
        Film film = machine.vat().film();
        Chance eyes = chance.stream("looks " + code);
        double now = film.transmittance(machine.cells().count() / 2);
        if (at.minus(BETWEEN_LOOKS).isAfter(fitted)) {
            double then = film.clearTransmittance() - 0.6 * (film.clearTransmittance() - now);
            all.add(new Happening.FilmLooked(
                    at.minus(BETWEEN_LOOKS),
                    "keeper",
                    code,
                    Clouding.of(then),
                    null,
                    null,
                    marks(machine, film, 0.5, eyes),
                    null));
        }
        double bare = 3.1 * eyes.between(0.97, 1.03);
        all.add(new Happening.FilmLooked(
                at,
                "keeper",
                code,
                Clouding.of(now),
                rounded(bare),
                rounded(bare * now),
                marks(machine, film, 1, eyes),
                code.equals("avocet") ? "DRY" : null));
        Saltmarsh.filmWindow(code)
                .ifPresent(w -> all.add(new Happening.FilmTapped(
                        at.plusSeconds(420),
                        "keeper",
                        code,
                        new Happening.Bytes(Microphone.taps(film, w[0], w[1], Saltmarsh.FILM_MM, false, eyes)),
                        new Happening.Bytes(Microphone.taps(film, w[0], w[1], Saltmarsh.FILM_MM, true, eyes)),
                        BenchTools.thermometer(history.rooms().at(machine.site().room(), at), eyes),
                        REFERENCES.containsKey(code))));
        return all;
    }

    /** Dents where they are; a share of them was there already. */
    private static List<FilmMark> marks(Machine machine, Film film, double share, Chance eyes) {
        List<FilmMark> marks = new ArrayList<>();
        int dents = (int) FastMath.ceil(share * film.dents());
        for (int cell = 0; cell < machine.cells().count() && marks.size() < dents; cell++) {
            if (film.dented(cell)) {
                marks.add(new FilmMark(
                        FilmMark.MarkKind.DENT,
                        rounded(machine.cells().xMm(cell) + eyes.between(-1, 1)),
                        rounded(machine.cells().yMm(cell) + eyes.between(-1, 1)),
                        rounded(MM_PER_LENGTH * (1 + share))));
            }
        }
        return marks;
    }

    /** After a plate was cleared, while nothing prints, every few weeks. */
    private List<Happening> cleanings(String code) {
        List<Happening> all = new ArrayList<>();
        Instant next = history.start()
                .plus(Duration.ofDays(20 + chance.stream("cleaned " + code).below(30)));
        for (Happening h : history.happenings()) {
            if (h instanceof Happening.ServiceDone s
                    && s.machine().equals(code)
                    && s.kind().equals("PLATE_CLEARED")
                    && h.at().isAfter(next)
                    && idle(code, h.at().plusSeconds(300))) {
                boolean glass = code.hashCode() % 2 == 0;
                all.add(new Happening.ServiceDone(
                        h.at().plusSeconds(300),
                        "keeper",
                        code,
                        "FILM_CLEANED",
                        Map.of("cleaner", glass ? "GLASS_CLEANER" : "ALCOHOL", "sheetLifted", "true"),
                        null));
                next = h.at().plus(Duration.ofDays(CLEANED_EVERY_DAYS));
            }
        }
        return all;
    }

    /** The last film there that was pierced had its hole cured shut first. */
    private Optional<Happening> holeBefore(String code) {
        return changes(code).stream()
                .filter(c -> "PIERCED".equals(c.values().get("endReason")))
                .reduce((a, b) -> b)
                .flatMap(change -> history.happenings().stream()
                        .filter(h -> h instanceof Happening.ServiceDone s
                                && s.machine().equals(code)
                                && s.kind().equals("PLATE_CLEARED")
                                && s.at().isBefore(change.at().minus(Duration.ofHours(5)))
                                && idle(code, s.at().plusSeconds(600)))
                        .reduce((a, b) -> b)
                        .map(h -> new Happening.ServiceDone(
                                h.at().plusSeconds(600),
                                "keeper",
                                code,
                                "HOLE_CURED",
                                Map.of("sizeMm", 0.5, "xMm", 52.0, "yMm", 31.0),
                                "Pinhole near the front; holds until the sitting.")));
    }

    private List<Happening.ServiceDone> changes(String code) {
        List<Happening.ServiceDone> changes = new ArrayList<>();
        history.happenings().forEach(h -> {
            if (h instanceof Happening.ServiceDone s
                    && s.machine().equals(code)
                    && s.kind().equals("FILM_CHANGE")) {
                changes.add(s);
            }
        });
        return changes;
    }

    private boolean idle(String code, Instant at) {
        return history.happenings().stream()
                .noneMatch(h -> h instanceof Happening.RunDone r
                                && r.machine().equals(code)
                                && r.startedAt().isBefore(at.plusSeconds(120))
                                && r.at().isAfter(at)
                        || h instanceof Happening.RunGoing g
                                && g.machine().equals(code)
                                && g.at().isBefore(at.plusSeconds(120)));
    }

    private static double rounded(double value) {
        return FastMath.rint(value * 100) / 100;
    }
}
