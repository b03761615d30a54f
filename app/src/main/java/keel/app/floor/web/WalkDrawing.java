package keel.app.floor.web;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import keel.app.standing.MachineNow;
import keel.core.round.Chore;
import keel.core.round.ChoreKind;
import keel.core.round.Round;

/**
 * The way of a round through the shop: rooms side by side with their machines on the floor, and the line from stop to
 * stop. What has no room of its own is done at a place at the right.
 *
 * @param path of the line as SVG
 * @param words the same as text
 */
record WalkDrawing(
        double width, double height, List<Room> rooms, List<Post> posts, List<Stop> stops, String path, String words) {

    private static final double HEIGHT = 150;
    private static final double FLOOR = 118;
    private static final double PITCH = 58;
    private static final double MARGIN = 26;
    private static final double GAP = 14;
    private static final double STOP_Y = 62;
    private static final int MOST_STOPS = 9;
    private static final List<String> BESIDE = List.of("wash", "stores", "desk");

    /** A room as a box. */
    record Room(String name, double x, double width) {}

    /** Where a machine stands, with its first letter. */
    record Post(String name, String letter, double x) {}

    /** A stop with the numbers of the lines that are done there. */
    record Stop(String numbers, double x, double y, String name, boolean next) {}

    static WalkDrawing of(Round round, List<MachineNow> machines) {
        Map<String, List<MachineNow>> byRoom = machines.stream()
                .collect(Collectors.groupingBy(MachineNow::room, LinkedHashMap::new, Collectors.toList()));
        List<Room> rooms = new ArrayList<>();
        List<Post> posts = new ArrayList<>();
        Map<String, Double> places = new HashMap<>();
        double x = 1;
        for (Map.Entry<String, List<MachineNow>> e : byRoom.entrySet()) {
            List<MachineNow> in = e.getValue();
            double width = 2 * MARGIN + PITCH * Math.max(1, in.size() - 1);
            rooms.add(new Room(in.get(0).roomName(), x, width));
            for (int i = 0; i < in.size(); i++) {
                double at = x + MARGIN + i * PITCH;
                posts.add(new Post(in.get(i).name(), in.get(i).name().substring(0, 1), at));
                places.put(in.get(i).code(), at);
            }
            places.putIfAbsent("room " + e.getKey(), x + width / 2);
            x += width + GAP;
        }
        double beside = 2 * MARGIN + 2 * PITCH;
        rooms.add(new Room("Elsewhere", x, beside));
        for (int i = 0; i < BESIDE.size(); i++) {
            posts.add(new Post(BESIDE.get(i), BESIDE.get(i), x + MARGIN + i * PITCH));
            places.put(BESIDE.get(i), x + MARGIN + i * PITCH);
        }
        List<Stop> stops = stops(round, places);
        return new WalkDrawing(x + beside + 1, HEIGHT, rooms, posts, stops, path(stops), words(round));
    }

    /** Lines that follow one another at one place are one stop. */
    private static List<Stop> stops(Round round, Map<String, Double> places) {
        List<Stop> stops = new ArrayList<>();
        List<Double> at = new ArrayList<>();
        List<int[]> numbers = new ArrayList<>();
        List<String> names = new ArrayList<>();
        for (int i = 0; i < Math.min(MOST_STOPS, round.items().size()); i++) {
            Chore c = round.items().get(i).chore();
            double x = place(c, places);
            int last = at.size() - 1;
            if (last >= 0 && at.get(last) == x) {
                numbers.get(last)[1] = i + 1;
            } else {
                at.add(x);
                numbers.add(new int[] {i + 1, i + 1});
                names.add(c.name());
            }
        }
        Map<Double, Integer> before = new HashMap<>();
        for (int i = 0; i < at.size(); i++) {
            int level = before.merge(at.get(i), 1, Integer::sum) - 1;
            int[] n = numbers.get(i);
            stops.add(new Stop(
                    n[0] == n[1] ? Integer.toString(n[0]) : n[0] + "–" + n[1],
                    at.get(i) + (level < 2 ? 0 : 20),
                    STOP_Y + 14 - 28 * (level % 2),
                    names.get(i),
                    i == 0));
        }
        return stops;
    }

    private static double place(Chore c, Map<String, Double> places) {
        Double machine = c.machine() == null || c.room() == null ? null : places.get(c.machine());
        Double room = c.room() == null ? null : places.get("room " + c.room());
        return machine != null ? machine : room != null ? room : places.getOrDefault(beside(c.kind()), 0.0);
    }

    private static String beside(ChoreKind kind) {
        return switch (kind) {
            case WASH, OUT_OF_BATH, CURE, BATH -> "wash";
            case BUY, RECEIVE, WASTE -> "stores";
            default -> "desk";
        };
    }

    private static String path(List<Stop> stops) {
        StringBuilder path = new StringBuilder();
        for (int i = 0; i < stops.size(); i++) {
            Stop s = stops.get(i);
            if (i == 0) {
                path.append(String.format(Locale.ROOT, "M%.1f %.1f", s.x(), s.y()));
            } else {
                Stop from = stops.get(i - 1);
                double bow = Math.min(34, Math.abs(s.x() - from.x()) / 4);
                path.append(String.format(
                        Locale.ROOT,
                        "C%.1f %.1f %.1f %.1f %.1f %.1f",
                        from.x() + (s.x() - from.x()) / 4,
                        from.y() - bow,
                        s.x() - (s.x() - from.x()) / 4,
                        s.y() - bow,
                        s.x(),
                        s.y()));
            }
        }
        return path.toString();
    }

    private static String words(Round round) {
        return round.items().isEmpty()
                ? "Nothing to walk to."
                : round.items().stream()
                        .limit(MOST_STOPS)
                        .map(l -> l.chore().name() + ": " + l.chore().what())
                        .collect(Collectors.joining("; ", "In this order: ", "."));
    }

    public double floor() {
        return FLOOR;
    }
}
