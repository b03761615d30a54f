package keel.core.exposure;

import java.util.Arrays;
import java.util.List;
import keel.core.Finding;
import keel.core.Findings;

/**
 * How long a print takes, and how long of that the light is on. A layer takes wait, exposure, wait, lift and retract,
 * whatever its area. The bottom layers have their own exposure; k transition layers lead from it to the normal one in
 * equal steps: t_b − (t_b − t_n)·i/(k + 1), i = 1…k.
 *
 * @param seconds of the whole print
 * @param uvOnSeconds of light
 */
public record PrintTime(double seconds, double uvOnSeconds) {

    /**
     * What a sliced file and a profile say. Speeds in mm/min.
     *
     * @param releaseS time of a release that is no lift (tilting, sliding), s; 0 for none
     * @param releases releases that were switched to another time, by layer; none where left out
     */
    public record Settings(
            int layers,
            int bottomLayers,
            int transitionLayers,
            double bottomExposureS,
            double exposureS,
            double waitBeforeS,
            double waitAfterS,
            double liftMm,
            double liftMmPerMin,
            double retractMmPerMin,
            double releaseS,
            List<Release> releases) {

        public Settings {
            releases = releases == null ? List.of() : List.copyOf(releases);
        }

        /** One release all through. */
        public Settings(
                int layers,
                int bottomLayers,
                int transitionLayers,
                double bottomExposureS,
                double exposureS,
                double waitBeforeS,
                double waitAfterS,
                double liftMm,
                double liftMmPerMin,
                double retractMmPerMin,
                double releaseS) {
            this(
                    layers,
                    bottomLayers,
                    transitionLayers,
                    bottomExposureS,
                    exposureS,
                    waitBeforeS,
                    waitAfterS,
                    liftMm,
                    liftMmPerMin,
                    retractMmPerMin,
                    releaseS,
                    List.of());
        }

        /**
         * The same, with releases that were switched while it printed.
         *
         * @param switched in the order in which they were switched
         */
        public Settings switching(List<Release> switched) {
            return new Settings(
                    layers,
                    bottomLayers,
                    transitionLayers,
                    bottomExposureS,
                    exposureS,
                    waitBeforeS,
                    waitAfterS,
                    liftMm,
                    liftMmPerMin,
                    retractMmPerMin,
                    releaseS,
                    switched);
        }

        /** What cannot be, at the fields as the open interface calls them. */
        public List<Finding> findings() {
            Findings findings = new Findings();
            findings.range((double) layers, 1, 60_000, "layers", "Layers", "");
            findings.range((double) bottomLayers, 0, 1_000, "bottomLayers", "Bottom layers", "");
            findings.range((double) transitionLayers, 0, 1_000, "transitionLayers", "Transition layers", "");
            findings.when(
                    (long) bottomLayers + transitionLayers > layers,
                    "bottomLayers",
                    "There are more bottom and transition layers than layers.");
            findings.range(bottomExposureS, 0, 600, "bottomExposureS", "The bottom exposure", "s");
            findings.range(exposureS, 0.05, 300, "exposureS", "The exposure", "s");
            findings.range(waitBeforeS, 0, 300, "waitBeforeS", "The wait before", "s");
            findings.range(waitAfterS, 0, 300, "waitAfterS", "The wait after", "s");
            findings.range(liftMm, 0, 100, "liftMm", "The lift", "mm");
            findings.range(liftMmPerMin, 1, 5_000, "liftMmPerMin", "The lift speed", "mm/min");
            findings.range(retractMmPerMin, 1, 5_000, "retractMmPerMin", "The retract speed", "mm/min");
            findings.range(releaseS, 0, 300, "releaseS", "The release", "s");
            releases.forEach(r -> findings.range(r.seconds(), 0, 300, "releases", "The release", "s"));
            return findings.list();
        }

        /** Layers of even pace, where nothing is known but how long one takes on this machine, s. */
        public static Settings even(int layers, double exposureS, double secondsPerLayer) {
            return new Settings(
                    layers, 0, 0, exposureS, exposureS, Math.max(0, secondsPerLayer - exposureS), 0, 0, 1, 1, 0);
        }

        /** What a layer takes besides its exposure, s, from the first; the last switch before it counts. */
        double[] asides() {
            double still = waitBeforeS + waitAfterS + 60 * (liftMm / liftMmPerMin + liftMm / retractMmPerMin);
            double[] asides = new double[layers];
            Arrays.fill(asides, still + releaseS);
            releases.stream()
                    .filter(r -> r.fromLayer() <= layers)
                    .forEach(r -> Arrays.fill(asides, Math.max(1, r.fromLayer()) - 1, layers, still + r.seconds()));
            return asides;
        }

        /** What each layer takes, s, from the first. */
        double[] each() {
            double[] each = exposures();
            double[] asides = asides();
            Arrays.setAll(each, i -> each[i] + asides[i]);
            return each;
        }

        /** Exposure of each layer, s, from the first. */
        double[] exposures() {
            double[] exposures = new double[layers];
            Arrays.fill(exposures, exposureS);
            Arrays.fill(exposures, 0, Math.min(bottomLayers, layers), bottomExposureS);
            for (int i = 1; i <= transitionLayers && bottomLayers + i <= layers; i++) {
                exposures[bottomLayers + i - 1] =
                        bottomExposureS - (bottomExposureS - exposureS) * i / (transitionLayers + 1);
            }
            return exposures;
        }
    }

    /**
     * From this layer on the release takes another time.
     *
     * @param fromLayer from 1
     * @param seconds of each release from there on
     */
    public record Release(int fromLayer, double seconds) {}

    public static PrintTime of(Settings s) {
        return new PrintTime(
                Arrays.stream(s.each()).sum(), Arrays.stream(s.exposures()).sum());
    }

    /**
     * The layer that is being printed so long after the start.
     *
     * @param seconds since the start
     * @return 1 to the number of layers; the last once the time is over
     */
    public static int layerAt(Settings s, double seconds) {
        double passed = 0;
        double[] each = s.each();
        for (int layer = 1; layer <= each.length; layer++) {
            passed += each[layer - 1];
            if (passed > seconds) {
                return layer;
            }
        }
        return s.layers();
    }

    /** Seconds from the start until so many layers are done, all of them at the most. */
    public static double secondsThrough(Settings s, int layers) {
        return Arrays.stream(s.each())
                .limit(Math.max(0, Math.min(layers, s.layers())))
                .sum();
    }
}
