package keel.core.film;

import java.util.Locale;
import keel.core.standing.Defaults;
import keel.core.standing.PartUse;

/**
 * What asks for the change of a film, so that it goes into the next sitting: the strongest reason first. Common
 * practice, no source.
 *
 * @param condemnedFor why it was condemned, null if it was not
 * @param stopGap whether a hole in it is only cured shut
 * @param film with what it has been through, and how long such films last
 * @param looked grade at the last inspection, null if there was none
 */
public record ChangeAsked(String condemnedFor, boolean stopGap, PartUse film, Clouding looked) {

    /** The reason in a few words, empty where nothing asks for a change. {@code uvShare}: UV hours in a print hour. */
    public String why(Defaults defaults, double uvShare) {
        if (condemnedFor != null) {
            return "condemned: " + condemnedFor.toLowerCase(Locale.ROOT).replace('_', ' ');
        }
        if (stopGap) {
            return "a hole in it is only cured shut";
        }
        if (film.agedUnseen()) {
            return "past its age: %.0f of about %.0f %s"
                    .formatted(
                            film.life().replaceClock().of(film.usage()),
                            film.life().replaceAt(),
                            film.life().replaceClock().unit());
        }
        if (looked != null && looked.worn()) {
            return "looked " + looked.words().toLowerCase(Locale.ROOT);
        }
        double jobHours = defaults.value("job.typicalHours");
        double chance = film.failsWithin(jobHours, uvShare);
        return chance > defaults.value("watch.failureChance")
                ? "may fail: %.0f %% in a job of %.0f h".formatted(100 * chance, jobHours)
                : "";
    }
}
