package keel.app.starting;

import java.util.List;
import keel.app.base.Refused;
import keel.app.standing.Footprints;
import keel.app.standing.MachineNow;
import keel.core.Findings;
import keel.core.placement.Footprint;
import keel.core.placement.FootprintWords;
import keel.core.placement.PlacedPart;
import keel.core.placement.Placement;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Where the job that is about to start goes on the plate, as the start gate asks and keeps it. */
@Service
@Transactional(readOnly = true)
public class JobPlaces {

    private final Plates plates;
    private final Footprints footprints;

    JobPlaces(Plates plates, Footprints footprints) {
        this.plates = plates;
        this.footprints = footprints;
    }

    /** How its place is chosen. */
    public enum Choice {
        LAST("As last time"),
        BEST("Least worn"),
        OWN("As drawn"),
        NONE("Not said");

        private final String words;

        Choice(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /**
     * What stands in the form.
     *
     * @param footprint sizes as they are typed
     * @param place a {@link Choice}, or null where nobody chose
     * @param parts rectangles, a line each
     */
    public record Asked(String job, String footprint, String place, String parts) {}

    /**
     * What the gate shows.
     *
     * @param lastKnown whether it is known where this job lay last time
     * @param advice the least worn place for it, null where its size is not known
     * @param saves what that place saves against where the job goes now, as a share; 0 where nothing worth saying
     * @param wrong what does not read, null if all does
     */
    public record JobPlace(
            Choice choice,
            String footprint,
            List<PlacedPart> parts,
            String lines,
            boolean lastKnown,
            PlateView view,
            Plates.Advice advice,
            double saves,
            String wrong) {

        /** The places in words. */
        public List<String> words() {
            return parts.stream().map(PlateView::words).toList();
        }
    }

    public JobPlace of(MachineNow m, Asked asked) {
        Plate plate = plates.of(m);
        List<PlacedPart> last = last(m, asked.job());
        Findings findings = new Findings();
        List<Placement.Size> typed = FootprintWords.sizes(asked.footprint(), "footprint", findings);
        List<PlacedPart> drawn = FootprintWords.parts(asked.parts(), "parts", findings);
        Choice choice = choice(asked, !last.isEmpty(), !typed.isEmpty(), !drawn.isEmpty());
        List<Placement.Size> sizes = !typed.isEmpty() ? typed : sizes(choice == Choice.OWN ? drawn : last);
        Plates.Advice advice =
                sizes.isEmpty() || sizes.size() > Footprint.Parts.MOST ? null : plates.advise(plate, sizes);
        List<PlacedPart> parts =
                switch (choice) {
                    case LAST -> last;
                    case BEST -> advice == null ? List.of() : advice.parts();
                    case OWN -> drawn;
                    case NONE -> List.of();
                };
        String footprint = typed.isEmpty() && findings.none() ? FootprintWords.text(sizes) : asked.footprint();
        return new JobPlace(
                choice,
                footprint,
                parts,
                FootprintWords.lines(parts),
                !last.isEmpty(),
                PlateView.of(plate, PlateView.Which.BOTH, false, parts, List.of()),
                advice,
                saves(plate, parts, advice),
                findings.none() ? null : findings.list().get(0).message());
    }

    /**
     * What a run that starts now covers; null where nobody says.
     *
     * @throws Refused if what was typed does not read, or found no place
     */
    public Footprint footprint(MachineNow m, Asked asked) {
        JobPlace place = of(m, asked);
        Findings findings = new Findings();
        findings.when(place.wrong() != null, "footprint", place.wrong());
        findings.when(
                place.wrong() == null
                        && place.choice() == Choice.BEST
                        && place.advice() != null
                        && place.advice().left() > 0,
                "footprint",
                "There is no place left for all of it: too large for the plate, or too much to keep off.");
        Refused.unless(findings);
        return place.parts().isEmpty() ? null : new Footprint.Parts(place.parts());
    }

    private List<PlacedPart> last(MachineNow m, String job) {
        return footprints
                .last(m.id(), job)
                .map(f -> f instanceof Footprint.Parts p ? p.parts() : List.<PlacedPart>of())
                .orElse(List.of());
    }

    private static Choice choice(Asked asked, boolean last, boolean typed, boolean drawn) {
        String wanted = asked.place() == null ? "" : asked.place();
        for (Choice choice : Choice.values()) {
            if (choice.name().equals(wanted)
                    && (choice != Choice.LAST || last)
                    && (choice != Choice.OWN || drawn)
                    && (choice != Choice.NONE || !typed)) {
                return choice;
            }
        }
        return drawn ? Choice.OWN : typed ? Choice.BEST : last ? Choice.LAST : Choice.NONE;
    }

    private static List<Placement.Size> sizes(List<PlacedPart> parts) {
        return parts.stream()
                .map(p -> new Placement.Size(p.lengthMm(), p.widthMm()))
                .toList();
    }

    private static double saves(Plate plate, List<PlacedPart> parts, Plates.Advice advice) {
        if (advice == null || parts.isEmpty() || advice.left() > 0) {
            return 0;
        }
        double[] light = new Footprint.Parts(parts).over(plate.cells()).light();
        double under = 0;
        double area = 0;
        for (int cell = 0; cell < light.length; cell++) {
            under += light[cell] * plate.shared()[cell];
            area += light[cell];
        }
        return under > 0 ? 1 - advice.wear() * area / under : 0;
    }
}
