package keel.app.starting.web;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import keel.app.prints.order.OrderView;
import keel.app.starting.OrderLayouts;

/**
 * A plate of an order from above, mm, its front edge below.
 *
 * @param words what lies on it
 */
record OrderDrawing(double width, double depth, List<Box> boxes, String words) {

    private static final String LETTERS = "ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz";

    /** A piece, its top left corner; {@code letter} is that of its part. */
    record Box(double x, double y, double w, double d, String letter) {

        public double middleX() {
            return x + w / 2;
        }

        public double middleY() {
            return y + d / 2;
        }

        /** So that it stays inside. */
        public double size() {
            return Math.min(9, Math.min(w, d) * .7);
        }
    }

    static String letter(int part) {
        return String.valueOf(LETTERS.charAt(part % LETTERS.length()));
    }

    static OrderDrawing of(OrderView order, OrderLayouts.Layout layout, OrderLayouts.PlateOf plate) {
        double depth = layout.m().plateDepthMm();
        return new OrderDrawing(
                layout.m().plateWidthMm(),
                depth,
                plate.lies().stream()
                        .map(l -> new Box(
                                l.xMm(), depth - l.yMm() - l.depthMm(), l.widthMm(), l.depthMm(), letter(l.part())))
                        .toList(),
                words(order, plate.counts()));
    }

    private static String words(OrderView order, Map<Long, Integer> counts) {
        return order.parts().stream()
                .filter(p -> counts.containsKey(p.id()))
                .map(p -> counts.get(p.id()) + " " + p.name())
                .collect(Collectors.joining(", "));
    }
}
