package keel.app.base;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.Map;

/**
 * What somebody saw when they began to change something: a short sum of how it stood, carried by the form.
 *
 * @param sum empty for those that look at nothing before they write
 */
public record Seen(String sum) {

    public static final Seen NOTHING = new Seen("");

    private static final int BYTES = 8;

    /** As a form sent it; null counts as nothing. */
    public static Seen sent(String sum) {
        return sum == null ? NOTHING : new Seen(sum.strip());
    }

    /** @param stands how it stands, in the words of its form: label to value, in the form's order */
    public static Seen of(Map<String, ?> stands) {
        try {
            byte[] sum = MessageDigest.getInstance("SHA-256")
                    .digest(stands.toString().getBytes(StandardCharsets.UTF_8));
            return new Seen(HexFormat.of().formatHex(sum, 0, BYTES));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    /** @throws EditedMeanwhile if it stood otherwise; carries how it stands now */
    public void check(String what, Map<String, ?> stands) {
        if (!sum.isEmpty() && !equals(of(stands))) {
            throw new EditedMeanwhile(what, stands);
        }
    }
}
