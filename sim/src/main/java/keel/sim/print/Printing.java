package keel.sim.print;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import keel.core.exposure.WorkingCurve;
import keel.core.profile.Setting;
import keel.sim.chance.Chance;
import keel.sim.world.Machine;
import keel.sim.world.Parameters;
import org.hipparchus.util.FastMath;

/**
 * A print as it goes on: the machine, the job, how warm the resin is, and what the settings give.
 *
 * @param resinC temperature of the resin, °C
 * @param swingKPerHour how fast the room's temperature moves
 */
record Printing(
        Machine machine,
        Job job,
        Parameters parameters,
        double resinC,
        double swingKPerHour,
        Finish finish,
        boolean fileReadBadly,
        Chance chance) {

    /** Depth to which a layer is cured at the exposure that it needs, mm. */
    private static final double NEEDED_DEPTH_MM = 0.11;

    /** The thinnest that counts as anything, so that a logarithm exists. */
    private static final double NO_DEPTH_MM = 0.002;

    /** What is done to the parts afterwards. */
    record Finish(boolean washedShort, boolean driedShort, boolean curedLong) {}

    int[] cellsOf(Job.JobPart part) {
        return machine.cells().under(part.xMm(), part.yMm(), part.widthMm(), part.depthMm());
    }

    /** All cells that the job covers, each once. */
    int[] covered() {
        return job.parts().stream()
                .flatMapToInt(p -> IntStream.of(cellsOf(p)))
                .distinct()
                .toArray();
    }

    Parameters.ResinKind resin() {
        return parameters.resins().get(machine.vat().resin());
    }

    double setting(Setting setting) {
        return machine.settings().get(setting);
    }

    /** What cold takes from everything that has to flow back and let go. */
    double cold() {
        return resin().viscosityPerK() * FastMath.max(0, 22 - resinC);
    }

    /** How much too fast it lifts: the slower the resin flows, the slower it must be. */
    double liftTooFast() {
        double sheet = machine.sheet(machine.vat().resin()).get(Setting.LIFT_MM_PER_MIN);
        return 0.6 * FastMath.log(setting(Setting.LIFT_MM_PER_MIN) / (sheet * 1.15));
    }

    double settled() {
        return 0.35
                * FastMath.min(2, FastMath.max(0, machine.vat().daysSinceStirred() / resin().settlesInDays() - 0.6));
    }

    /** Share of a clear film's light that reaches a part's cells. */
    double filmLight(int[] cells) {
        return machine.vat().film().transmittance(cells) / machine.vat().film().clearTransmittance();
    }

    double enginePower(int[] cells) {
        return machine.light().power(cells);
    }

    /** Natural logarithm of the exposure against the one that this machine needs for the resin. */
    double exposureRatio() {
        return FastMath.log(setting(Setting.EXPOSURE_S)
                / machine.neededExposureS(machine.vat().resin()));
    }

    double bottomExposureRatio() {
        return FastMath.log(setting(Setting.BOTTOM_EXPOSURE_S)
                / machine.neededBottomExposureS(machine.vat().resin()));
    }

    /**
     * Strength of a layer against that at the needed exposure, as a logarithm: it goes with the depth to which the dose
     * cures (Jacobs' working curve).
     *
     * @param doseRatio dose against the needed one
     */
    double strength(double doseRatio) {
        double criticalS = FastMath.exp(-NEEDED_DEPTH_MM / resin().depthMm());
        WorkingCurve curve = new WorkingCurve(resin().depthMm(), criticalS);
        return FastMath.log(FastMath.max(NO_DEPTH_MM, curve.depthAt(doseRatio)) / NEEDED_DEPTH_MM);
    }

    /** Which name too little exposure goes by: somebody's setting, or a sheet that was never fitted to this machine. */
    String exposureShort(Setting setting) {
        return machine.moved(setting)
                ? setting == Setting.EXPOSURE_S ? "exposure-short" : "base-exposure-short"
                : "uncalibrated";
    }

    /** Takes from a balance what too little light does to layers in these cells. */
    void light(Balance balance, int[] cells) {
        double power = enginePower(cells);
        double film = filmLight(cells);
        double full = FastMath.exp(exposureRatio());
        balance.less(exposureShort(Setting.EXPOSURE_S), -strength(full));
        balance.less("light-weak", strength(full) - strength(full * power));
        balance.less("film-worn", strength(full * power) - strength(full * power * film));
    }

    /** Takes from a balance what loosens everything: vat bolts, feet, a slack film, two resins in one vat. */
    void looseness(Balance balance) {
        if (machine.vat().boltsLoose()) {
            balance.less("vat-bolts-loose", chance.between(0, 0.62));
        }
        balance.less("machine-rocks", machine.rockingMm() * FastMath.abs(chance.normal(0, 0.7)));
        if (machine.vat().mixedWith() != null) {
            balance.less("resin-mixed", chance.between(0.1, 0.6));
        }
        balance.less("resin-settled", settled() * chance.between(0.3, 1));
    }

    double runLuck() {
        return chance.normal(0, parameters.printing().runSd());
    }

    double partLuck() {
        return chance.normal(0, parameters.printing().partSd());
    }

    static List<Sign> signs(Object... symptomsAndClarity) {
        List<Sign> signs = new ArrayList<>();
        for (int i = 0; i < symptomsAndClarity.length; i += 2) {
            signs.add(new Sign((String) symptomsAndClarity[i], (Double) symptomsAndClarity[i + 1]));
        }
        return signs;
    }

    static List<Sign> with(List<Sign> signs, String symptom, double clarity) {
        List<Sign> more = new ArrayList<>(signs);
        more.add(new Sign(symptom, clarity));
        return more;
    }

    List<Integer> partsOver(int cell) {
        return IntStream.range(0, job.parts().size())
                .filter(i -> Arrays.stream(cellsOf(job.parts().get(i))).anyMatch(c -> c == cell))
                .boxed()
                .toList();
    }

    Map<Setting, Double> sheet() {
        return machine.sheet(machine.vat().resin());
    }

    List<Integer> allParts() {
        return IntStream.range(0, job.parts().size()).boxed().toList();
    }
}
