package keel.core.bolts;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;

/**
 * Where the bolts of a film frame sit: on a ring, or along the four sides of a rectangle. Seen from above, numbered
 * clockwise from 1; number 1 is the foremost bolt of a ring, the front left corner of a rectangle. Every bolt has one
 * straight across the middle, so that counts are even.
 */
public sealed interface BoltFrame {

    int LEAST = 4;
    int MOST = 60;

    /** One bolt: x to the right, y to the back, middle of the frame at 0, the longest way across from −1 to 1. */
    record Bolt(int n, double x, double y) {}

    int count();

    List<Bolt> bolts();

    /** The bolts in the order of the star, each followed by the one straight across. */
    List<Integer> star();

    /**
     * @param count bolts, even, 4 to 60
     * @throws IllegalArgumentException with a sentence that says what is wrong
     */
    static BoltFrame ring(int count) {
        if (count % 2 != 0) {
            throw new IllegalArgumentException(
                    "A ring of " + count + " bolts has none straight across; the count must be even.");
        }
        return new Ring(within(count));
    }

    /**
     * @param longSide bolts along a long side, both corners counted, 2 or more
     * @param shortSide bolts along a short side, both corners counted, 2 or more
     * @throws IllegalArgumentException with a sentence that says what is wrong
     */
    static BoltFrame rectangle(int longSide, int shortSide) {
        if (longSide < 2 || shortSide < 2) {
            throw new IllegalArgumentException("Each side of a frame has at least its two corner bolts.");
        }
        if (longSide > MOST || shortSide > MOST) {
            throw new IllegalArgumentException("A frame has " + LEAST + " to " + MOST + " bolts.");
        }
        within(2 * (longSide + shortSide) - 4);
        return new Rectangle(longSide, shortSide);
    }

    private static int within(int count) {
        if (count < LEAST || count > MOST) {
            throw new IllegalArgumentException(
                    "A frame has " + LEAST + " to " + MOST + " bolts; this would have " + count + ".");
        }
        return count;
    }

    /**
     * A ring. Bolts are taken in pairs straight across, the pairs alternately from the first and the second quarter,
     * and within a quarter always the one farthest from those already done (counted around, as the next quarter begins
     * like the last). Gives the cross-pattern of ASME PCC-1 for 4, 8, 12, 16, 20 and 24 bolts.
     */
    record Ring(int count) implements BoltFrame {

        @Override
        public List<Bolt> bolts() {
            return IntStream.rangeClosed(1, count)
                    .mapToObj(n -> {
                        double clockwise = 2 * Math.PI * (n - 1) / count;
                        return new Bolt(n, -Math.sin(clockwise), -Math.cos(clockwise));
                    })
                    .toList();
        }

        @Override
        public List<Integer> star() {
            int half = count / 2;
            int first = (half + 1) / 2;
            List<Integer> one = spread(first);
            List<Integer> two = spread(half - first);
            List<Integer> order = new ArrayList<>();
            for (int i = 0; i < first; i++) {
                across(one.get(i), order);
                if (i < two.size()) {
                    across(first + two.get(i), order);
                }
            }
            return List.copyOf(order);
        }

        private void across(int bolt, List<Integer> order) {
            order.add(bolt);
            order.add(bolt + count / 2);
        }

        /**
         * The numbers 1 to q, each as far around as may be from those before, and of equals the farthest from the last.
         */
        private static List<Integer> spread(int q) {
            List<Integer> order = new ArrayList<>();
            List<Integer> left =
                    new ArrayList<>(IntStream.rangeClosed(1, q).boxed().toList());
            while (!left.isEmpty()) {
                Integer next = order.isEmpty()
                        ? left.get(0)
                        : left.stream()
                                .max(Comparator.<Integer>comparingInt(k -> order.stream()
                                                .mapToInt(done -> around(k, done, q))
                                                .min()
                                                .orElseThrow())
                                        .thenComparingInt(k -> around(k, order.get(order.size() - 1), q))
                                        .thenComparing(Comparator.reverseOrder()))
                                .orElseThrow();
                left.remove(next);
                order.add(next);
            }
            return order;
        }

        private static int around(int a, int b, int of) {
            int apart = Math.abs(a - b);
            return Math.min(apart, of - apart);
        }
    }

    /**
     * A rectangle: corners first, then the middles of the sides, then outward, each followed by the bolt straight
     * across.
     */
    record Rectangle(int longSide, int shortSide) implements BoltFrame {

        @Override
        public int count() {
            return 2 * (longSide + shortSide) - 4;
        }

        @Override
        public List<Bolt> bolts() {
            double depth = (shortSide - 1.0) / (longSide - 1);
            double scale = Math.max(1, depth);
            List<Bolt> bolts = new ArrayList<>();
            for (int i = 0; i < shortSide; i++) {
                add(bolts, -1, at(i, shortSide) * depth, scale);
            }
            for (int i = 1; i < longSide; i++) {
                add(bolts, at(i, longSide), depth, scale);
            }
            for (int i = 1; i < shortSide; i++) {
                add(bolts, 1, -at(i, shortSide) * depth, scale);
            }
            for (int i = 1; i < longSide - 1; i++) {
                add(bolts, -at(i, longSide), -depth, scale);
            }
            return bolts;
        }

        @Override
        public List<Integer> star() {
            List<Integer> order = new ArrayList<>();
            across(1, order);
            across(shortSide, order);
            List<Integer> back = fromTheMiddle(shortSide + 1, longSide - 2);
            List<Integer> left = fromTheMiddle(2, shortSide - 2);
            for (int i = 0; i < Math.max(back.size(), left.size()); i++) {
                if (i < back.size()) {
                    across(back.get(i), order);
                }
                if (i < left.size()) {
                    across(left.get(i), order);
                }
            }
            return List.copyOf(order);
        }

        private void across(int bolt, List<Integer> order) {
            order.add(bolt);
            order.add(bolt + count() / 2);
        }

        /**
         * So many bolts numbered on from {@code first}, the middle of the side first, then outward to both sides in
         * turn.
         */
        private static List<Integer> fromTheMiddle(int first, int many) {
            double middle = first + (many - 1) / 2.0;
            return IntStream.range(first, first + many)
                    .boxed()
                    .sorted(Comparator.<Integer>comparingDouble(n -> Math.abs(n - middle))
                            .thenComparing(Comparator.naturalOrder()))
                    .toList();
        }

        private static double at(int i, int bolts) {
            return -1 + 2.0 * i / (bolts - 1);
        }

        private static void add(List<Bolt> bolts, double x, double y, double scale) {
            bolts.add(new Bolt(bolts.size() + 1, x / scale, y / scale));
        }
    }
}
