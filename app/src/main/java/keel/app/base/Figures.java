package keel.app.base;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Locale;
import keel.core.stock.StockUnit;
import org.springframework.stereotype.Component;

/** Figures for pages: never more digits than are known. */
@Component("fig")
public class Figures {

    /** Hours: whole from ten on, one decimal below. */
    public String hours(Double hours) {
        return hours == null ? "–" : String.format(Locale.ROOT, Math.abs(hours) < 9.95 ? "%.1f" : "%.0f", hours);
    }

    /** A count with a thin space between thousands. */
    public String count(Number number) {
        return number == null
                ? "–"
                : String.format(Locale.ROOT, "%,d", number.longValue()).replace(',', '\u202f');
    }

    /** With so many decimals; zero has no sign. Null stays null. */
    public String fixed(Number number, int decimals) {
        if (number == null) {
            return null;
        }
        if (!Double.isFinite(number.doubleValue())) {
            return "–";
        }
        String shown = new BigDecimal(number.toString())
                .setScale(decimals, RoundingMode.HALF_EVEN)
                .toPlainString();
        boolean zero = shown.startsWith("-") && shown.chars().noneMatch(c -> c >= '1' && c <= '9');
        return zero ? shown.substring(1) : shown;
    }

    /** A quantity: decimals only where there are some. */
    public String plain(Number number) {
        if (number == null) {
            return "";
        }
        double value = number.doubleValue();
        return value == Math.rint(value)
                ? Long.toString((long) value)
                : String.format(Locale.ROOT, "%.3f", value).replaceAll("0+$", "");
    }

    /** With its unit, as in "1 bottle" and "2.5 litres". */
    public String counted(Number number, String unit) {
        return number == null ? "" : StockUnit.counted(number.doubleValue(), unit);
    }

    /** A number as it was typed, without a decimal point that says nothing. */
    public static String exact(double value) {
        return BigDecimal.valueOf(value).stripTrailingZeros().toPlainString();
    }

    /** Like "5 h 12" or "48 min". */
    public String duration(double seconds) {
        long minutes = Math.round(seconds / 60);
        return minutes < 60 ? minutes + " min" : minutes / 60 + " h %02d".formatted(minutes % 60);
    }

    /** Days to come, from the early to the late: "today", "in 3 days", "in 3 to 9 days". */
    public String ahead(double low, double high) {
        long from = Math.round(low);
        long to = Math.round(high);
        return to < 1
                ? "today"
                : from == to ? "in " + (to == 1 ? "a day" : to + " days") : "in " + from + " to " + to + " days";
    }

    public String percent(double share) {
        return share < 0.01 ? "<1" : String.format(Locale.ROOT, "%.0f", 100 * share);
    }

    /** Length of a bar of 100, for a share of {@code of}. */
    public int bar(double value, double of) {
        return of <= 0 ? 0 : (int) Math.round(Math.max(0, Math.min(1, value / of)) * 100);
    }

    /** MASK_LIKE to "mask like". */
    public String words(Object code) {
        return code == null ? "" : code.toString().toLowerCase(Locale.ROOT).replace('_', ' ');
    }
}
