package keel.sim.story;

import java.util.List;

/** What stands in Saltmarsh Pattern Works. Everything here is invented. */
public final class Saltmarsh {

    public static final String NAME = "Saltmarsh Pattern Works";

    private Saltmarsh() {}

    public record ModelSpec(String name, String kind, double widthMm, double depthMm, double heightMm, Integer pixelsX, Integer pixelsY,
                            String release, boolean selfLevelling, boolean selfFilling, boolean wholeAreaLight, String joint, Double fillLineMl, FrameSpec frame,
                            VatSpec vat) {}

    /** Inside of a vat, mm; null where nobody measured it. */
    public record VatSpec(Double lengthMm, Double widthMm, Double depthMm) {}

    /** The film frame of a vat: window, clamp screws and frame bolts along its sides, corners counted. */
    public record FrameSpec(Double windowLengthMm, Double windowWidthMm, Integer clampLong, Integer clampShort, Integer frameLong, Integer frameShort) {}

    /**
     * A machine with how it is used.
     *
     * @param filmHoursAtEnd hours its film shall have at the end of the story, less those printed on a film fitted within it
     * @param runsADay       runs on a working day, as a mean
     * @param sieves         whether its resin is sieved after every print
     */
    public record MachineSpec(String code, String name, String model, String room, String school, double filmHoursAtEnd, double screenUvHours,
                              double lightHours, double counterHours, String resin, double runsADay, boolean sieves) {}

    public record ResinSpec(String name, double density) {}

    public record ItemSpec(String name, String unit, double lowAt, double first) {}

    public record PersonSpec(String signIn, String name, String role, String password, String pin) {}

    public static final List<PersonSpec> PEOPLE = List.of(
            new PersonSpec("owner", "Maren", "OWNER", "saltmarsh-owner", "1111"),
            new PersonSpec("keeper", "Joost", "KEEPER", "saltmarsh-keeper", "2222"),
            new PersonSpec("operator", "Elin", "OPERATOR", "saltmarsh-operator", "3333"));

    public static final List<String> ROOMS = List.of("Long Room", "Annexe");

    public static final List<ModelSpec> MODELS = List.of(
            new ModelSpec("Tern 144", "MASK", 144, 81, 175, 5760, 3240, "PEEL", false, false, true, "BALL", 280.0,
                    new FrameSpec(168.0, 104.0, 9, 5, 4, 2), new VatSpec(176.0, 112.0, 34.0)),
            new ModelSpec("Tern 208 tilting", "MASK", 208, 117, 240, 7680, 4320, "TILT", true, false, true, "BOLTS_4", 620.0,
                    new FrameSpec(234.0, 142.0, 11, 7, 5, 3), new VatSpec(246.0, 152.0, 38.0)),
            new ModelSpec("Lantern 176", "PROJECTOR", 176, 99, 200, 3840, 2160, "PEEL", false, false, true, "BOLTS_4", 450.0,
                    new FrameSpec(200.0, 122.0, 8, 6, 4, 3), new VatSpec(210.0, 130.0, 38.0)),
            new ModelSpec("Needle 115", "LASER_TANK", 115, 115, 165, null, null, "SLIDE", false, true, false, "BOLTS_4", null,
                    new FrameSpec(null, null, null, null, null, null), new VatSpec(null, null, null)));

    public static final List<MachineSpec> MACHINES = List.of(
            new MachineSpec("avocet", "Avocet", "tern-144", "long-room", "PAPER", 131, 410, 2100, 2260, "reed-grey", 1.3, false),
            new MachineSpec("bittern", "Bittern", "tern-144", "long-room", "PAPER", 388, 655, 2400, 2510, "reed-grey", 1.3, false),
            new MachineSpec("curlew", "Curlew", "tern-144", "long-room", "ON_FILM", 421, 980, 2900, 3040, "reed-grey", 1.2, false),
            new MachineSpec("dunlin", "Dunlin", "tern-208-tilting", "long-room", "SELF", 214, 505, 1500, 1610, "mussel-blue", 1.0, true),
            new MachineSpec("egret", "Egret", "tern-208-tilting", "annexe", "SELF", 176, 720, 1900, 1985, "mussel-blue", 1.0, true),
            new MachineSpec("fulmar", "Fulmar", "lantern-176", "annexe", "PAPER", 248, 0, 3900, 4120, "cast-amber", 0.9, false),
            new MachineSpec("godwit", "Godwit", "needle-115", "annexe", "ON_FILM", 139, 0, 1200, 1290, "cast-amber", 0.8, false));

    public static final List<ResinSpec> RESINS = List.of(new ResinSpec("Reed grey", 1.11), new ResinSpec("Mussel blue", 1.12),
            new ResinSpec("Cast amber", 1.08), new ResinSpec("Silt tough", 1.10));

    public static final List<ItemSpec> ITEMS = List.of(
            new ItemSpec("Film sheet 144", "sheets", 3, 9), new ItemSpec("Film sheet 208", "sheets", 2, 5),
            new ItemSpec("Film sheet 176", "sheets", 1, 2), new ItemSpec("Laser tank 115", "pieces", 1, 2),
            new ItemSpec("Screen 144", "pieces", 1, 2), new ItemSpec("Screen 208", "pieces", 1, 1),
            new ItemSpec("Reed grey resin", "bottles", 4, 12), new ItemSpec("Mussel blue resin", "bottles", 3, 9),
            new ItemSpec("Cast amber resin", "bottles", 3, 8), new ItemSpec("Nitrile gloves", "pairs", 100, 420),
            new ItemSpec("Isopropyl alcohol", "litres", 10, 34), new ItemSpec("Paper filters", "pieces", 30, 160),
            new ItemSpec("Z grease", "tubes", 1, 2), new ItemSpec("Storage sticks", "pieces", 2, 5));
}
