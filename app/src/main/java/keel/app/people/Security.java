package keel.app.people;

import jakarta.servlet.DispatcherType;
import keel.app.base.ProblemAnswer;
import org.springframework.boot.autoconfigure.security.servlet.PathRequest;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.security.authentication.LockedException;
import org.springframework.security.config.Customizer;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.http.SessionCreationPolicy;
import org.springframework.security.crypto.factory.PasswordEncoderFactories;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.authentication.AnonymousAuthenticationFilter;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;
import org.springframework.security.web.util.matcher.AntPathRequestMatcher;

/** Who gets in: the open interface by token, pages by sign-in; no inline script, no framing, everything from here. */
@Configuration
class Security {

    private static final String CONTENT =
            "default-src 'self'; img-src 'self' data: blob:; object-src 'none'; base-uri 'self'; "
                    + "form-action 'self'; frame-ancestors 'none'";

    @Bean
    PasswordEncoder passwordEncoder() {
        return PasswordEncoderFactories.createDelegatingPasswordEncoder();
    }

    @Bean
    @Order(1)
    SecurityFilterChain openInterface(HttpSecurity http, People people) throws Exception {
        return http.securityMatcher("/api/**")
                .csrf(csrf -> csrf.disable())
                .sessionManagement(s -> s.sessionCreationPolicy(SessionCreationPolicy.STATELESS))
                .addFilterBefore(new TokenFilter(people), AnonymousAuthenticationFilter.class)
                .authorizeHttpRequests(a -> a.requestMatchers("/api/docs/**", "/api/docs")
                        .permitAll()
                        .anyRequest()
                        .authenticated())
                .headers(Security::headers)
                .exceptionHandling(e -> e.authenticationEntryPoint((request, response, reason) -> {
                    response.setHeader("WWW-Authenticate", "Bearer");
                    ProblemAnswer.write(
                            response, HttpStatus.UNAUTHORIZED, "A valid token is needed: Authorization: Bearer …");
                }))
                .build();
    }

    @Bean
    @Order(2)
    SecurityFilterChain pages(HttpSecurity http, People people) throws Exception {
        return http.authorizeHttpRequests(a -> a.dispatcherTypeMatchers(DispatcherType.ERROR, DispatcherType.FORWARD)
                        .permitAll()
                        .requestMatchers(PathRequest.toStaticResources().atCommonLocations())
                        .permitAll()
                        .requestMatchers("/static/**", "/webjars/**", "/first", "/sign-in", "/error", "/control/**")
                        .permitAll()
                        .anyRequest()
                        .authenticated())
                .csrf(csrf -> csrf.ignoringRequestMatchers(new AntPathRequestMatcher("/control/**")))
                .formLogin(f -> f.loginPage("/sign-in")
                        .defaultSuccessUrl("/fleet")
                        .failureHandler((request, response, e) -> response.sendRedirect(
                                e instanceof LockedException ? "/sign-in?slow" : "/sign-in?wrong")))
                .logout(l -> l.logoutUrl("/sign-out").logoutSuccessUrl("/sign-in?out"))
                .addFilterBefore(new FirstRunFilter(people), AnonymousAuthenticationFilter.class)
                .addFilterBefore(new StillHereFilter(people), AnonymousAuthenticationFilter.class)
                .headers(Security::headers)
                .build();
    }

    private static void headers(
            org.springframework.security.config.annotation.web.configurers.HeadersConfigurer<HttpSecurity> headers) {
        headers.contentSecurityPolicy(c -> c.policyDirectives(CONTENT))
                .referrerPolicy(r -> r.policy(ReferrerPolicy.SAME_ORIGIN))
                .cacheControl(Customizer.withDefaults())
                .frameOptions(f -> f.deny());
    }
}
