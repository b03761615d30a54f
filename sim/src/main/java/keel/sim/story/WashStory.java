package keel.sim.story;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import keel.sim.chance.Chance;
import keel.sim.shop.Happening;

/**
 * The wash place since it is kept track of: two baths, each print through both, what is put aside as waste, and once
 * something in somebody's glove.
 */
final class WashStory {

    private static final int DAYS = 75;
    private static final int PRINTS_A_FILLING = 60;
    private static final double BATH_ML = 2500;
    private static final double TACKY = 0.025;
    private static final double BLOOMED = 0.02;
    private static final double HURRIED = 0.06;

    private final Chance chance;
    private final Instant end;
    private final List<Happening> all = new ArrayList<>();
    private final Map<String, String> bathAt = new HashMap<>(Map.of("FIRST", "W1", "SECOND", "W2"));
    private int washed;

    WashStory(Chance chance, Instant end) {
        this.chance = chance;
        this.end = end;
    }

    List<Happening> happenings(List<Happening> shop) {
        Instant begins = end.minus(Duration.ofDays(DAYS));
        all.add(new Happening.BathSetUp(begins, "keeper", "ALCOHOL", "FIRST", BATH_ML));
        all.add(new Happening.BathSetUp(begins.plusSeconds(60), "keeper", "ALCOHOL", "SECOND", BATH_ML));
        all.add(new Happening.BathFilled(begins.plusSeconds(120), "keeper", "W1", BATH_ML, 0.787, false));
        all.add(new Happening.BathFilled(begins.plusSeconds(180), "keeper", "W2", BATH_ML, 0.786, false));
        List<Happening.RunDone> good = shop.stream()
                .filter(h -> h instanceof Happening.RunDone r
                        && List.of("GOOD", "USABLE").contains(r.outcome())
                        && r.at().isAfter(begins.plus(Duration.ofHours(1))))
                .map(Happening.RunDone.class::cast)
                .sorted(Comparator.comparing(Happening.RunDone::at))
                .toList();
        for (int i = 0; i < good.size(); i++) {
            finish(good.get(i), good.size() - 1 - i);
        }
        waste(begins);
        return all.stream().filter(h -> h.at().isBefore(end)).toList();
    }

    /** The last prints are still on their way: one waits, one is in the bath, one dries. */
    private void finish(Happening.RunDone run, int fromLast) {
        if (fromLast == 0) {
            return;
        }
        boolean longRoom = Saltmarsh.MACHINES.stream()
                .anyMatch(m -> m.code().equals(run.machine()) && m.room().equals("long-room"));
        Instant first = fromLast == 1
                ? end.minusSeconds(140)
                : fromLast == 2
                        ? end.minus(Duration.ofMinutes(74))
                        : run.at().plus(Duration.ofMinutes(8 + chance.below(25)));
        if (!first.isAfter(run.at()) || first.isAfter(end.minusSeconds(130))) {
            return;
        }
        boolean hurried = chance.happens(HURRIED);
        Instant second = first.plusSeconds(hurried ? 60 + chance.below(30) : 190 + chance.below(80));
        Instant dry = second.plusSeconds(hurried ? 50 + chance.below(30) : 170 + chance.below(70));
        Instant cure = dry.plus(Duration.ofMinutes(hurried && chance.happens(0.5) ? 45 : 125 + chance.below(140)));
        Instant done = cure.plusSeconds(480 + chance.below(200));
        String how = chance.happens(hurried ? 0.3 : TACKY) ? "TACKY" : chance.happens(BLOOMED) ? "BLOOM" : "CLEAN";
        String supports = longRoom ? "OFF_FIRST" : "AFTER";
        if (fromLast == 1) {
            all.add(new Happening.PrintFinished(
                    first,
                    "operator",
                    run.key(),
                    bathAt.get("FIRST"),
                    first,
                    null,
                    null,
                    null,
                    null,
                    null,
                    null,
                    null,
                    supports));
        } else if (done.isAfter(end.minusSeconds(200))) {
            all.add(new Happening.PrintFinished(
                    dry.isBefore(end.minusSeconds(200)) ? dry : end.minusSeconds(200),
                    "operator",
                    run.key(),
                    bathAt.get("FIRST"),
                    first,
                    bathAt.get("SECOND"),
                    second,
                    dry,
                    "STILL",
                    null,
                    null,
                    null,
                    supports));
        } else {
            all.add(new Happening.PrintFinished(
                    done,
                    "operator",
                    run.key(),
                    bathAt.get("FIRST"),
                    first,
                    bathAt.get("SECOND"),
                    second,
                    dry,
                    longRoom ? "FAN" : "STILL",
                    cure,
                    done,
                    how,
                    supports));
        }
        if (++washed % PRINTS_A_FILLING == 0 && fromLast > 6) {
            fill(done.plusSeconds(900));
        } else if (washed % PRINTS_A_FILLING == PRINTS_A_FILLING / 2) {
            all.add(new Happening.BathRead(
                    done.plusSeconds(300), "keeper", bathAt.get("FIRST"), 0.791 + chance.below(30) / 10_000.0));
        }
    }

    private void fill(Instant at) {
        String spent = bathAt.get("FIRST");
        all.add(new Happening.BathFilled(at, "keeper", spent, BATH_ML, 0.786, true));
        bathAt.put("FIRST", bathAt.get("SECOND"));
        bathAt.put("SECOND", spent);
    }

    private void waste(Instant begins) {
        all.add(new Happening.LocalRules(
                begins.plusSeconds(600),
                "keeper",
                "Cured resin, gloves and towels cured dry: general waste.\nRaw resin, dirty alcohol, raw "
                        + "filters: the depot on Quay Lane, first Tuesday of the month, in closed cans with "
                        + "the sheet.\nNothing to the "
                        + "drain. Ask the council when in doubt."));
        for (int day = DAYS - 6; day > 5; day -= 7) {
            Instant at = end.minus(Duration.ofDays(day)).plusSeconds(chance.below(7200));
            all.add(new Happening.WastePutAside(at, "operator", "GLOVES_TOWELS", 1, "grey bag", null, null));
            all.add(new Happening.WasteCured(at.plus(Duration.ofHours(26)), "operator"));
        }
        for (int day : new int[] {58, 30, 9}) {
            all.add(new Happening.WasteHandedIn(end.minus(Duration.ofDays(day)), "keeper", "the depot"));
        }
        all.add(new Happening.WastePutAside(
                end.minus(Duration.ofDays(5)).minusSeconds(4000),
                "operator",
                "LEFTOVER_RESIN",
                180,
                "flat tray, yard door",
                8.0,
                "from Godwit's old tank"));
        all.add(new Happening.WastePutAside(
                end.minus(Duration.ofHours(30)), "operator", "GLOVES_TOWELS", 1, "grey bag", null, null));
        all.add(new Happening.WastePutAside(
                end.minus(Duration.ofHours(20)), "operator", "FILTERS", 6, "drying line", null, null));
        all.add(new Happening.SomethingHappened(
                end.minus(Duration.ofDays(37)),
                "keeper",
                "SKIN",
                "Elin",
                "A glove tore while the vat was lifted off Egret, resin on two fingers.",
                "Soap and water at once, plaster, out of the sun.",
                "Thicker gloves for lifting vats; the box hangs beside Egret."));
    }
}
