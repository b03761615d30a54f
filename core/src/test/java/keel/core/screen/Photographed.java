package keel.core.screen;

import boofcv.alg.distort.PixelTransformHomography_F32;
import boofcv.struct.distort.PixelTransform;
import georegression.geometry.ConvertRotation3D_F64;
import georegression.struct.EulerType;
import georegression.struct.homography.Homography2D_F64;
import georegression.struct.point.Point2D_F32;
import georegression.struct.point.Point3D_F64;
import georegression.struct.point.Vector3D_F64;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.ejml.data.DMatrixRMaj;
import org.ejml.simple.SimpleMatrix;

/**
 * A test picture as a pinhole camera sees it: rotation by georegression, projection by EJML, pixels by BoofCV's
 * homography. Nothing of it is the code that is tested.
 */
final class Photographed {

    private static final double FOCAL = 1.05;

    private Photographed() {}

    /**
     * @param spots x, y from the front left and size, mm, and what they show: 0 dark, 1 lit; a fifth number makes it a
     *     rectangle, its size along y
     */
    static GreyPhoto of(
            TestPicture picture,
            double widthMm,
            double heightMm,
            List<double[]> spots,
            double tiltX,
            double tiltY,
            double turn,
            double noise,
            double fallOff,
            long seed,
            int width) {
        int height = width * 3 / 4;
        PixelTransform<Point2D_F32> all = toScreen(widthMm, heightMm, tiltX, tiltY, turn, width, height);
        double pxPerMm = picture.pixelsX() / widthMm;
        byte[] grey = new byte[width * height];
        IntStream.range(0, height).parallel().forEach(y -> {
            Random random = new Random(seed * 10_007 + y);
            PixelTransform<Point2D_F32> toScreen = all.copyConcurrent();
            Point2D_F32 at = new Point2D_F32();
            Point2D_F32 next = new Point2D_F32();
            for (int x = 0; x < width; x++) {
                toScreen.compute(x, y, at);
                toScreen.compute(x + 1, y + 1, next);
                double light = 0;
                for (int i = 0; i < 4; i++) {
                    double mx = at.x + (i % 2 / 2.0) * (next.x - at.x);
                    double my = at.y + (i / 2 / 2.0) * (next.y - at.y);
                    light += shown(picture, widthMm, heightMm, spots, mx, my, pxPerMm) / 4;
                }
                double r = (Math.pow((x - width / 2.0) / (width / 2.0), 2)
                                + Math.pow((y - height / 2.0) / (height / 2.0), 2))
                        / 2;
                double value = (18 + 190 * light) * (1 - fallOff * r) + noise * random.nextGaussian();
                grey[y * width + x] = (byte) Math.max(0, Math.min(255, Math.round(value)));
            }
        });
        return new GreyPhoto(width, height, grey);
    }

    /** Where a place of such a photograph lies on the screen, mm from the front left. */
    static double[] place(
            double widthMm, double heightMm, double tiltX, double tiltY, double turn, int width, double x, double y) {
        Point2D_F32 at = new Point2D_F32();
        toScreen(widthMm, heightMm, tiltX, tiltY, turn, width, width * 3 / 4)
                .compute((int) Math.round(x), (int) Math.round(y), at);
        return new double[] {at.x, heightMm - at.y};
    }

    /** Millimetres from the back left, y towards the front. */
    private static double shown(
            TestPicture picture,
            double widthMm,
            double heightMm,
            List<double[]> spots,
            double x,
            double y,
            double pxPerMm) {
        if (x < 0 || y < 0 || x >= widthMm || y >= heightMm) {
            return 0;
        }
        for (double[] s : spots) {
            double dx = Math.abs(x - s[0]);
            double dy = Math.abs(heightMm - y - s[1]);
            if (s.length > 4 ? dx < s[2] / 2 && dy < s[4] / 2 : Math.hypot(dx, dy) < s[2] / 2) {
                return s[3];
            }
        }
        return picture.grey(Math.min(picture.pixelsX() - 1, (int) (x * pxPerMm)), Math.min(picture.pixelsY() - 1, (int)
                        (y * pxPerMm)))
                / 255.0;
    }

    private static PixelTransform<Point2D_F32> toScreen(
            double widthMm, double heightMm, double tiltX, double tiltY, double turn, int width, int height) {
        DMatrixRMaj r = ConvertRotation3D_F64.eulerToMatrix(
                EulerType.XYZ, Math.toRadians(tiltX), Math.toRadians(tiltY), Math.toRadians(turn), null);
        double focal = FOCAL * width;
        double away = Math.max(widthMm / width, heightMm / height) * focal * 1.28;
        SimpleMatrix rotation = SimpleMatrix.wrap(r);
        // columns: the screen's axes and the way to its back left corner, in the camera's frame
        SimpleMatrix plane = new SimpleMatrix(3, 3);
        plane.setColumn(0, 0, column(rotation, 1, 0));
        plane.setColumn(1, 0, column(rotation, 0, 1));
        Point3D_F64 corner = new Point3D_F64();
        georegression.geometry.GeometryMath_F64.mult(r, new Vector3D_F64(-widthMm / 2, -heightMm / 2, 0), corner);
        plane.setColumn(2, 0, corner.x, corner.y, corner.z + away);
        SimpleMatrix camera =
                new SimpleMatrix(new double[][] {{focal, 0, width / 2.0}, {0, focal, height / 2.0}, {0, 0, 1}});
        SimpleMatrix inverse = camera.mult(plane).invert();
        Homography2D_F64 h = new Homography2D_F64();
        h.setTo(
                inverse.get(0, 0),
                inverse.get(0, 1),
                inverse.get(0, 2),
                inverse.get(1, 0),
                inverse.get(1, 1),
                inverse.get(1, 2),
                inverse.get(2, 0),
                inverse.get(2, 1),
                inverse.get(2, 2));
        PixelTransformHomography_F32 transform = new PixelTransformHomography_F32();
        transform.setTo(h);
        return transform;
    }

    private static double[] column(SimpleMatrix m, double x, double y) {
        return m.mult(new SimpleMatrix(new double[][] {{x}, {y}, {0}}))
                .getDDRM()
                .data
                .clone();
    }
}
