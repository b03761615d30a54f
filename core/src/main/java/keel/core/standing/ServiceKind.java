package keel.core.standing;

import static keel.core.standing.ServiceField.choice;
import static keel.core.standing.ServiceField.number;
import static keel.core.standing.ServiceField.optional;
import static keel.core.standing.ServiceField.readings;
import static keel.core.standing.ServiceField.simple;

import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import keel.core.standing.ServiceField.Type;

/** Everything that is done to a machine at the bench, what each entry says, and the usual caution at that step. */
public enum ServiceKind {
    FILM_CHANGE(
            "Film changed",
            "Change the film",
            Caution.RAW_RESIN_AND_BLADE,
            true,
            Choices.material(),
            number("thicknessMm", "Thickness", 0.02, 1, "mm"),
            Choices.filmEnd(),
            Choices.spareVat(),
            simple(Type.PACK, "pack", "From pack", false),
            simple(Type.ITEM, "fromStores", "Taken from stores", false)),
    TANK_CHANGE(
            "Tank changed",
            "Change the tank",
            Caution.RAW_RESIN,
            true,
            Choices.filmEnd(),
            simple(Type.ITEM, "fromStores", "Taken from stores", false)),
    VAT_FITTED("Vat fitted", "Fit a vat", Caution.RAW_RESIN, true, simple(Type.VAT, "vat", "Vat", true)),
    VAT_REMOVED("Vat lifted out", "Lift the vat out", Caution.RAW_RESIN, true, simple(Type.VAT, "vat", "Vat", true)),
    SCREEN_CHANGE(
            "Screen changed",
            "Change the screen",
            Caution.MAINS,
            true,
            choice(
                    "endReason",
                    "Why the old one ended",
                    true,
                    "DARK_PIXELS",
                    "Dark pixels",
                    "LIT_PIXELS",
                    "Lit pixels",
                    "PATCH",
                    "Patch",
                    "CRUSHED",
                    "Crushed",
                    "RESIN",
                    "Resin on it",
                    "PLANNED",
                    "Planned",
                    "OTHER",
                    "Other"),
            Choices.spare(),
            simple(Type.TEXT, "serial", "Serial of the new one", false),
            simple(Type.ITEM, "fromStores", "Taken from stores", false)),
    LIGHT_CHANGE(
            "Light engine changed",
            "Change the light engine",
            Caution.MAINS,
            true,
            choice(
                    "endReason",
                    "Why the old one ended",
                    true,
                    "DEAD",
                    "No light",
                    "DIM",
                    "Too dim",
                    "UNEVEN",
                    "Uneven",
                    "PLANNED",
                    "Planned",
                    "OTHER",
                    "Other"),
            Choices.spare(),
            simple(Type.TEXT, "serial", "Serial of the new one", false),
            simple(Type.ITEM, "fromStores", "Taken from stores", false)),
    LEVELLING(
            "Levelled",
            "Level the plate",
            Caution.NONE,
            true,
            choice("school", "How", true, "PAPER", "On paper", "ON_FILM", "On the film", "SELF", "By itself"),
            simple(Type.LIST, "readings", "Readings", false),
            optional("gaugeSdMm", "Spread of the gauge", 0, 1, "mm")),
    PLATE_WORK(
            "Plate worked on",
            "Work on the plate",
            Caution.DUST,
            true,
            choice(
                    "work",
                    "What was done",
                    true,
                    "ABRADED",
                    "Abraded",
                    "DEBURRED",
                    "Burr taken off",
                    "REPLACED",
                    "Replaced")),
    PLATE_CLEARED(
            "Plate cleared",
            "Clear the plate",
            Caution.RAW_RESIN,
            false,
            simple(Type.YES_NO, "burr", "A burr was felt", false),
            simple(Type.YES_NO, "sieved", "Resin sieved", false),
            optional("resinLeftMl", "Resin left in the vat", 0, 50_000, "ml"),
            simple(Type.YES_NO, "rubbedClean", "Nothing rubs off the part", false),
            simple(Type.YES_NO, "drying", "Parts are drying", false)),
    CLEAN_UP(
            "Cleaned up",
            "Clean up after a failure",
            Caution.RAW_RESIN_AND_UV,
            false,
            choice(
                    "way",
                    "Which way",
                    true,
                    "QUICK",
                    "Quick: cure a sheet and lift it",
                    "FULL",
                    "Full: drain, filter, peel, wipe"),
            simple(Type.YES_NO, "sieved", "Resin sieved", false),
            simple(Type.YES_NO, "emptied", "Vat emptied", false),
            simple(Type.YES_NO, "plateWiped", "Whole plate wiped", false),
            optional("returnedMl", "Poured back through the filter", 0, 50_000, "ml"),
            choice(
                    "scraped",
                    "What was scraped off the walls",
                    false,
                    "KEPT_OUT",
                    "Kept out of the bottle",
                    "BACK",
                    "Went back into the bottle")),
    VAT_INSPECTED(
            "Vat inspected",
            "Inspect the vat",
            Caution.RAW_RESIN,
            false,
            simple(Type.YES_NO, "clean", "Clean and whole", true),
            simple(Type.LIST, "found", "What was found", false),
            Choices.spareVat()),
    FILM_CLEANED(
            "Film cleaned",
            "Clean the film",
            Caution.RAW_RESIN,
            true,
            choice(
                    "cleaner",
                    "With what",
                    true,
                    "ALCOHOL",
                    "Alcohol and soft wipes",
                    "GLASS_CLEANER",
                    "Alcohol-based glass cleaner, microfibre only",
                    "WATER_BASED",
                    "Water-based cleaner"),
            simple(Type.YES_NO, "ultrasonic", "In the ultrasonic bath", false),
            simple(Type.YES_NO, "sheetLifted", "Cured sheet lifted out first", false),
            Choices.spareVat()),
    HOLE_CURED(
            "Hole cured shut",
            "Cure a small hole shut",
            Caution.RAW_RESIN_AND_UV,
            true,
            optional("sizeMm", "Size of the hole", 0.05, 5, "mm"),
            optional("xMm", "From the left", -40, 1000, "mm"),
            optional("yMm", "From the front", -40, 1000, "mm"),
            Choices.spareVat()),
    SCREEN_INSPECTED(
            "Screen inspected",
            "Inspect the screen",
            Caution.UV,
            false,
            simple(Type.YES_NO, "clean", "Clean and whole", true),
            simple(Type.LIST, "spots", "Spots", false)),
    WINDOW_INSPECTED(
            "Optical window inspected",
            "Look at the optical window",
            Caution.UV,
            true,
            simple(Type.YES_NO, "clean", "Spotless", true),
            simple(Type.YES_NO, "wiped", "It was wiped", false)),
    DRY_RUN(
            "Dry run",
            "Run it dry",
            Caution.UV,
            true,
            simple(Type.TEXT, "file", "File", false),
            choice("medium", "On which stick", false, "SAME", "The very one that failed", "OTHER", "Another one"),
            choice(
                    "scope",
                    "With how much lift",
                    false,
                    "AS_PRINTED",
                    "As printed",
                    "SCREEN_ONLY",
                    "Near zero: the screen alone"),
            choice(
                    "seen",
                    "What the paper showed",
                    true,
                    "AS_FILE",
                    "Each layer as in the file",
                    "TORN",
                    "A frame torn, shifted or repeated",
                    "WRONG_LAYER",
                    "A layer that is not the part",
                    "NOTHING",
                    "Nothing at all"),
            optional("layer", "From layer", 0, 100_000, ""),
            readings("liftMm", "Lift", 0, 200, "mm"),
            readings("liftS", "Time to lift", 0.05, 600, "s"),
            readings("retractS", "Time to come back", 0.05, 600, "s"),
            readings("waitBeforeS", "Wait before the light", 0, 600, "s"),
            readings("exposureS", "Light on", 0.05, 600, "s"),
            readings("waitAfterS", "Wait after it", 0, 600, "s"),
            simple(Type.CASE, "failure", "For the failure", false)),
    LUBRICATION(
            "Lubricated",
            "Lubricate Z",
            Caution.PINCH,
            false,
            choice("part", "What", true, "SCREW", "Screw, grease", "RAIL", "Rail, oil")),
    STANCE_CHECKED(
            "Stance checked",
            "Check the stance",
            Caution.NONE,
            false,
            optional("acrossMmPerM", "Rises to the right", -100, 100, "mm/m"),
            optional("alongMmPerM", "Rises to the back", -100, 100, "mm/m")),
    COMMISSIONED("Commissioned", "Commission the machine", Caution.MAINS, false),
    MOVED("Moved", "Move the machine", Caution.MAINS, false, simple(Type.ROOM, "room", "To room", true)),
    PLATE_DROPPED("Plate or tool dropped into the vat", "Plate or tool dropped", Caution.RAW_RESIN, false),
    FIRMWARE(
            "Firmware changed",
            "Change the firmware",
            Caution.NONE,
            false,
            simple(Type.TEXT, "version", "Version", true)),
    OFF("Taken out of service", "Take out of service", Caution.NONE, false),
    ON("Back in service", "Put back in service", Caution.NONE, false);

    /** Failure findings that mean that resin is where it must not be. */
    public static final Set<String> LEAKS = Set.of("film-pierced", "spill", "resin-on-screen");

    private final String done;
    private final String task;
    private final Caution caution;
    private final boolean asksForStandstill;
    private final List<ServiceField> fields;

    ServiceKind(String done, String task, Caution caution, boolean asksForStandstill, ServiceField... fields) {
        this.done = done;
        this.task = task;
        this.caution = caution;
        this.asksForStandstill = asksForStandstill;
        this.fields = List.of(fields);
    }

    /** What the logbook says. */
    public String done() {
        return done;
    }

    /** What a button says. */
    public String task() {
        return task;
    }

    public Caution caution() {
        return caution;
    }

    /** Whether it cannot be done while the machine prints. */
    public boolean asksForStandstill() {
        return asksForStandstill;
    }

    /** Whether it can be done to a vat on the shelf, without a machine. */
    public boolean onSpareVat() {
        return this == FILM_CHANGE || this == FILM_CLEANED || this == HOLE_CURED || this == VAT_INSPECTED;
    }

    public List<ServiceField> fields() {
        return fields;
    }

    public Optional<ServiceField> field(String name) {
        return fields.stream().filter(f -> f.name().equals(name)).findFirst();
    }

    /** The kinds that a machine with these traits knows. */
    public static Set<ServiceKind> of(MachineTraits traits) {
        Set<ServiceKind> kinds = EnumSet.allOf(ServiceKind.class);
        if (traits.kind() == MachineKind.LASER_TANK) {
            kinds.removeAll(EnumSet.of(FILM_CHANGE, FILM_CLEANED, HOLE_CURED));
            kinds.remove(DRY_RUN);
        } else {
            kinds.removeAll(EnumSet.of(TANK_CHANGE, WINDOW_INSPECTED));
        }
        if (!traits.kind().hasScreen()) {
            kinds.remove(SCREEN_CHANGE);
            kinds.remove(SCREEN_INSPECTED);
        }
        return kinds;
    }

    private static final class Choices {
        static ServiceField spare() {
            return simple(Type.SPARE, "spare", "Spare from the shelf", false);
        }

        static ServiceField spareVat() {
            return simple(Type.VAT, "vat", "In a spare vat", false);
        }

        static ServiceField material() {
            return choice("material", "Material", true, "FEP", "FEP", "PFA", "PFA", "OTHER", "Other");
        }

        static ServiceField filmEnd() {
            return choice(
                    "endReason",
                    "Why the old one ended",
                    true,
                    "CLOUDED",
                    "Clouded",
                    "PIERCED",
                    "Pierced",
                    "SLACK",
                    "Slack",
                    "SCRATCHED",
                    "Scratched",
                    "DENTED",
                    "Dented",
                    "PLANNED",
                    "Planned",
                    "OTHER",
                    "Other");
        }
    }
}
