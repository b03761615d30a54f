package keel.app.fleet;

import java.util.Optional;
import keel.core.plate.PaperDrag;
import keel.core.screen.TestPicture;

/** The instruments of a bench, laid to one machine. Each call takes a reading; places are mm from the front left. */
public interface MachineTools {

    /** How high the plate stands over the screen, mm. */
    double gauge(double xMm, double yMm);

    /** How a slip of paper drags under the plate. */
    PaperDrag drag(double xMm, double yMm);

    Slopes level();

    /** Rise to the right and to the back, mm/m. */
    record Slopes(double acrossMmPerM, double alongMmPerM) {}

    /** Length of a printed piece, mm; {@code time}: the how many-th piece. */
    double calipers(double nominalMm, int time);

    /** Thickness of a cured sheet, mm. */
    double thickness(String resin, double exposureS);

    /** The layer exposure that this machine is set to for a resin, s. */
    double exposureS(String resin);

    /** Resin that is in the vat, ml. */
    double resinMl();

    /** UV, mW/cm²; {@code throughFilm}: with the film over the screen. */
    double uv(double xMm, double yMm, boolean throughFilm);

    /** A recording of taps on the film as WAV; {@code offCentre}: at a quarter of its length. Empty for a tank. */
    Optional<byte[]> taps(boolean offCentre);

    /** A photograph of the screen that shows a picture, as PNG; empty where there is no screen. */
    Optional<byte[]> photograph(TestPicture picture);
}
