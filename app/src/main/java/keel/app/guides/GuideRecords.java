package keel.app.guides;

import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import keel.app.air.AirParts;
import keel.app.base.Conflict;
import keel.app.bench.Bench;
import keel.app.bench.ServiceEntry;
import keel.app.bench.ServiceView;
import keel.app.film.FilmTones;
import keel.app.film.Vats;
import keel.app.fleet.Parts;
import keel.app.standing.VatContents;
import keel.app.stores.BottlePours;
import keel.app.stores.FilmPacks;
import keel.app.stores.PourKind;
import keel.core.guide.Procedure;
import keel.core.guide.Step;
import keel.core.standing.ServiceField;
import keel.core.standing.ServiceKind;
import org.springframework.stereotype.Component;

/** What a guide leaves in the records when it is through. */
@Component
class GuideRecords {

    private static final Set<ServiceField.Type> ANSWERS_NOTED =
            Set.of(ServiceField.Type.CHOICE, ServiceField.Type.NUMBER, ServiceField.Type.TEXT);

    private final Bench bench;
    private final Parts parts;
    private final Vats vats;
    private final FilmTones tones;
    private final BottlePours pours;
    private final FilmPacks packs;
    private final VatContents contents;
    private final AirParts airParts;

    GuideRecords(
            Bench bench,
            Parts parts,
            Vats vats,
            FilmTones tones,
            BottlePours pours,
            FilmPacks packs,
            VatContents contents,
            AirParts airParts) {
        this.bench = bench;
        this.parts = parts;
        this.vats = vats;
        this.tones = tones;
        this.pours = pours;
        this.packs = packs;
        this.contents = contents;
        this.airParts = airParts;
    }

    /** @return the services, the first the one that the procedure is for; none where it ends with something else */
    List<ServiceView> write(SessionView view, Course course, Long airPart, String note) {
        List<ServiceView> written = new ArrayList<>();
        switch (view.procedure().ending()) {
            case SERVICES ->
                course.subjects().forEach(s -> services(s, view, written.isEmpty() ? note : null, written));
            case POUR -> {
                Pouring p = pouring(course.current());
                pours.pour(p.vat(), p.bottle(), p.ml(), p.kind(), null, noted(view, view.answers(), note));
            }
            case AIR_PART -> airParts.seenTo(airPart, noted(view, view.answers(), note));
        }
        return written;
    }

    /** @throws Conflict where an answer of this step cannot end well, for instance because it would mix two resins */
    void check(Course course, Step answered, Map<String, String> answers) {
        if (course.procedure().ending() == Procedure.Ending.POUR
                && answered.asks().stream().anyMatch(a -> a.name().equals("ml"))) {
            Pouring p = pouring(course.current());
            pours.check(p.vat(), p.bottle(), p.ml(), p.kind());
        }
        if (!answers.getOrDefault("pack", "").isEmpty()) {
            packs.requireLeft(answers.get("pack"));
        }
    }

    private record Pouring(String vat, String bottle, Double ml, PourKind kind) {}

    private Pouring pouring(Course.Subject at) {
        Parts.PartRef vat = parts.vatOn(at.machine.id());
        if (vat == null) {
            throw new Conflict("bottle", "No vat is on " + at.name + ".");
        }
        PourKind kind =
                switch (at.answers.getOrDefault("way", "")) {
                    case "OUT" -> PourKind.RETURN;
                    case "SIEVE" -> PourKind.SIEVE;
                    default -> contents.of(vat.id()).resin() == null ? PourKind.POUR : PourKind.TOP_UP;
                };
        String ml = at.answers.getOrDefault("ml", "");
        return new Pouring(
                vat.code(),
                at.answers.getOrDefault("bottle", ""),
                kind == PourKind.SIEVE || ml.isEmpty() ? null : Double.valueOf(ml),
                kind);
    }

    /** The services of one subject, the first with all that was noted of it. */
    private void services(Course.Subject subject, SessionView view, String last, List<ServiceView> written) {
        boolean first = true;
        Map<String, String> asked = view.procedure().asked(subject.traits, subject.answers);
        for (Procedure.Written w : view.procedure().writes()) {
            if (w.when().holds(subject.traits, asked)
                    && ServiceKind.of(subject.traits).contains(w.kind())) {
                Map<String, Object> values = values(w, asked);
                if (subject.machine == null) {
                    values.put("vat", subject.vat);
                }
                ServiceEntry entry = new ServiceEntry(
                        subject.machine == null ? null : subject.machine.code(),
                        w.kind().name(),
                        null,
                        first ? noted(view, subject.answers, last) : null,
                        values);
                written.add(
                        w.kind() == ServiceKind.FILM_CHANGE
                                ? changed(subject, entry, view.startedAt())
                                : bench.record(entry));
                first = false;
            }
        }
    }

    /** A film is changed: what was heard at the tapping step was the new one. */
    private ServiceView changed(Course.Subject subject, ServiceEntry entry, Instant begun) {
        Parts.PartRef vat = subject.vat != null ? parts.vat(subject.vat, "vat") : parts.vatOn(subject.machine.id());
        Parts.PartRef old = vat == null ? null : parts.filmIn(vat.id());
        ServiceView service = bench.record(entry);
        if (old != null) {
            tones.carryOver(old.id(), vats.one(vat.code()), begun);
        }
        return service;
    }

    private static Map<String, Object> values(Procedure.Written written, Map<String, String> answers) {
        Map<String, Object> values = new LinkedHashMap<>(written.fixed());
        written.kind().fields().stream()
                .map(ServiceField::name)
                .filter(f -> !answers.getOrDefault(f, "").isEmpty())
                .forEach(f -> values.putIfAbsent(f, answers.get(f)));
        if (written.kind() == ServiceKind.CLEAN_UP) {
            values.putIfAbsent("way", "FULL");
        }
        return values;
    }

    /** All that was noted, and answers that are no field of a service, as one note. */
    static String noted(SessionView view, Map<String, String> answers, String last) {
        Stream<String> asked = view.procedure().steps().stream()
                .flatMap(s -> s.asks().stream())
                .filter(a -> view.procedure().writes().stream()
                        .noneMatch(w -> w.kind().field(a.name()).isPresent()))
                .filter(a -> ANSWERS_NOTED.contains(a.type())
                        && !answers.getOrDefault(a.name(), "").isEmpty())
                .map(a -> a.label() + ": " + a.words(answers.get(a.name())).toLowerCase(Locale.ROOT)
                        + (a.unit().isEmpty() ? "." : " " + a.unit() + "."));
        String note = Stream.concat(
                        Stream.concat(asked, view.notes().stream().map(SessionView.Note::text)),
                        Stream.ofNullable(last))
                .filter(t -> !t.isBlank())
                .collect(Collectors.joining(" "));
        return note.substring(0, Math.min(note.length(), 4000));
    }
}
