package keel.sim.world;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.dataformat.yaml.YAMLFactory;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Map;

/**
 * The figures of a simulated shop. Four sets ship with the product: {@code shop-a}, of which the demo is made, and
 * {@code shop-b}, {@code shop-c} and {@code shop-d}, other shops, kept for a last judgement. All are invented; none
 * is measured.
 *
 * <p>Lives are Weibull (shape, scale); chances are per the occasion that their name says; sd of a logarithm unless a
 * unit is named.
 */
public record Parameters(
        long seed,
        Climate climate,
        Map<String, RoomKind> rooms,
        Films film,
        Screens screen,
        Lights light,
        Plates plate,
        Vats vat,
        Axes axis,
        Stances stance,
        Sticks stick,
        Map<String, ResinKind> resins,
        Work jobs,
        Habits people,
        Margins printing,
        Sight eyes) {

    private static final ObjectMapper YAML = new ObjectMapper(new YAMLFactory());

    /** @param heatWaveK how much warmer, for {@code heatWaveDays} once each summer */
    public record Climate(
            double meanC,
            double seasonK,
            double dayK,
            double weatherSdK,
            double weatherLingers,
            double heatWaveK,
            int heatWaveDays) {}

    /**
     * @param gainsK warmer than outdoors without heating, {@code sunK} more in daytime; heated to {@code nightC} at
     *     night; the heater adds {@code heaterK} at most
     */
    public record RoomKind(
            double timeConstantH,
            double gainsK,
            double sunK,
            double heatedToC,
            double nightC,
            double heaterK,
            double heatWaveMoreK,
            double humidityPercent,
            double meshClogsInDays) {}

    /**
     * @param hazePerUvHour of the cell's own UV hours, natural logarithm of the light lost
     * @param hazePerThousandPeels of the cell's own peels
     * @param wipeHaze scratched by one rough wipe, over all cells
     * @param tensionNPerM of a film fitted well
     * @param slackensPerHour share of tension lost per print hour
     * @param pierceShape life until wear alone pierces it, print hours
     * @param debrisHoursPerPrint wear of a print on top of cured bits, in hours, times a draw with mean 1
     */
    public record Films(
            double clearTransmittance,
            double hazePerUvHour,
            double hazePerThousandPeels,
            double sheetSd,
            double wipeHaze,
            double tensionNPerM,
            double tensionSd,
            double fittedSlackChance,
            double slackensPerHour,
            double pierceShape,
            double pierceScaleH,
            double debrisHoursPerPrint,
            double burrFactor,
            double tankShape,
            double tankScaleH,
            double dentedSheetChance) {}

    /** Lives in UV hours. After the first dark spot more follow, {@code moreEveryUvH} apart in the mean. */
    public record Screens(
            double darkShape,
            double darkScaleH,
            double litShape,
            double litScaleH,
            double moreEveryUvH,
            double heatPerK,
            double crushChance,
            double ribbonSlips) {}

    /** @param fadesInUvH UV hours in which the light falls to 1/e; {@code deadScaleH} mean hours to sudden death */
    public record Lights(double fadesInUvH, double unevenSd, double deadScaleH) {}

    /** Tilt in mm per 100 mm, heights in mm. */
    public record Plates(
            double levelledTiltSd,
            double carelessTiltSd,
            double selfTiltSd,
            double heightSdMm,
            double drifts,
            double boltsLooseChance,
            double smoothsInHours,
            double burrPerScrape,
            double hollowSdMm) {}

    public record Vats(double boltsLooseChance, double splashChance) {}

    public record Axes(double dryShape, double dryScaleH) {}

    public record Stances(double slipsInDays, double rockingSdMm) {}

    /** Life of a storage stick in copies. */
    public record Sticks(double failsShape, double failsScaleCopies, double faultChance) {}

    /**
     * @param depthMm penetration depth D_p
     * @param machineSd how much machines differ in what exposes it
     * @param viscosityPerK how much of its flow it loses per kelvin below 22 °C
     * @param settlesInDays until pigment has settled noticeably
     */
    public record ResinKind(
            double depthMm, double machineSd, double viscosityPerK, double settlesInDays, double brittle) {}

    public record Work(
            double supportSd,
            double hollowShare,
            double undrainedChance,
            double thinWallChance,
            double flatShare,
            double heavySupportsTooClose,
            double fileFaultChance,
            double islandsChance,
            double greyHeavyShare) {}

    /**
     * What people forget and get wrong, as chances; the person who does it has a factor of their own.
     *
     * @param rightCheck chance that after a failure the next thing tried follows from what is seen, not from habit
     */
    public record Habits(
            double leavesPrintOn,
            double forgetsSieve,
            double forgetsStir,
            double skipsFileCheck,
            double levelsCarelessly,
            double pourShort,
            double washShort,
            double driesShort,
            double curesLong,
            double scrapesHard,
            double stopsOnAHunch,
            double looksIn,
            double rightCheck,
            double changesSettings,
            double cleanWell,
            double settingsSlip,
            double namesNothing,
            double wrongBottle) {}

    /** Design margins (natural logarithms) of what must hold, and how much two prints of the same kind differ. */
    public record Margins(double baseMargin, double layerMargin, double supportMargin, double runSd, double partSd) {}

    /**
     * How well people see: chance to note a clear sign, to take one thing for another, to report one that is not there.
     */
    public record Sight(
            double notesClearSign, double takesForAnother, double imagines, double notesAbsence, double wrongZone) {}

    /** A set that ships with the product, "shop-a" to "shop-d". */
    public static Parameters shipped(String name) {
        try (InputStream in = Parameters.class.getResourceAsStream("/keel/sim/" + name + ".yaml")) {
            if (in == null) {
                throw new IllegalArgumentException("There is no set of parameters called " + name + ". Known: "
                        + List.of("shop-a", "shop-b", "shop-c", "shop-d") + ".");
            }
            JsonNode file = YAML.readTree(in);
            return YAML.treeToValue(file, Parameters.class);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
