package keel.app.people;

import com.nulabinc.zxcvbn.Strength;
import com.nulabinc.zxcvbn.Zxcvbn;
import java.util.List;
import java.util.Set;
import keel.core.Findings;

/**
 * Which passwords and PINs are taken: passwords by length and by how many guesses they stand (zxcvbn), in any alphabet;
 * PINs but the ones that everybody tries first.
 */
final class SecretRules {

    static final int SHORTEST = 12;
    static final int LONGEST = 200;
    private static final int LEAST_STRENGTH = 3;
    private static final int MEASURED = 100;
    private static final Set<String> OFTEN = Set.of("1004", "2580", "0852", "1313", "6969", "1379", "159753", "147258");

    private static final Zxcvbn MEASURE = new Zxcvbn();

    private SecretRules() {}

    /** @param known names that somebody who guesses knows too */
    static void password(String password, List<String> known, Findings findings) {
        int length = password == null ? 0 : password.codePointCount(0, password.length());
        if (length < SHORTEST || length > LONGEST) {
            findings.add("password", "A password has 12 characters or more, 200 at most.");
            return;
        }
        Strength strength = MEASURE.measure(password.substring(0, Math.min(MEASURED, password.length())), known);
        findings.when(
                strength.getScore() < LEAST_STRENGTH,
                "password",
                "That is guessed too soon. Four words that have nothing to do with each other are hard to guess and "
                        + "easy to keep.");
    }

    static void pin(String pin, Findings findings) {
        if (pin == null || pin.isBlank()) {
            return;
        }
        if (!pin.matches("[0-9]{4,8}")) {
            findings.add("pin", "A PIN has four to eight digits.");
        } else {
            findings.when(
                    triedFirst(pin), "pin", "That PIN is one of those that everybody tries first. Choose another.");
        }
    }

    private static boolean triedFirst(String pin) {
        return OFTEN.contains(pin)
                || pin.matches("(\\d)\\1*")
                || pin.matches("(\\d\\d)\\1+")
                || pin.matches("(\\d)\\1(\\d)\\2")
                || pin.matches("(19|20)\\d\\d")
                || inARow(pin, 1)
                || inARow(pin, -1);
    }

    private static boolean inARow(String pin, int step) {
        for (int i = 1; i < pin.length(); i++) {
            if ((pin.charAt(i - 1) - '0' + step + 10) % 10 != pin.charAt(i) - '0') {
                return false;
            }
        }
        return true;
    }
}
