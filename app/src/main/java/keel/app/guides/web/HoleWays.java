package keel.app.guides.web;

import java.util.List;
import java.util.Map;
import keel.app.film.Vats;
import keel.app.guides.SessionView;
import keel.app.standing.MachineNow;
import keel.app.standing.NotKnown;
import keel.app.standing.Standings;
import keel.app.stores.AtHand;
import keel.app.stores.Spares;
import keel.core.film.HoleAdvice;
import keel.core.standing.PartUse;
import org.springframework.stereotype.Component;

/** What to do about a hole in the film of a guide's vat, with the page where each way begins. */
@Component
class HoleWays {

    private final Spares spares;
    private final Standings standings;

    HoleWays(Spares spares, Standings standings) {
        this.spares = spares;
        this.standings = standings;
    }

    /** One way; {@code path} is null where this guide goes on with it, or nothing is to be done here. */
    record Way(String words, String why, String path) {}

    /**
     * The best first.
     *
     * @param vat that it is about, null if none is known
     * @param answers given so far
     */
    List<Way> of(SessionView session, Vats.Vat vat, Map<String, String> answers) {
        if (vat == null) {
            return List.of();
        }
        MachineNow m = session.machine() == null ? null : standings.of(session.machine());
        PartUse.UsedPart kind = vat.tank() ? PartUse.UsedPart.TANK : PartUse.UsedPart.FILM;
        AtHand there = spares.atHand(kind, vat.model().name());
        HoleAdvice.Facts facts = new HoleAdvice.Facts(
                vat.tank(),
                hole(answers.get("hole")),
                m != null
                        && m.standing().concerns().stream()
                                .anyMatch(c -> c.about().equals("stop-gap")),
                vat.filmUse() == null || m != null && !m.knows(NotKnown.About.FILM)
                        ? null
                        : Double.valueOf(vat.filmUse().used()),
                there.spareVats(),
                there.parts() == null ? null : there.parts().doubleValue());
        return HoleAdvice.of(facts).stream()
                .map(a -> new Way(a.way().words(), a.why(), path(a.way(), session)))
                .toList();
    }

    private static HoleAdvice.Hole hole(String answer) {
        return "PIN".equals(answer)
                ? HoleAdvice.Hole.PIN
                : "LARGE".equals(answer) ? HoleAdvice.Hole.LARGE : HoleAdvice.Hole.NOT_SAID;
    }

    private static String path(HoleAdvice.Way way, SessionView session) {
        String machine = session.machine() == null ? null : "/machines/" + session.machine();
        String here = session.procedure().code();
        return switch (way) {
            case SPARE_VAT -> machine == null ? null : machine + "/services/VAT_FITTED";
            case STOP_GAP -> machine == null || here.equals("stop-gap") ? null : machine + "/guides/stop-gap";
            case NEW_FILM -> machine == null || here.equals("film-change") ? null : machine + "/guides/film-change";
            case NEW_TANK -> machine == null ? null : machine + "/guides/tank-change";
            case ORDER -> "/stores/buying";
        };
    }
}
