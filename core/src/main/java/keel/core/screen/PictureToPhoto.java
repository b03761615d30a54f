package keel.core.screen;

import boofcv.abst.fiducial.FiducialDetector;
import boofcv.abst.geo.Estimate1ofEpipolar;
import boofcv.alg.filter.blur.BlurImageOps;
import boofcv.factory.fiducial.ConfigFiducialBinary;
import boofcv.factory.fiducial.FactoryFiducial;
import boofcv.factory.filter.binary.ConfigThreshold;
import boofcv.factory.filter.binary.ThresholdType;
import boofcv.factory.geo.FactoryMultiView;
import boofcv.struct.geo.AssociatedPair;
import boofcv.struct.image.GrayU8;
import georegression.struct.point.Point2D_F64;
import georegression.struct.shapes.Polygon2D_F64;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.ejml.data.DMatrixRMaj;

/**
 * Where each pixel of a test picture lies on a photograph of it: a homography through the corners of the marks, by
 * normalised direct linear transformation.
 *
 * <p>Source: Hartley and Zisserman, Multiple View Geometry, 2nd ed., ch. 4. Valid while the lens's distortion is small
 * against a millimetre on the screen.
 */
final class PictureToPhoto {

    private static final int QUICK_PIXELS = 3_500_000;
    private static final int SMOOTHED = 2;
    private static final int LEAST_MARKS = 3;
    private static final int MOST_DROPPED = 4;
    /** Corners may lie off by so much of a mark's side, or by so many pixels where marks are small and blurred. */
    private static final double MOST_ERROR = 0.06;

    private static final double BLURRED_PX = 3;
    private static final double[] WINDOWS = {0.012, 0.03, 0.006};

    private final double[] h;

    private PictureToPhoto(double[] h) {
        this.h = h;
    }

    /**
     * What the search for marks came to; {@code map} is null with the reason in {@code message} where it failed.
     *
     * @param corners all four
     */
    record Found(PictureToPhoto map, String message, List<Corner> corners) {

        static Found none(String why) {
            return new Found(null, why, List.of());
        }
    }

    /**
     * A corner of the screen, whether its mark could be read, and which share of the screen's sides the mark takes with
     * the white around it.
     */
    record Corner(boolean read, boolean right, boolean back, double reachX, double reachY) {

        static Corner of(CornerMarks.Mark m, CornerMarks all, boolean read) {
            double reach = all.sizePx() + 3 * all.marginPx();
            return new Corner(
                    read,
                    m.x() > all.pixelsX() / 2,
                    m.y() < all.pixelsY() / 2,
                    reach / all.pixelsX(),
                    reach / all.pixelsY());
        }
    }

    static Found find(GreyPhoto photo, TestPicture picture) {
        GreyPhoto small = photo;
        double scale = 1;
        while ((long) small.width() * small.height() > QUICK_PIXELS) {
            small = small.half();
            scale *= 2;
        }
        Map<Long, Polygon2D_F64> seen = new HashMap<>();
        look(small, scale, true, picture, seen);
        look(small, scale, false, picture, seen);
        if (scale > 1) {
            look(photo, 1, true, picture, seen);
        }
        return seen.size() < LEAST_MARKS
                ? Found.none(tooFew(seen.size(), small, scale, picture))
                : fitted(seen, picture);
    }

    private static String tooFew(int seen, GreyPhoto small, double scale, TestPicture picture) {
        Map<Long, Polygon2D_F64> mirrored = new HashMap<>();
        look(small.mirrored(), scale, true, picture, mirrored);
        if (mirrored.size() > Math.max(1, seen)) {
            return "The photograph is mirrored: left and right are exchanged. Switch mirroring off in the camera, or "
                    + "photograph the screen itself and not its reflection.";
        }
        return seen == 0
                ? "No corner marks are seen: is it the screen with a test picture, all of it, through one sheet of "
                        + "paper?"
                : "Only " + seen + " of the four corner marks can be read. All of the screen must be on the "
                        + "photograph, sharp, without glare.";
    }

    /** With squares of several sizes for what is light and what is dark, until all four are seen. */
    private static void look(
            GreyPhoto photo, double scale, boolean smoothed, TestPicture picture, Map<Long, Polygon2D_F64> seen) {
        GrayU8 image = new GrayU8(photo.width(), photo.height());
        System.arraycopy(photo.grey(), 0, image.data, 0, photo.grey().length);
        if (smoothed) {
            image = BlurImageOps.gaussian(image, null, -1, SMOOTHED, null);
        }
        for (int i = 0; i < WINDOWS.length && seen.size() < 4; i++) {
            int window = (int) (WINDOWS[i] * Math.max(photo.width(), photo.height())) | 1;
            detect(image, ConfigThreshold.local(ThresholdType.LOCAL_MEAN, Math.max(11, window)), picture, scale, seen);
        }
    }

    private static void detect(
            GrayU8 image, ConfigThreshold threshold, TestPicture picture, double scale, Map<Long, Polygon2D_F64> seen) {
        ConfigFiducialBinary config = new ConfigFiducialBinary(1);
        config.gridWidth = CornerMarks.GRID;
        config.borderWidthFraction = CornerMarks.RIM;
        FiducialDetector<GrayU8> detector = FactoryFiducial.squareBinary(config, threshold, GrayU8.class);
        detector.detect(image);
        Set<Long> codes = new HashSet<>();
        picture.drawnMarks().forEach(m -> codes.add(m.code()));
        for (int i = 0; i < detector.totalFound(); i++) {
            if (codes.contains(detector.getId(i))) {
                Polygon2D_F64 bounds = detector.getBounds(i, null);
                for (int k = 0; k < bounds.size(); k++) {
                    // the middle of a pixel of the smaller picture lies between those of the larger
                    Point2D_F64 p = bounds.get(k);
                    p.setTo(p.x * scale + (scale - 1) / 2, p.y * scale + (scale - 1) / 2);
                }
                seen.putIfAbsent(detector.getId(i), bounds);
            }
        }
    }

    private static Found fitted(Map<Long, Polygon2D_F64> seen, TestPicture picture) {
        List<AssociatedPair> pairs = new ArrayList<>();
        double size = picture.marks().sizePx();
        for (CornerMarks.Mark m : picture.drawnMarks()) {
            Polygon2D_F64 bounds = seen.get(m.code());
            if (bounds != null) {
                double[][] corners = {
                    {m.x(), m.y()}, {m.x() + size, m.y()}, {m.x() + size, m.y() + size}, {m.x(), m.y() + size}
                };
                for (int k = 0; k < corners.length; k++) {
                    pairs.add(new AssociatedPair(corners[k][0], corners[k][1], bounds.get(k).x, bounds.get(k).y));
                }
            }
        }
        for (int dropped = 0; dropped <= MOST_DROPPED; dropped++) {
            Estimate1ofEpipolar estimate = FactoryMultiView.homographyDLT(true);
            DMatrixRMaj matrix = new DMatrixRMaj(3, 3);
            if (!estimate.process(pairs, matrix)) {
                return Found.none("The corner marks do not lie as those of a test picture.");
            }
            PictureToPhoto map = new PictureToPhoto(matrix.data.clone());
            AssociatedPair worst = Collections.max(pairs, Comparator.comparingDouble(p -> map.off(p, size)));
            if (map.off(worst, size) <= 1) {
                return new Found(
                        map,
                        null,
                        picture.drawnMarks().stream()
                                .map(m -> Corner.of(m, picture.marks(), seen.containsKey(m.code())))
                                .toList());
            }
            // a corner may be rounded by glare or blur; a picture of other pixels puts all of them off
            pairs.remove(worst);
        }
        return Found.none("The corner marks do not fit a picture of " + picture.pixelsX() + " × " + picture.pixelsY()
                + " pixels. Is that the screen's resolution, and the picture that was shown?");
    }

    /** How far a corner was seen from where it should be, against what may be. */
    private double off(AssociatedPair p, double size) {
        double side =
                Math.hypot(x(p.p1.x + size, p.p1.y) - x(p.p1.x, p.p1.y), y(p.p1.x + size, p.p1.y) - y(p.p1.x, p.p1.y));
        return Math.hypot(x(p.p1.x, p.p1.y) - p.p2.x, y(p.p1.x, p.p1.y) - p.p2.y)
                / Math.max(MOST_ERROR * side, BLURRED_PX);
    }

    /** On the photograph, for a place on the picture in pixels from its top left edge. */
    double x(double px, double py) {
        return (h[0] * px + h[1] * py + h[2]) / (h[6] * px + h[7] * py + h[8]);
    }

    double y(double px, double py) {
        return (h[3] * px + h[4] * py + h[5]) / (h[6] * px + h[7] * py + h[8]);
    }
}
