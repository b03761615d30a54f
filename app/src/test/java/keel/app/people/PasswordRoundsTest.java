package keel.app.people;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.crypto.password.Pbkdf2PasswordEncoder;
import org.springframework.security.crypto.password.Pbkdf2PasswordEncoder.SecretKeyFactoryAlgorithm;

/** How the shop keeps passwords; the other tests keep them with fewer rounds. */
class PasswordRoundsTest {

    private static final String KIND = "{pbkdf2@SpringSecurity_v5_8}";

    private final PasswordEncoder encoder = new Security().passwordEncoder();

    /** 310,000 rounds of HMAC-SHA256 over a salt of 16 bytes: OWASP's cheat sheet of 2021, from memory. */
    @Test
    void aPasswordIsKeptWithManyRounds() {
        String kept = encoder.encode("reeds and salt water");
        assertThat(kept).startsWith(KIND);
        assertThat(new Pbkdf2PasswordEncoder("", 16, 310_000, SecretKeyFactoryAlgorithm.PBKDF2WithHmacSHA256)
                        .matches("reeds and salt water", kept.substring(KIND.length())))
                .isTrue();
        assertThat(encoder.matches("reeds and salt water", kept)).isTrue();
        assertThat(encoder.matches("reeds and salt-water", kept)).isFalse();
    }

    /** A published vector of the way in which the first releases kept them; from memory. */
    @Test
    void whatTheFirstReleasesKeptStillOpens() {
        String kept = "{bcrypt}$2a$06$If6bvum7DFjUnE9p2uDeDu0YHzrHM6tf.iqN8.yx.jNN1ILEf7h0i";
        assertThat(encoder.matches("abc", kept)).isTrue();
        assertThat(encoder.matches("abd", kept)).isFalse();
        assertThat(encoder.upgradeEncoding(kept)).isTrue();
    }
}
