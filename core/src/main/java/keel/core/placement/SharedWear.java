package keel.core.placement;

import java.util.List;

/**
 * Wear of what a job wears at once, brought to one scale: for each cell the share of a usual life that is used up
 * there, of film and screen together, each weighed by what its change costs.
 */
public final class SharedWear {

    private SharedWear() {}

    /**
     * A film or screen.
     *
     * @param byPeels whether its life goes by peels rather than UV hours
     * @param typical UV hours or peels after which most such parts have ended, &gt; 0
     * @param price of its change, &gt; 0
     */
    public record Layer(WearMap map, boolean byPeels, double typical, double price) {}

    /** @param layers at least one, all over the same cells */
    public static double[] of(List<Layer> layers) {
        double[] shares = new double[layers.get(0).map().cells().count()];
        double price = layers.stream().mapToDouble(Layer::price).sum();
        for (Layer layer : layers) {
            double[] use = layer.byPeels() ? layer.map().peels() : layer.map().uvHours();
            for (int cell = 0; cell < shares.length; cell++) {
                shares[cell] += layer.price() / price * use[cell] / layer.typical();
            }
        }
        return shares;
    }
}
