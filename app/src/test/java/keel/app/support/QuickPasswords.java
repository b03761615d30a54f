package keel.app.support;

import java.util.Map;
import org.springframework.boot.test.context.TestConfiguration;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Primary;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.DelegatingPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.crypto.password.Pbkdf2PasswordEncoder;
import org.springframework.security.crypto.password.Pbkdf2PasswordEncoder.SecretKeyFactoryAlgorithm;

/** Passwords kept as the shop keeps them but for the rounds, which are slow on purpose. */
@TestConfiguration(proxyBeanMethods = false)
public class QuickPasswords {

    private static final String KIND = "pbkdf2@SpringSecurity_v5_8";

    @Bean
    @Primary
    PasswordEncoder quickPasswordEncoder() {
        return new DelegatingPasswordEncoder(
                KIND,
                Map.of(
                        KIND,
                        new Pbkdf2PasswordEncoder("", 16, 500, SecretKeyFactoryAlgorithm.PBKDF2WithHmacSHA256),
                        "bcrypt",
                        new BCryptPasswordEncoder(4)));
    }
}
