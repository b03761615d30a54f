package keel.core.standing;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** What the logbook says of work that changes no part: a sentence without its first capital. */
public final class ServiceWords {

    private ServiceWords() {}

    /** @param vat code of the vat, where it is on no machine; null otherwise */
    public static String of(ServiceValues v, String vat) {
        return switch (v.kind()) {
            case PLATE_CLEARED -> plateCleared(v);
            case CLEAN_UP -> cleanUp(v);
            case VAT_INSPECTED -> inspected("vat" + (vat == null ? "" : " " + vat), v);
            case SCREEN_INSPECTED -> inspected("screen", v);
            case WINDOW_INSPECTED ->
                "optical window " + (v.yes("clean") ? "spotless" : "not clean") + said(v, "wiped", ", wiped") + ".";
            case DRY_RUN -> dryRun(v);
            case LEVELLING -> "levelled, " + v.words("school") + ".";
            case PLATE_WORK -> "plate: " + v.words("work") + ".";
            case FILM_CLEANED ->
                "film cleaned, " + v.words("cleaner") + said(v, "ultrasonic", ", ultrasonic bath") + ".";
            case HOLE_CURED ->
                "small hole in the film cured shut"
                        + (v.number("sizeMm") == null
                                ? ""
                                : String.format(Locale.ROOT, ", about %.1f mm", v.number("sizeMm")))
                        + "; a stop-gap.";
            case LUBRICATION -> "lubricated: " + v.words("part") + ".";
            case KEPT_IN_USE -> v.words("part") + " kept in use as it is: " + v.text("reason") + ".";
            case FIRMWARE -> "firmware " + v.text("version") + ".";
            default -> v.kind().done().toLowerCase(Locale.ROOT) + ".";
        };
    }

    private static String plateCleared(ServiceValues v) {
        Double left = v.number("resinLeftMl");
        return "plate cleared" + said(v, "sieved", ", resin sieved")
                + (left == null ? "" : ", " + Math.round(left) + " ml left in the vat")
                + (v.yes("burr") ? "; a burr was felt." : ".");
    }

    private static String cleanUp(ServiceValues v) {
        return "cleaned up, " + ("QUICK".equals(v.text("way")) ? "quick way" : "full way")
                + said(v, "sieved", ", resin sieved")
                + said(v, "emptied", ", vat emptied")
                + ml(v, "returnedMl", "back into " + (v.has("bottle") ? v.text("bottle") : "a bottle"))
                + ml(v, "lostMl", "of resin lost")
                + said(v, "plateWiped", ", whole plate wiped")
                + ("BACK".equals(v.text("scraped")) ? ", scrapings went back into the bottle" : "")
                + ".";
    }

    private static String ml(ServiceValues v, String field, String words) {
        Double ml = v.number(field);
        return ml == null || ml == 0 ? "" : ", " + Math.round(ml) + " ml " + words;
    }

    private static String inspected(String what, ServiceValues v) {
        List<String> found = new ArrayList<>(v.texts("found"));
        v.kinds("spots").forEach((kind, n) -> found.add(spots(kind, n)));
        Double notSeen = v.number("notSeen");
        return what + " inspected: "
                + (v.yes("clean") ? "clean and whole" : "not in order")
                + (found.isEmpty() ? "" : " (" + String.join(", ", found) + ")")
                + (notSeen == null ? "" : ", " + Math.max(1, Math.round(100 * notSeen)) + " % of it not seen")
                + ".";
    }

    private static String spots(String kind, long n) {
        return n + " "
                + switch (kind) {
                    case "DARK" -> n == 1 ? "spot stays dark" : "spots stay dark";
                    case "LIT" -> n == 1 ? "spot stays lit" : "spots stay lit";
                    case "LINE" -> n == 1 ? "dead line" : "dead lines";
                    case "DIM" -> n == 1 ? "region with less light" : "regions with less light";
                    default -> n == 1 ? "spot" : "spots";
                };
    }

    private static String dryRun(ServiceValues v) {
        Double layer = v.number("layer");
        return "dry run" + (v.has("file") ? " of " + v.text("file") : "") + ": " + v.words("seen")
                + (layer == null ? "" : ", from layer " + Math.round(layer)) + ".";
    }

    private static String said(ServiceValues v, String field, String words) {
        return v.yes(field) ? words : "";
    }
}
