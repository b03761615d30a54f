package keel.app.stores;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import keel.app.base.Refused;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.app.people.Role;
import keel.core.Findings;
import keel.core.film.FilmSeat;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** How the films of each model sit in their frames. */
@Service
@Transactional
public class Seats {

    private final Logbook logbook;
    private final JdbcClient jdbc;
    private final Clock clock;

    Seats(Logbook logbook, JdbcClient jdbc, Clock clock) {
        this.logbook = logbook;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    public FilmSeat of(long modelId) {
        return jdbc.sql("select corner_screw_mm, side_screw_mm, spacer_mm, press_mm, lip_mm, sheet_length_mm, "
                        + "sheet_width_mm, vat_price from film_seat where model_id = ?")
                .param(modelId)
                .query((row, i) -> new FilmSeat(
                        number(row, 1),
                        number(row, 2),
                        number(row, 3),
                        number(row, 4),
                        number(row, 5),
                        number(row, 6),
                        number(row, 7),
                        number(row, 8)))
                .optional()
                .orElse(FilmSeat.UNKNOWN);
    }

    public void measure(long modelId, String modelName, FilmSeat seat) {
        Actor keeper = Actor.require(Role.KEEPER);
        Findings findings = new Findings();
        seat.check(findings);
        Refused.unless(findings);
        jdbc.sql("delete from film_seat where model_id = ?").param(modelId).update();
        jdbc.sql(
                        """
                insert into film_seat (model_id, corner_screw_mm, side_screw_mm, spacer_mm, press_mm, lip_mm,
                sheet_length_mm, sheet_width_mm, vat_price)
                values (?, ?, ?, ?, ?, ?, ?, ?, ?)""")
                .params(
                        modelId,
                        seat.cornerScrewMm(),
                        seat.sideScrewMm(),
                        seat.spacerMm(),
                        seat.pressMm(),
                        seat.lipMm(),
                        seat.sheetLengthMm(),
                        seat.sheetWidthMm(),
                        seat.vatPrice())
                .update();
        logbook.write(LogDraft.of(
                LogKind.SET_UP,
                null,
                "SHOP",
                modelId,
                clock.instant(),
                "How the film sits in vats for " + modelName + ": measured.",
                seat,
                keeper));
    }

    private static Double number(ResultSet row, int column) throws SQLException {
        return row.getObject(column, Double.class);
    }
}
