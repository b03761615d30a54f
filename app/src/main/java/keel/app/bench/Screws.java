package keel.app.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import keel.app.base.Typed;
import keel.app.fleet.MachineRef;
import keel.core.Findings;
import keel.core.plate.PlateLevel;
import keel.core.plate.ScrewThread;
import keel.core.standing.LevelJoint;

/** How far each levelling screw of a plate is turned; screws stand around the middle of the plate. */
public final class Screws {

    private static final double FARTHEST_MM = 1000;

    private Screws() {}

    /**
     * One screw.
     *
     * @param turns against the highest screw, 0 there; negative where the plate must come up
     * @param words the same for somebody with a key in hand
     */
    public record Turn(String name, double xMm, double yMm, double turns, String words) {}

    /** Empty where nobody said which thread, or the plate hangs in a ball joint. */
    public static List<Turn> of(MachineRef machine, PlateLevel level, Map<String, String> typed, Findings findings) {
        String thread = typed.getOrDefault("thread", "");
        if (machine.traits().joint() == LevelJoint.BALL || thread.isBlank()) {
            return List.of();
        }
        Double across = Typed.number(typed.get("screwsAcrossMm"), "screwsAcrossMm", findings);
        Double deep = Typed.number(typed.get("screwsDeepMm"), "screwsDeepMm", findings);
        if (findings.none()) {
            findings.range(across, 5, FARTHEST_MM, "screwsAcrossMm", "The distance of the screws across", "mm");
            findings.range(deep, 5, FARTHEST_MM, "screwsDeepMm", "The distance of the screws from front to back", "mm");
        }
        return findings.none() ? turns(places(machine, across, deep), level, ScrewThread.called(thread)) : List.of();
    }

    private record Screw(String name, PlateLevel.Place place) {}

    private static List<Screw> places(MachineRef machine, double across, double deep) {
        double x = machine.plateWidthMm() / 2;
        double y = machine.plateDepthMm() / 2;
        List<Screw> screws = new ArrayList<>();
        screws.add(new Screw("front left", new PlateLevel.Place(x - across / 2, y - deep / 2)));
        screws.add(new Screw("front right", new PlateLevel.Place(x + across / 2, y - deep / 2)));
        if (machine.traits().joint() == LevelJoint.BOLTS_3) {
            screws.add(new Screw("back", new PlateLevel.Place(x, y + deep / 2)));
        } else {
            screws.add(new Screw("back left", new PlateLevel.Place(x - across / 2, y + deep / 2)));
            screws.add(new Screw("back right", new PlateLevel.Place(x + across / 2, y + deep / 2)));
        }
        return screws;
    }

    private static List<Turn> turns(List<Screw> screws, PlateLevel level, ScrewThread thread) {
        List<Double> turns = level.turns(screws.stream().map(Screw::place).toList(), thread);
        List<Turn> list = new ArrayList<>();
        for (int i = 0; i < screws.size(); i++) {
            double t = turns.get(i);
            String words = Math.abs(t) < 0.02
                    ? "leave it"
                    : String.format(Locale.ROOT, "%.2f of a turn, plate up", Math.abs(t));
            list.add(new Turn(
                    screws.get(i).name(),
                    screws.get(i).place().xMm(),
                    screws.get(i).place().yMm(),
                    t,
                    words));
        }
        return list;
    }
}
