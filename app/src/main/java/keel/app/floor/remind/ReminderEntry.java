package keel.app.floor.remind;

import java.time.LocalTime;
import java.util.EnumSet;
import java.util.Set;
import keel.core.Findings;
import keel.core.round.RemindOf;

/**
 * What somebody wants, as it is entered.
 *
 * @param atPage whether an open page says so, {@code sound} whether it is heard
 * @param mail where mail goes; null or empty for none
 * @param quietFrom both null for no quiet hours
 * @param then id of the person to whom it is passed on; null for nobody
 */
public record ReminderEntry(
        Set<RemindOf> of,
        boolean atPage,
        boolean sound,
        String mail,
        LocalTime quietFrom,
        LocalTime quietTo,
        Long then,
        int afterMinutes) {

    static final int AFTER_MINUTES = 30;
    private static final int MOST_MINUTES = 1440;
    private static final int LONGEST_MAIL = 200;

    /** While somebody said nothing: what cannot wait, at an open page only. */
    static final ReminderEntry USUAL = new ReminderEntry(
            EnumSet.of(RemindOf.AIR, RemindOf.LOOKS, RemindOf.ENDS, RemindOf.WASH),
            true,
            false,
            null,
            null,
            null,
            null,
            AFTER_MINUTES);

    Findings findings(long person) {
        Findings findings = new Findings();
        boolean mailed = mail != null && !mail.isBlank();
        findings.when(
                mailed && (mail.length() > LONGEST_MAIL || !mail.strip().matches("[^@\\s,;<>]+@[^@\\s,;<>]+")),
                "mail",
                "This is no mail address: " + mail + ".");
        findings.when((quietFrom == null) != (quietTo == null), "quietTo", "Quiet hours have a begin and an end.");
        findings.when(then != null && then == person, "then", "Pass it on to somebody else.");
        findings.when(then != null && !mailed, "then", "What is passed on is what went out by mail: name an address.");
        findings.range((double) afterMinutes, 1, MOST_MINUTES, "afterMinutes", "The wait", "min");
        return findings;
    }
}
