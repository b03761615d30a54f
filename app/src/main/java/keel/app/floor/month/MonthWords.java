package keel.app.floor.month;

import java.time.YearMonth;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import keel.app.base.Figures;
import keel.core.rate.RateDifference;
import keel.core.rate.RateDifference.Verdict;
import keel.core.rate.SuccessRate;

/** What is to be known of a month, in sentences. */
final class MonthWords {

    private static final Figures FIG = new Figures();
    private static final DateTimeFormatter NAME = DateTimeFormatter.ofPattern("MMMM", Locale.ENGLISH);

    private MonthWords() {}

    static List<String> of(
            YearMonth month, MonthReport.Numbers now, MonthReport.Numbers before, List<MonthReport.Cause> causes) {
        String name = NAME.format(month);
        if (now.prints() == 0) {
            return List.of("No print that began in " + name + " has ended.");
        }
        List<String> says = new ArrayList<>();
        says.add(prints(now.prints()) + ", " + (now.failed() == 0 ? "all" : String.valueOf(now.cameOut())) + " came out"
                + (now.failed() == 0 ? "." : ": " + FIG.percent(now.share()) + " %."));
        if (before.prints() > 0) {
            says.add(compared(now, before, NAME.format(month.minusMonths(1))));
        }
        if (now.perGood() != null) {
            says.add("Each that came out cost " + FIG.fixed(now.perGood(), 2)
                    + (before.perGood() == null ? "" : ", " + FIG.fixed(before.perGood(), 2) + " the month before")
                    + "; " + FIG.fixed(now.lost(), 0) + " of " + FIG.fixed(now.cost(), 0)
                    + " went into prints that did not.");
        }
        if (!causes.isEmpty() && causes.get(0).lost() > 0) {
            MonthReport.Cause most = causes.get(0);
            says.add("Most was lost by: " + most.name() + ", " + FIG.fixed(most.lost(), 0) + " in "
                    + prints(most.prints()) + ".");
        }
        return says;
    }

    private static String prints(int number) {
        return number == 1 ? "1 print" : number + " prints";
    }

    /** The two shares, and whether they differ by more than chance would have it. */
    private static String compared(MonthReport.Numbers now, MonthReport.Numbers before, String month) {
        boolean tells = RateDifference.between(rate(now), rate(before)).verdict() != Verdict.CANNOT_TELL;
        return month + ": " + before.cameOut() + " of " + before.prints() + " came out, " + FIG.percent(before.share())
                + " %; the difference is " + (tells ? "more than chance." : "no more than chance.");
    }

    private static SuccessRate rate(MonthReport.Numbers n) {
        return SuccessRate.of(n.cameOut(), n.prints());
    }
}
