package keel.app.film.web;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import keel.app.base.NotThere;
import keel.app.base.Refused;
import keel.app.film.FilmLooks;
import keel.app.film.Vats;
import keel.core.Findings;
import keel.core.film.Clouding;
import keel.core.film.FilmMark;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Inspections of films, for programs. */
@RestController
@RequestMapping("/api/v1/vats")
class InspectionApi {

    private final Vats vats;
    private final FilmLooks looks;

    InspectionApi(Vats vats, FilmLooks looks) {
        this.vats = vats;
        this.looks = looks;
    }

    /** A mark as a program enters it. */
    record MarkEntry(FilmMark.MarkKind kind, Double xMm, Double yMm, Double sizeMm) {}

    /**
     * An inspection as a program enters it; what was not looked at is left out.
     *
     * @param at null for now
     * @param leak whether resin came through
     */
    record InspectionEntry(
            Instant at,
            Clouding clouding,
            Double uvBare,
            Double uvThrough,
            List<MarkEntry> marks,
            Boolean leak,
            String note) {

        FilmLooks.LookEntry look(List<FilmMark> kept) {
            FilmLooks.Leak came = leak == null ? null : leak ? FilmLooks.Leak.WET : FilmLooks.Leak.DRY;
            return new FilmLooks.LookEntry(clouding, uvBare, uvThrough, came, kept, note);
        }
    }

    /** An inspection as it is kept. {@code doubt} says what is odd about it, null where nothing is. */
    record Inspection(
            long id,
            Instant at,
            String vat,
            String film,
            Clouding clouding,
            Double transmittance,
            Boolean leak,
            List<FilmMark> marks,
            String doubt) {}

    /**
     * @throws NotThere if there is no such vat
     * @throws Refused if nothing was looked at, or something cannot be
     */
    @PostMapping("/{code}/inspections")
    @ResponseStatus(HttpStatus.CREATED)
    Inspection inspect(@PathVariable String code, @RequestBody InspectionEntry entry) {
        Vats.Vat vat = vats.one(code);
        Findings findings = new Findings();
        List<FilmMark> marks = marks(entry.marks() == null ? List.of() : entry.marks(), findings);
        Refused.unless(findings);
        long id = looks.write(
                vat.code(),
                entry.look(marks),
                entry.at(),
                vat.model().plateWidthMm(),
                vat.model().plateDepthMm());
        FilmLooks.Look look = looks.of(vat.film().id()).stream()
                .filter(l -> l.id() == id)
                .findFirst()
                .orElseThrow();
        return new Inspection(
                id,
                look.at(),
                vat.code(),
                vat.film().code(),
                look.grade(),
                look.transmittance(),
                entry.leak(),
                look.marks(),
                looks.doubt(vat.film().id()));
    }

    private static List<FilmMark> marks(List<MarkEntry> entries, Findings findings) {
        List<FilmMark> marks = new ArrayList<>();
        for (int i = 0; i < entries.size(); i++) {
            MarkEntry m = entries.get(i);
            boolean whole = m != null && m.kind() != null && m.xMm() != null && m.yMm() != null && m.sizeMm() != null;
            if (!findings.when(!whole, "marks[" + i + "]", "A mark takes kind, xMm, yMm and sizeMm.")) {
                marks.add(new FilmMark(m.kind(), m.xMm(), m.yMm(), m.sizeMm()));
            }
        }
        return marks;
    }
}
