package keel.sim.world;

import org.hipparchus.util.FastMath;

/**
 * A body that follows what is around it: dT/dt = (T∞ − T)/τ. Exact for a surrounding that is constant over
 * the step.
 */
public final class FirstOrder {

    private FirstOrder() {}

    /**
     * @param temperatureC of the body at the beginning of the step
     * @param surroundingC of what is around it, constant over the step
     * @param hours length of the step, &ge; 0
     * @param timeConstantH τ, &gt; 0
     * @return temperature at the end of the step, °C
     */
    public static double after(double temperatureC, double surroundingC, double hours, double timeConstantH) {
        return surroundingC + (temperatureC - surroundingC) * FastMath.exp(-hours / timeConstantH);
    }
}
