package keel.app.film;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.function.Function;
import java.util.stream.Collectors;
import keel.app.base.NotThere;
import keel.app.fleet.ComponentKind;
import keel.app.fleet.Fleet;
import keel.app.standing.Conditions;
import keel.app.standing.PartLives;
import keel.app.standing.PartView;
import keel.app.standing.PartsReading;
import keel.core.bolts.VatFrame;
import keel.core.condition.FilmCondition;
import keel.core.film.FilmWindow;
import keel.core.standing.MachineKind;
import keel.core.standing.PartUse;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Vats and tanks with the film that is in them: what they fit, where they are and were, what was in them. */
@Service
@Transactional(readOnly = true)
public class Vats {

    private final PartsReading parts;
    private final PartLives lives;
    private final Conditions conditions;
    private final Fleet fleet;
    private final VatRecords records;

    Vats(PartsReading parts, PartLives lives, Conditions conditions, Fleet fleet, VatRecords records) {
        this.parts = parts;
        this.lives = lives;
        this.conditions = conditions;
        this.fleet = fleet;
        this.records = records;
    }

    /**
     * A vat.
     *
     * @param machine code of the machine it is on, null on the shelf
     * @param film in it, null if none; {@code filmUse} with how long such films last
     * @param family pigment family that was in it last, null if not known
     */
    public record Vat(
            long id,
            String code,
            Instant since,
            Instant endedAt,
            Model model,
            String machine,
            String machineName,
            PartView film,
            PartUse filmUse,
            Pack pack,
            String family) {

        public boolean tank() {
            return model.kind() == MachineKind.LASER_TANK;
        }

        /** As it is chosen from several: a row of tanks is told apart by what was in them. */
        public String words() {
            return code + ", " + model.name() + (film == null ? ", no film" : "")
                    + (family == null ? ", nothing in it yet" : ", last " + family);
        }

        /** Where it is, in words. */
        public String place() {
            return machine != null ? "on " + machineName : endedAt != null ? "ended" : "on the shelf";
        }
    }

    /** What it fits. */
    public record Model(
            long id,
            String code,
            String name,
            MachineKind kind,
            double plateWidthMm,
            double plateDepthMm,
            VatFrame frame) {

        /**
         * Free opening of its film; the plate's size where nobody measured it. A ring of screws stands around a round
         * one.
         */
        public FilmWindow window() {
            double length =
                    frame.windowLengthMm() == null ? Math.max(plateWidthMm, plateDepthMm) : frame.windowLengthMm();
            double width = frame.windowWidthMm() == null ? Math.min(plateWidthMm, plateDepthMm) : frame.windowWidthMm();
            return new FilmWindow(length, width, frame.clampRing() != null);
        }

        public boolean windowMeasured() {
            return frame.windowLengthMm() != null && frame.windowWidthMm() != null;
        }
    }

    /** Where its film came from. */
    public record Pack(String code, String supplier, String lot) {}

    /** A film in a vat, or a vat on a machine, from one time to another; {@code to} is null while it is. */
    public record Span(long vat, String code, Instant from, Instant to, Instant endedAt, String endReason) {}

    /** All vats, those in use first, by model and code. */
    public List<Vat> all(boolean ended) {
        return vats(records.all(ended));
    }

    /** @throws NotThere if there is none */
    public Vat one(String code) {
        return vats(records.one(code.toUpperCase(Locale.ROOT)).stream().toList()).stream()
                .findFirst()
                .orElseThrow(() -> new NotThere("There is no vat called " + code + "."));
    }

    private List<Vat> vats(List<VatRecords.Placed> placed) {
        Map<String, PartView> films = films();
        Map<Long, Fleet.ModelFrame> models = fleet.frames();
        PartLives.Book book = lives.book();
        Map<Long, FilmCondition> seen = conditions.of(placed.stream()
                .map(p -> films.get(p.film()))
                .filter(Objects::nonNull)
                .map(f -> new Conditions.Film(f.id(), f.usage()))
                .toList());
        Map<Long, String> families = new HashMap<>();
        records.families(placed.stream().map(VatRecords.Placed::id).toList())
                .forEach(f -> families.put(f.vat(), f.family()));
        return placed.stream()
                .map(p -> vat(p, models.get(p.model()), films.get(p.film()), families.get(p.id()), book, seen))
                .toList();
    }

    private Map<String, PartView> films() {
        return parts.all(ComponentKind.FILM, false).stream().collect(Collectors.toMap(PartView::code, f -> f));
    }

    /**
     * Every film that was in a vat, by vat, oldest first; for a tank, whose vat comes and goes with it, those of its
     * machine.
     */
    public Map<Long, List<Span>> films(List<Vat> vats) {
        Map<Long, List<Span>> films = spans(vats.stream().filter(Vat::tank).toList(), records::tanksBefore);
        inThem(vats).forEach((vat, spans) -> films.computeIfAbsent(vat, id -> new ArrayList<>())
                .addAll(spans));
        return films;
    }

    private Map<Long, List<Span>> inThem(List<Vat> vats) {
        return spans(vats, records::films);
    }

    /** Every machine that a vat was on, by vat, oldest first; the code is the machine's name. */
    public Map<Long, List<Span>> machines(List<Vat> vats) {
        return spans(vats, records::machines);
    }

    private static Map<Long, List<Span>> spans(List<Vat> vats, Function<List<Long>, List<Span>> read) {
        Map<Long, List<Span>> spans = new HashMap<>();
        if (!vats.isEmpty()) {
            read.apply(vats.stream().map(Vat::id).toList())
                    .forEach(s -> spans.computeIfAbsent(s.vat(), id -> new ArrayList<>())
                            .add(s));
        }
        return spans;
    }

    private static Vat vat(
            VatRecords.Placed p,
            Fleet.ModelFrame of,
            PartView film,
            String family,
            PartLives.Book book,
            Map<Long, FilmCondition> seen) {
        Model model =
                new Model(of.id(), of.code(), of.name(), of.kind(), of.plateWidthMm(), of.plateDepthMm(), of.frame());
        PartUse.UsedPart kind = model.kind() == MachineKind.LASER_TANK ? PartUse.UsedPart.TANK : PartUse.UsedPart.FILM;
        PartUse use = film == null
                ? null
                : new PartUse(
                        kind,
                        model.kind().lining() + " " + film.code(),
                        film.usage(),
                        book.of(kind, model.name()),
                        seen.get(film.id()));
        return new Vat(
                p.id(),
                p.code(),
                p.since(),
                p.endedAt(),
                model,
                p.machine(),
                p.machineName(),
                film,
                use,
                p.pack() == null ? null : new Pack(p.pack(), p.supplier(), p.lot()),
                family);
    }
}
