package keel.core.gate;

import static keel.core.gate.GateItem.State.ASK;
import static keel.core.gate.GateItem.State.HOLD;
import static keel.core.gate.GateItem.State.OK;
import static keel.core.gate.GateItem.State.WARN;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import keel.core.gate.GateItem.GatePart;
import keel.core.resin.VatFill;
import keel.core.resin.Warmth;
import keel.core.screen.ScreenVerdict;
import keel.core.standing.Defaults;
import keel.core.standing.Hold;
import keel.core.standing.MachineKind;
import keel.core.standing.PartUse;

/**
 * Puts the questions of the start gate: what the records know is answered, what only eyes can tell is asked, four times
 * at the most when all is in order. Thresholds are figures that the shop may change; common practice, no published
 * source.
 */
public final class StartGate {

    /** What was found in the file. */
    public static final String FILE_READ = "file-read";

    private static final String FILE_AND_AIR = "file-and-air";
    private static final double SAME_LAYER_MM = 1e-4;

    private static final double SAME_EXPOSURE_S = 0.005;
    private static final int SEVERAL = 3;

    private final Defaults defaults;

    public StartGate(Defaults defaults) {
        this.defaults = defaults;
    }

    /** Whether nothing forbids a start. */
    public static boolean mayStart(List<GateItem> items) {
        return items.stream().noneMatch(i -> i.state() == HOLD);
    }

    /**
     * Said after several prints in a row went wrong: a piece that always came out tells the machine's faults from the
     * job's.
     */
    public static Optional<GateItem> knownGoodFirst(int wentWrongInARow) {
        return wentWrongInARow < SEVERAL
                ? Optional.empty()
                : Optional.of(new GateItem(
                        "known-good-first",
                        GatePart.JOB,
                        WARN,
                        wentWrongInARow
                                + " prints in a row went wrong. Print the small piece that always came out "
                                + "first: it tells the machine's faults from the job's."));
    }

    /** A screen that is not as good as new. */
    public static GateItem screen(ScreenVerdict v) {
        return new GateItem(
                "screen-spots",
                GatePart.SCREEN,
                WARN,
                v.verdict() == ScreenVerdict.Verdict.CHANGE
                        ? "The screen should be changed: " + String.join(" ", v.reasons())
                        : String.format(
                                        Locale.ROOT,
                                        "The screen has spots: put the job where none lies under it. %s",
                                        v.freePlaces() == null
                                                ? ""
                                                : "A usual job lies clear in " + Math.round(100 * v.freePlaces())
                                                        + " % of its places.")
                                .strip());
    }

    /** A harm that the last failure may have left, and that nobody looked for since. */
    public static GateItem lookFor(String code, String name, double present) {
        boolean screen = code.equals("screen-dark-pixels");
        return new GateItem(
                "look-for-" + code,
                screen ? GatePart.SCREEN : GatePart.FILM,
                ASK,
                String.format(
                        Locale.ROOT,
                        "The last failure may have left this: %s (%.0f %%). Somebody looked, and it is not so%s.",
                        name.toLowerCase(Locale.ROOT),
                        100 * present,
                        screen ? "; the next part is held to the light" : ""));
    }

    /** A hole in the film that is only cured shut. */
    public static GateItem stopGap(String text) {
        return new GateItem("stop-gap", GatePart.FILM, WARN, text);
    }

    /** What is odd about a machine, with what to do about it. */
    public static GateItem quirk(long id, String text, String workaround) {
        return new GateItem("quirk-" + id, GatePart.JOB, WARN, text + (text.endsWith(".") ? " " : ". ") + workaround);
    }

    /**
     * The same where the file was read: what was found in it stands in place of paging through it.
     *
     * @param state OK, WARN or HOLD
     */
    public static List<GateItem> withFile(List<GateItem> items, GateItem.State state, String text) {
        List<GateItem> answered = new ArrayList<>();
        for (GateItem item : items) {
            if (item.code().equals(FILE_AND_AIR)) {
                answered.add(new GateItem(FILE_READ, GatePart.JOB, state, text));
                answered.add(new GateItem(FILE_AND_AIR, GatePart.JOB, ASK, "Ventilation is on."));
            } else {
                answered.add(item);
            }
        }
        return List.copyOf(answered);
    }

    /** A file that is sliced in other layers than the profile's, where both are known. */
    public static Optional<GateItem> otherLayers(Double fileMm, Double profileMm) {
        return fileMm == null || profileMm == null || Math.abs(fileMm - profileMm) < SAME_LAYER_MM
                ? Optional.empty()
                : Optional.of(new GateItem(
                        "file-layers",
                        GatePart.JOB,
                        WARN,
                        String.format(
                                Locale.ROOT,
                                "The file has layers of %s mm, the profile %s mm: it was sliced for other settings.",
                                plain(fileMm),
                                plain(profileMm))));
    }

    /** The questions, in the order in which the machine is stacked. */
    public List<GateItem> items(GateFacts f) {
        List<GateItem> items = new ArrayList<>();
        f.holds().forEach(h -> items.add(new GateItem(h.code().code(), part(h), HOLD, h.text())));
        boolean held = !f.holds().isEmpty();
        items.add(new GateItem(
                "plate-seen", GatePart.PLATE, ASK, "Nothing hangs on the plate, and its bolts are tight."));
        if (f.holds().stream().noneMatch(h -> h.code().code().equals("not-levelled"))) {
            items.add(levelled(f));
        }
        items.add(vessel(f));
        items.add(resin(f));
        freeboard(f, items);
        items.add(stirred(f));
        f.parts().forEach(p -> items.add(chance(p, f)));
        items.add(new GateItem(
                FILE_AND_AIR,
                GatePart.JOB,
                ASK,
                "The file was paged through: islands, doubled models, drain holes. Ventilation is on."));
        items.add(profile(f));
        items.add(temperature(f));
        if (f.lastFailed() && !f.changedSince() && !held) {
            items.add(new GateItem(
                    "nothing-changed",
                    GatePart.JOB,
                    WARN,
                    "The last print failed and nothing was changed since. The same again will most likely "
                            + "fail the same way."));
        }
        if (f.holdNextToLight()) {
            items.add(new GateItem(
                    "hold-to-light",
                    GatePart.SCREEN,
                    WARN,
                    "Something was crushed here: hold this part to the light and look for holes right through."));
        }
        items.addAll(f.own());
        return items;
    }

    private static GateItem levelled(GateFacts f) {
        return f.levelled()
                ? new GateItem(
                        "levelled",
                        GatePart.PLATE,
                        OK,
                        "Levelled " + f.printsSinceLevelling() + (f.printsSinceLevelling() == 1 ? " print" : " prints")
                                + " ago.")
                : new GateItem("levelled", GatePart.PLATE, WARN, "No levelling is on record.");
    }

    /** A laser's lining is looked at; a film is felt. */
    private static GateItem vessel(GateFacts f) {
        return new GateItem(
                "vat-felt",
                GatePart.VAT,
                ASK,
                f.kind() == MachineKind.LASER_TANK
                        ? "The tank was looked into, from the side and against the light: no cured bits. Nothing "
                                + "touched its lining. It sits at its stop."
                        : "The vat was looked into and felt: no cured bits. Its bolts are tight.");
    }

    private GateItem stirred(GateFacts f) {
        String right = "it is the right one" + (f.resin() == null ? "." : ": " + f.resin() + ".");
        return new GateItem(
                "resin-stirred",
                GatePart.RESIN,
                ASK,
                f.kind() == MachineKind.LASER_TANK
                        ? "The bottle that feeds it is shaken, its vent open, and " + right
                        : "The resin is stirred, and " + right + settled(f));
    }

    private GateItem resin(GateFacts f) {
        if (f.resinMl() == null || f.resin() == null) {
            return new GateItem(
                    "resin-enough",
                    GatePart.RESIN,
                    ASK,
                    "What is in the " + where(f) + " is not on record: enough for the job and to keep it covered?");
        }
        double floor = f.fillLineMl() == null ? 0 : defaults.value("vat.leastShare") * f.fillLineMl();
        String there = ml(f.resinMl());
        if (f.jobMl() == null) {
            return new GateItem(
                    "resin-enough",
                    GatePart.RESIN,
                    WARN,
                    "About " + there + " in the " + where(f) + "; how much the job takes is not said.");
        }
        if (f.fillLineMl() != null && !f.selfFilling() && f.resinMl() > f.fillLineMl()) {
            return new GateItem(
                    "resin-enough",
                    GatePart.RESIN,
                    WARN,
                    "About " + there + " is above the fill line of " + ml(f.fillLineMl()) + ".");
        }
        double need = f.jobMl() + floor;
        if (f.resinMl() >= need) {
            return new GateItem(
                    "resin-enough",
                    GatePart.RESIN,
                    OK,
                    "About " + there + " in the " + where(f) + ", " + ml(need) + " needed.");
        }
        return new GateItem(
                "resin-enough",
                GatePart.RESIN,
                WARN,
                (f.selfFilling() ? "Put about " : "Pour about ") + ml(need - f.resinMl())
                        + (f.selfFilling() ? " more into its bottle" : " more") + " before the start: " + there
                        + " is there, the job takes " + ml(f.jobMl()) + " and the floor must stay covered.");
    }

    private static String where(GateFacts f) {
        return f.selfFilling() ? "tank and its bottle" : f.kind().vessel();
    }

    /** Said where the vat's size is known: how far below the rim the resin stands once the plate is down. */
    private static void freeboard(GateFacts f, List<GateItem> items) {
        if (f.vat() == null || f.resinMl() == null || f.selfFilling()) {
            return;
        }
        double free = f.vat().fill().freeboardMm(f.resinMl(), f.vat().plate());
        double over = f.resinMl() - f.vat().fill().mostMl(f.vat().plate());
        items.add(
                free < VatFill.LEAST_FREEBOARD_MM
                        ? new GateItem(
                                "freeboard",
                                GatePart.RESIN,
                                WARN,
                                "With the plate down the resin stands "
                                        + (free < 0
                                                ? "over the rim"
                                                : String.format(Locale.ROOT, "%.0f mm below the rim", free))
                                        + "; " + Math.round(VatFill.LEAST_FREEBOARD_MM)
                                        + " mm is the least. Take out about " + ml(over) + ".")
                        : new GateItem(
                                "freeboard",
                                GatePart.RESIN,
                                OK,
                                String.format(Locale.ROOT, "%.0f mm to the rim with the plate down.", free)));
    }

    private static GateItem profile(GateFacts f) {
        if (f.resin() == null) {
            return new GateItem("profile", GatePart.JOB, WARN, "No resin is on record, so no profile either.");
        }
        if (f.profile() == null) {
            return new GateItem(
                    "profile",
                    GatePart.JOB,
                    WARN,
                    "No profile for " + f.resin()
                            + " on this machine: start from the maker's sheet, and write it down.");
        }
        GateFacts.Profile p = f.profile();
        String which = "Profile " + p.version() + " for " + f.resin();
        if (f.jobExposureS() != null && Math.abs(f.jobExposureS() - p.exposureS()) > SAME_EXPOSURE_S) {
            return new GateItem(
                    "profile",
                    GatePart.JOB,
                    WARN,
                    String.format(
                            Locale.ROOT,
                            "%s says %s s, the job %s s: an old file, or a change that nobody wrote down.",
                            which,
                            plain(p.exposureS()),
                            plain(f.jobExposureS())));
        }
        return new GateItem(
                "profile",
                GatePart.JOB,
                OK,
                which
                        + (p.runs() == 0
                                ? ", the first print with it."
                                : ": " + p.good() + " of " + p.runs() + " came out."));
    }

    /** The light comes last in the stack, as the last line of all. */
    private static GatePart place(PartUse.UsedPart part) {
        return switch (part) {
            case FILM, TANK -> GatePart.FILM;
            case SCREEN -> GatePart.SCREEN;
            case LIGHT -> GatePart.JOB;
        };
    }

    private GateItem chance(PartUse part, GateFacts f) {
        double chance = part.failsWithin(f.jobHours(), f.uvShare(), f.detail());
        boolean past = part.agedUnseen();
        return new GateItem(
                part.part().prefix() + "-chance",
                place(part.part()),
                past || chance > defaults.value("watch.failureChance") ? WARN : OK,
                String.format(
                        Locale.ROOT,
                        "%s: %s %% to fail in these %.1f h%s.%s",
                        part.name(),
                        chance < 0.01 ? "<1" : Long.toString(Math.round(100 * chance)),
                        f.jobHours(),
                        part.because(),
                        past ? " It is past its age, and nobody looked at it." : ""));
    }

    /** Pigment sinks where resin stands still. */
    private String settled(GateFacts f) {
        return f.stoodDays() == null || f.stoodDays() < defaults.value("resin.stirDays")
                ? ""
                : String.format(
                        Locale.ROOT, " It stood still for %.0f days: stir it up from the bottom.", f.stoodDays());
    }

    private static GateItem temperature(GateFacts f) {
        if (f.warmth() == null) {
            return new GateItem(
                    "temperature",
                    GatePart.ROOM,
                    WARN,
                    "Neither room nor resin was read: how warm is the resin? Measure it.");
        }
        if (f.readHoursAgo() > Warmth.STALE_HOURS) {
            return new GateItem(
                    "temperature",
                    GatePart.ROOM,
                    WARN,
                    String.format(
                            Locale.ROOT,
                            "The room was read %.0f h ago: %.1f °C then.",
                            f.readHoursAgo(),
                            f.warmth().celsius()));
        }
        return new GateItem(
                "temperature",
                f.warmth().ofResin() ? GatePart.RESIN : GatePart.ROOM,
                f.warmth().asksForSomething() ? WARN : OK,
                f.warmth().words());
    }

    /** The fan of its room is off. */
    public static GateItem fanOff(String room) {
        return new GateItem(
                "fan-off",
                GatePart.ROOM,
                WARN,
                "The fan of the " + room
                        + " is off, by the last entry. Resin and alcohol in still air is no answer: switch it on.");
    }

    private static GatePart part(Hold hold) {
        return switch (hold.code()) {
            case PLATE_NOT_CLEAR, NOT_LEVELLED, STANCE_UNCHECKED -> GatePart.PLATE;
            case RESIN_MIXED -> GatePart.RESIN;
            case FAILURE_NOT_CLEANED -> GatePart.VAT;
            case WET_UNDER_VAT, STOP_GAP_LAPSED, FILM_ENDED -> GatePart.FILM;
            case CRUNCH_NOT_INSPECTED, SCREEN_ENDED -> GatePart.SCREEN;
        };
    }

    private static String plain(double number) {
        return number == Math.rint(number) ? Long.toString((long) number) : Double.toString(number);
    }

    private static String ml(double ml) {
        return Math.round(ml) + " ml";
    }
}
