package keel.sim.story;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.IntStream;
import keel.core.standing.MachineKind;
import keel.sim.world.Site;

/** What stands in Saltmarsh Pattern Works. Everything here is invented. */
public final class Saltmarsh {

    public static final String NAME = "Saltmarsh Pattern Works";

    /** Thickness of the shop's film, mm. */
    public static final double FILM_MM = 0.127;

    private Saltmarsh() {}

    /** {@code resinSensing}: it looks for resin and plate before it prints. */
    public record ModelSpec(
            String name,
            String kind,
            double widthMm,
            double depthMm,
            double heightMm,
            Integer pixelsX,
            Integer pixelsY,
            String release,
            boolean selfLevelling,
            boolean resinSensing,
            boolean selfFilling,
            boolean wholeAreaLight,
            String joint,
            Double fillLineMl,
            FrameSpec frame,
            VatSpec vat) {}

    /** Inside of a vat, mm; null where nobody measured it. */
    public record VatSpec(Double lengthMm, Double widthMm, Double depthMm) {}

    /** The film frame of a vat: window, clamp screws and frame bolts along its sides, corners counted. */
    public record FrameSpec(
            Double windowLengthMm,
            Double windowWidthMm,
            Integer clampLong,
            Integer clampShort,
            Integer frameLong,
            Integer frameShort) {}

    /**
     * A machine with how it is used.
     *
     * @param filmHours hours of its film when the records begin; of screen, light and counter too
     * @param runsADay runs on a working day, as a mean
     * @param sieves whether its resin is sieved after every print
     */
    public record MachineSpec(
            String code,
            String name,
            String model,
            String room,
            String school,
            double filmHours,
            double screenUvHours,
            double lightHours,
            double counterHours,
            String resin,
            double runsADay,
            boolean sieves) {

        /** The same, as the number of its kind; itself for 1. */
        private MachineSpec another(int number) {
            return number == 1
                    ? this
                    : new MachineSpec(
                            code + "-" + number,
                            name + " " + number,
                            model,
                            room,
                            school,
                            filmHours,
                            screenUvHours,
                            lightHours,
                            counterHours,
                            resin,
                            runsADay,
                            sieves);
        }
    }

    /**
     * A model of screen or light engine; {@code source} of a light engine, null for a screen; {@code fits} is a model
     * of machine.
     */
    public record PanelSpec(String kind, String name, String revision, String source, String fits, double price) {}

    /** Where a part that was there from the beginning comes from; days count back from the start of the records. */
    public record OriginSpec(String part, String model, String serial, String batch, int boughtDaysBefore) {}

    public record ResinSpec(String name, double density, String family) {}

    /** How a film sits in its frame, mm, and what a whole vat costs; null where nobody measured it. */
    public record SeatSpec(
            Double cornerScrewMm,
            Double sideScrewMm,
            Double spacerMm,
            Double pressMm,
            Double lipMm,
            Double sheetLengthMm,
            Double sheetWidthMm,
            Double vatPrice) {}

    public record ItemSpec(String name, String unit, double lowAt, double first) {}

    /** How an item is bought; {@code hurts}: LITTLE, SOME or MUCH to be without it. */
    public record TermsSpec(
            String item,
            double packSize,
            double price,
            String supplier,
            String place,
            double leadDays,
            double leadDaysSd,
            String hurts) {}

    public record PersonSpec(String signIn, String name, String role, String password, String pin) {}

    public static final List<PersonSpec> PEOPLE = List.of(
            new PersonSpec("owner", "Maren", "OWNER", "saltmarsh-owner", "7304"),
            new PersonSpec("keeper", "Joost", "KEEPER", "saltmarsh-keeper", "5186"),
            new PersonSpec("operator", "Elin", "OPERATOR", "saltmarsh-operator", "2947"));

    public static final List<String> ROOMS = List.of("Long Room", "Annexe");

    public static final List<ModelSpec> MODELS = List.of(
            new ModelSpec(
                    "Tern 144",
                    "MASK",
                    144,
                    81,
                    175,
                    5760,
                    3240,
                    "PEEL",
                    false,
                    false,
                    false,
                    true,
                    "BALL",
                    280.0,
                    new FrameSpec(168.0, 104.0, 9, 5, 4, 2),
                    new VatSpec(176.0, 112.0, 34.0)),
            new ModelSpec(
                    "Tern 208 tilting",
                    "MASK",
                    208,
                    117,
                    240,
                    7680,
                    4320,
                    "TILT",
                    true,
                    true,
                    false,
                    true,
                    "BOLTS_4",
                    620.0,
                    new FrameSpec(234.0, 142.0, 11, 7, 5, 3),
                    new VatSpec(246.0, 152.0, 38.0)),
            new ModelSpec(
                    "Lantern 176",
                    "PROJECTOR",
                    176,
                    99,
                    200,
                    3840,
                    2160,
                    "PEEL",
                    false,
                    false,
                    false,
                    true,
                    "BOLTS_4",
                    450.0,
                    new FrameSpec(200.0, 122.0, 8, 6, 4, 3),
                    new VatSpec(210.0, 130.0, 38.0)),
            new ModelSpec(
                    "Needle 115",
                    "LASER_TANK",
                    115,
                    115,
                    165,
                    null,
                    null,
                    "SLIDE",
                    false,
                    true,
                    true,
                    false,
                    "BOLTS_4",
                    null,
                    new FrameSpec(null, null, null, null, null, null),
                    new VatSpec(null, null, null)));

    public static final List<MachineSpec> MACHINES = List.of(
            new MachineSpec(
                    "avocet", "Avocet", "tern-144", "long-room", "PAPER", 40, 60, 900, 980, "reed-grey", 1.12, false),
            new MachineSpec(
                    "bittern",
                    "Bittern",
                    "tern-144",
                    "long-room",
                    "PAPER",
                    210,
                    330,
                    1300,
                    1400,
                    "reed-grey",
                    1.12,
                    false),
            new MachineSpec(
                    "curlew",
                    "Curlew",
                    "tern-144",
                    "long-room",
                    "ON_FILM",
                    120,
                    610,
                    1900,
                    2010,
                    "reed-grey",
                    1.03,
                    false),
            new MachineSpec(
                    "dunlin",
                    "Dunlin",
                    "tern-208-tilting",
                    "long-room",
                    "SELF",
                    30,
                    90,
                    400,
                    460,
                    "mussel-blue",
                    0.86,
                    true),
            new MachineSpec(
                    "egret",
                    "Egret",
                    "tern-208-tilting",
                    "annexe",
                    "SELF",
                    150,
                    260,
                    800,
                    870,
                    "mussel-blue",
                    0.86,
                    true),
            new MachineSpec(
                    "fulmar", "Fulmar", "lantern-176", "annexe", "PAPER", 90, 0, 2700, 2840, "cast-amber", 0.77, false),
            new MachineSpec(
                    "godwit", "Godwit", "needle-115", "annexe", "ON_FILM", 35, 0, 500, 560, "cast-amber", 0.69, false));

    public static final List<ResinSpec> RESINS = List.of(
            new ResinSpec("Reed grey", 1.11, "Grey"),
            new ResinSpec("Mussel blue", 1.12, "Blue"),
            new ResinSpec("Cast amber", 1.08, "Amber"),
            new ResinSpec("Silt tough", 1.10, "Grey"));

    public static final List<ItemSpec> ITEMS = List.of(
            new ItemSpec("Film sheet 144", "sheets", 3, 9),
            new ItemSpec("Film sheet 208", "sheets", 2, 5),
            new ItemSpec("Film sheet 176", "sheets", 1, 2),
            new ItemSpec("Laser tank 115", "pieces", 1, 2),
            new ItemSpec("Reed grey resin", "bottles", 4, 12),
            new ItemSpec("Mussel blue resin", "bottles", 3, 9),
            new ItemSpec("Cast amber resin", "bottles", 3, 8),
            new ItemSpec("Nitrile gloves", "pairs", 100, 420),
            new ItemSpec("Isopropyl alcohol", "litres", 10, 34),
            new ItemSpec("Paper filters", "pieces", 30, 160),
            new ItemSpec("Z grease", "tubes", 1, 2),
            new ItemSpec("Storage sticks", "pieces", 2, 5),
            new ItemSpec("Paper towels", "rolls", 4, 22),
            new ItemSpec("Respirator cartridges", "pairs", 1, 3),
            new ItemSpec("Cutting blades", "pieces", 10, 60),
            new ItemSpec("Clamp screws", "pieces", 20, 120),
            new ItemSpec("Fan filters", "pieces", 1, 3));

    public static final List<PanelSpec> PANELS = List.of(
            new PanelSpec("SCREEN", "Slate 144", "B", null, "tern-144", 78),
            new PanelSpec("SCREEN", "Slate 208", "C", null, "tern-208-tilting", 134),
            new PanelSpec("LIGHT", "Candle 144", null, "LED", "tern-144", 64),
            new PanelSpec("LIGHT", "Candle 208", null, "LED", "tern-208-tilting", 88),
            new PanelSpec("LIGHT", "Dipper 176", "2", "LED", "lantern-176", 260),
            new PanelSpec("LIGHT", "Quill 115", null, "LASER", "needle-115", 310));

    public static final List<OriginSpec> ORIGINS = List.of(
            new OriginSpec("S1", "slate-144-b", "T4-20817", "0822", 70),
            new OriginSpec("S2", "slate-144-b", "T4-20640", "0719", 330),
            new OriginSpec("S3", "slate-144-b", "T4-20655", "0719", 420),
            new OriginSpec("S4", "slate-208-c", "T8-3312", "11", 60),
            new OriginSpec("S5", "slate-208-c", "T8-3290", "10", 190),
            new OriginSpec("L1", "candle-144", null, null, 700),
            new OriginSpec("L2", "candle-144", null, null, 900),
            new OriginSpec("L3", "candle-144", null, null, 980),
            new OriginSpec("L4", "candle-208", null, null, 400),
            new OriginSpec("L5", "candle-208", null, null, 610),
            new OriginSpec("L6", "dipper-176-2", "D-0091", null, 1100),
            new OriginSpec("L7", "quill-115", "Q-5512", null, 560));

    public static final List<TermsSpec> TERMS = List.of(
            new TermsSpec("film-sheet-144", 5, 3.1, "Fen Foil Supply", "Bench drawer 2", 6, 2, "MUCH"),
            new TermsSpec("film-sheet-208", 3, 4.8, "Fen Foil Supply", "Bench drawer 2", 6, 2, "MUCH"),
            new TermsSpec("film-sheet-176", 2, 4.2, "Fen Foil Supply", "Bench drawer 2", 6, 2, "SOME"),
            new TermsSpec("laser-tank-115", 2, 45, "Marl Sheet Works", "Shelf A", 9, 3, "MUCH"),
            new TermsSpec("reed-grey-resin", 10, 36, "Saltpan Resins", "Dark cupboard", 5, 2, "MUCH"),
            new TermsSpec("mussel-blue-resin", 6, 39, "Saltpan Resins", "Dark cupboard", 5, 2, "MUCH"),
            new TermsSpec("cast-amber-resin", 6, 52, "Saltpan Resins", "Dark cupboard", 8, 3, "MUCH"),
            new TermsSpec("nitrile-gloves", 200, 0.11, "Quayside Workwear", "Shelf B", 4, 1, "MUCH"),
            new TermsSpec("isopropyl-alcohol", 25, 2.6, "Saltpan Resins", "Steel cabinet", 4, 1.5, "SOME"),
            new TermsSpec("paper-filters", 100, 0.08, "Quayside Workwear", "Shelf B", 4, 1, "LITTLE"),
            new TermsSpec("z-grease", 2, 9, "Quayside Workwear", "Bench drawer 1", 7, 3, "LITTLE"),
            new TermsSpec("storage-sticks", 5, 6, "Quayside Workwear", "Bench drawer 1", 7, 3, "LITTLE"),
            new TermsSpec("paper-towels", 12, 1.9, "Quayside Workwear", "Shelf B", 4, 1, "SOME"),
            new TermsSpec("respirator-cartridges", 2, 14, "Quayside Workwear", "Steel cabinet", 6, 2, "MUCH"),
            new TermsSpec("cutting-blades", 50, 0.14, "Quayside Workwear", "Bench drawer 2", 4, 1, "LITTLE"),
            new TermsSpec("clamp-screws", 100, 0.06, "Fen Foil Supply", "Bench drawer 2", 6, 2, "SOME"),
            new TermsSpec("fan-filters", 2, 7.5, "Marl Sheet Works", "Shelf A", 9, 3, "LITTLE"));

    /** How the film sits in vats for a model. */
    public static SeatSpec seat(String model) {
        return switch (model) {
            case "tern-144" -> new SeatSpec(12.0, 8.0, 24.0, 6.0, 30.0, 205.0, 140.0, 42.0);
            case "tern-208-tilting" -> new SeatSpec(14.0, 10.0, 28.0, 7.0, 34.0, 274.0, 182.0, 96.0);
            case "lantern-176" -> new SeatSpec(10.0, 10.0, 26.0, 6.5, 32.0, 240.0, 162.0, 120.0);
            default -> new SeatSpec(null, null, null, null, null, null, null, 48.0);
        };
    }

    /** Free opening of the film frame of a machine, mm by mm; empty for one whose film has no frame. */
    public static Optional<double[]> filmWindow(String machine) {
        return MACHINES.stream()
                .filter(m -> m.code().equals(machine))
                .map(m -> modelOf(m).frame())
                .filter(f -> f.windowLengthMm() != null)
                .map(f -> new double[] {f.windowLengthMm(), f.windowWidthMm()})
                .findFirst();
    }

    /** The machines as the simulation takes them. */
    public static List<Site> sites() {
        return sites(MACHINES.size());
    }

    /** Of so many machines. */
    public static List<Site> sites(int count) {
        return machines(count).stream().map(Saltmarsh::site).toList();
    }

    /** So many machines: those of the shop, then more like them, called Avocet 2, Bittern 2 and so on. */
    public static List<MachineSpec> machines(int count) {
        return IntStream.range(0, count)
                .mapToObj(i -> MACHINES.get(i % MACHINES.size()).another(i / MACHINES.size() + 1))
                .toList();
    }

    /** What a thing is called in entries: its name in small letters, words joined. */
    static String code(String name) {
        return name.toLowerCase(Locale.ROOT).replace(' ', '-');
    }

    private static ModelSpec modelOf(MachineSpec m) {
        return MODELS.stream()
                .filter(s -> m.model().equals(code(s.name())))
                .findFirst()
                .orElseThrow();
    }

    private static Site site(MachineSpec m) {
        ModelSpec model = modelOf(m);
        double fullMl = model.fillLineMl() == null ? 300 : model.fillLineMl();
        return new Site(
                m.code(),
                MachineKind.valueOf(model.kind()),
                model.widthMm(),
                model.depthMm(),
                model.heightMm(),
                model.selfLevelling(),
                model.selfFilling(),
                m.room(),
                m.school(),
                m.sieves(),
                m.resin(),
                fullMl,
                m.runsADay(),
                new Site.Before(m.filmHours(), m.screenUvHours(), m.lightHours()),
                Sheets.of(m.code()));
    }
}
