package keel.core.screen;

import java.util.List;
import keel.core.screen.ScreenInspection.OnPhoto;

/**
 * A photograph of a screen, turned by quarters so that the screen's front lies below, and made smaller, with where its
 * spots and corners lie then.
 *
 * @param spots in the order of the inspection's, {@code hidden} what was not seen, each by its four corners
 */
public record UprightPhoto(GreyPhoto photo, List<OnPhoto> spots, List<OnPhoto> corners, List<List<OnPhoto>> hidden) {

    /** @param mostPx of its longer side */
    public static UprightPhoto of(GreyPhoto photo, ScreenInspection seen, int mostPx) {
        int turns = quarterTurns(seen.corners());
        double scale = Math.min(1, (double) mostPx / Math.max(photo.width(), photo.height()));
        int w = Math.max(1, (int) Math.round((turns % 2 == 0 ? photo.width() : photo.height()) * scale));
        int h = Math.max(1, (int) Math.round((turns % 2 == 0 ? photo.height() : photo.width()) * scale));
        byte[] grey = new byte[w * h];
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                grey[y * w + x] = (byte) Math.round(mean(photo, turns, (x + 0.5) / w, (y + 0.5) / h, 1 / scale));
            }
        }
        return new UprightPhoto(
                new GreyPhoto(w, h, grey),
                seen.onPhoto().stream().map(p -> turned(p, photo, turns, scale)).toList(),
                seen.corners().stream().map(p -> turned(p, photo, turns, scale)).toList(),
                seen.hiddenOnPhoto().stream()
                        .map(one -> one.stream()
                                .map(p -> turned(p, photo, turns, scale))
                                .toList())
                        .toList());
    }

    /** So many quarters clockwise bring the front edge down. */
    private static int quarterTurns(List<OnPhoto> corners) {
        if (corners.size() < 4) {
            return 0;
        }
        double dx = corners.get(0).x()
                + corners.get(1).x()
                - corners.get(2).x()
                - corners.get(3).x();
        double dy = corners.get(0).y()
                + corners.get(1).y()
                - corners.get(2).y()
                - corners.get(3).y();
        return Math.abs(dy) >= Math.abs(dx) ? dy >= 0 ? 0 : 2 : dx > 0 ? 1 : 3;
    }

    /** Mean of four places around; {@code u} and {@code v} from 0 to 1 on the turned photograph. */
    private static double mean(GreyPhoto photo, int turns, double u, double v, double reach) {
        double x =
                switch (turns) {
                                    case 0 -> u;
                                    case 1 -> v;
                                    case 2 -> 1 - u;
                                    default -> 1 - v;
                                }
                                * photo.width()
                        - 0.5;
        double y =
                switch (turns) {
                                    case 0 -> v;
                                    case 1 -> 1 - u;
                                    case 2 -> 1 - v;
                                    default -> u;
                                }
                                * photo.height()
                        - 0.5;
        double off = reach / 4;
        return (photo.at(x - off, y - off)
                        + photo.at(x + off, y - off)
                        + photo.at(x - off, y + off)
                        + photo.at(x + off, y + off))
                / 4;
    }

    private static OnPhoto turned(OnPhoto p, GreyPhoto photo, int turns, double scale) {
        return switch (turns) {
            case 0 -> new OnPhoto(p.x() * scale, p.y() * scale, p.r() * scale);
            case 1 -> new OnPhoto((photo.height() - p.y()) * scale, p.x() * scale, p.r() * scale);
            case 2 -> new OnPhoto((photo.width() - p.x()) * scale, (photo.height() - p.y()) * scale, p.r() * scale);
            default -> new OnPhoto(p.y() * scale, (photo.width() - p.x()) * scale, p.r() * scale);
        };
    }
}
