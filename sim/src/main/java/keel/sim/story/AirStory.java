package keel.sim.story;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import keel.sim.chance.Chance;
import keel.sim.instrument.AirSensor;
import keel.sim.shop.Happening;
import keel.sim.world.Rooms;

/**
 * The air of both rooms: measured and planned, a sensor on each wall, fans that run in the day, a mesh that is cleaned
 * now and then.
 */
final class AirStory {

    private static final int SENSED_DAYS = 18;
    private static final int FAN_DAYS = 30;

    private final Rooms rooms;
    private final Chance chance;
    private final Instant end;

    AirStory(Rooms rooms, Chance chance, Instant end) {
        this.rooms = rooms;
        this.chance = chance;
        this.end = end;
    }

    /** @param wash what happened at the wash place, which is in the Long Room */
    List<Happening> happenings(List<Happening> wash) {
        List<Happening> all = new ArrayList<>();
        Instant begins = end.minus(Duration.ofDays(SENSED_DAYS + 1));
        all.add(new Happening.AirPlanned(
                begins,
                "keeper",
                "long-room",
                34,
                1.5,
                18,
                28,
                true,
                "one sash window 600 by 400, door with a gap below",
                path("inline-100", 100, 2.2, "", 2, 180)));
        all.add(new Happening.AirPlanned(
                begins.plusSeconds(60),
                "keeper",
                "annexe",
                22,
                1.5,
                18,
                28,
                false,
                "one window, painted shut; a vent in the door",
                path("bathroom-100-strong", 100, 3.4, "75", 3, 90)));
        all.add(new Happening.AirPartKept(
                begins.plusSeconds(120), "keeper", "MESH", "Mesh of the Long Room window", "long-room"));
        all.add(new Happening.AirPartKept(
                begins.plusSeconds(130), "keeper", "FAN", "Duct fan, Long Room", "long-room"));
        all.add(new Happening.AirPartKept(
                begins.plusSeconds(140), "keeper", "CARTRIDGE", "Respirator on the hook", null));
        List<Instant> washes = wash.stream()
                .filter(h -> h instanceof Happening.PrintFinished p && p.firstAt() != null)
                .map(h -> ((Happening.PrintFinished) h).firstAt())
                .sorted()
                .toList();
        for (int day = FAN_DAYS; day > 0; day--) {
            Instant morning = end.minus(Duration.ofDays(day)).minus(Duration.ofMinutes(150 + chance.below(60)));
            for (String room : List.of("long-room", "annexe")) {
                if (morning.isAfter(begins)) {
                    all.add(new Happening.FanSwitched(morning, "operator", room, true));
                    all.add(new Happening.FanSwitched(morning.plus(Duration.ofHours(11)), "operator", room, false));
                }
            }
        }
        all.add(new Happening.FanSwitched(end.minus(Duration.ofMinutes(170)), "operator", "long-room", true));
        all.add(log("long-room", washes));
        all.add(log("annexe", List.of()));
        return all;
    }

    private Happening log(String room, List<Instant> washes) {
        Instant at = end.minusSeconds(30);
        return new Happening.SensorLog(
                at,
                "keeper",
                "wall-" + room,
                room,
                AirSensor.minutes(rooms, room, at, Duration.ofDays(SENSED_DAYS), washes, walls(chance)));
    }

    /** The chance that both sensors go by. */
    static Chance walls(Chance air) {
        return air.stream("sensor");
    }

    private static Map<String, String> path(
            String fan, int diameter, double length, String reducer, int bends, int gap) {
        return Map.ofEntries(
                Map.entry("fan", fan),
                Map.entry("ownFan", ""),
                Map.entry("fanAt", "WINDOW"),
                Map.entry("hose", "FLEX"),
                Map.entry("hoses", "1"),
                Map.entry("diameterMm", Integer.toString(diameter)),
                Map.entry("lengthM", Double.toString(length)),
                Map.entry("compression", "15"),
                Map.entry("reducerMm", reducer),
                Map.entry("bends", Integer.toString(bends)),
                Map.entry("meshOpen", "65"),
                Map.entry("gapCm2", Integer.toString(gap)),
                Map.entry("outlets", "2"),
                Map.entry("outletMm", "75"),
                Map.entry("flaps", "true"),
                Map.entry("washGPerH", "60"),
                Map.entry("washMinutes", "15"),
                Map.entry("spillMl", "200"));
    }
}
