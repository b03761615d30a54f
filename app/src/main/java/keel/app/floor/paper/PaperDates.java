package keel.app.floor.paper;

import java.time.Instant;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import keel.app.fleet.ShopSettings;
import org.springframework.stereotype.Component;

/** Days as they stand on a paper that lies about for a year: always with the year. */
@Component
public class PaperDates {

    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH);
    private static final DateTimeFormatter MOMENT = DateTimeFormatter.ofPattern("d MMM yyyy HH:mm", Locale.ENGLISH);

    private final ShopSettings settings;

    PaperDates(ShopSettings settings) {
        this.settings = settings;
    }

    public String day(Instant at) {
        return at == null ? null : DAY.format(at.atZone(settings.zone()));
    }

    public String day(LocalDate day) {
        return day == null ? null : DAY.format(day);
    }

    public String moment(Instant at) {
        return MOMENT.format(at.atZone(settings.zone()));
    }
}
