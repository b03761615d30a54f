package keel.core.life;

import keel.core.wear.Lifespan;
import keel.core.wear.WeibullLife;

/**
 * A life that is dear to reckon, looked up: the cumulative hazard −ln R at even steps of the root of age, straight
 * between them. Even in the root, because early ends make it steep where a part is new. Off by less than a hundredth of
 * a per cent; beyond the table the life itself is asked.
 */
public final class TabulatedLife implements Lifespan {

    private static final int NODES = 2048;

    private final Lifespan life;
    private final double most;
    private final double step;
    private final double[] hazard = new double[NODES + 1];

    private TabulatedLife(Lifespan life, double most) {
        this.life = life;
        this.most = most;
        this.step = Math.sqrt(most) / NODES;
        for (int i = 0; i <= NODES; i++) {
            double root = i * step;
            hazard[i] = -Math.log(life.survival(root * root));
        }
    }

    /** @param most the oldest age that is asked for; a life in closed form stays as it is */
    public static Lifespan of(Lifespan life, double most) {
        return life instanceof WeibullLife || !(most > 0) ? life : new TabulatedLife(life, most);
    }

    @Override
    public double survival(double age) {
        if (age >= most) {
            return life.survival(age);
        }
        double at = Math.sqrt(age) / step;
        int i = (int) at;
        return i >= NODES ? life.survival(age) : Math.exp(-(hazard[i] + (at - i) * (hazard[i + 1] - hazard[i])));
    }
}
