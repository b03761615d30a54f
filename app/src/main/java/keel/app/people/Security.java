package keel.app.people;

import jakarta.servlet.DispatcherType;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Map;
import keel.app.base.ProblemAnswer;
import org.springframework.boot.autoconfigure.security.servlet.PathRequest;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpMethod;
import org.springframework.http.HttpStatus;
import org.springframework.security.authentication.LockedException;
import org.springframework.security.config.Customizer;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.http.SessionCreationPolicy;
import org.springframework.security.core.Authentication;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.DelegatingPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.crypto.password.Pbkdf2PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.authentication.AnonymousAuthenticationFilter;
import org.springframework.security.web.authentication.AuthenticationSuccessHandler;
import org.springframework.security.web.authentication.LoginUrlAuthenticationEntryPoint;
import org.springframework.security.web.authentication.SavedRequestAwareAuthenticationSuccessHandler;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;
import org.springframework.security.web.util.matcher.AndRequestMatcher;
import org.springframework.security.web.util.matcher.AntPathRequestMatcher;
import org.springframework.security.web.util.matcher.NegatedRequestMatcher;
import org.springframework.security.web.util.matcher.RequestMatcher;

/** Who gets in: the open interface by token, pages by sign-in; no inline script, no framing, everything from here. */
@Configuration
class Security {

    private static final String CONTENT =
            "default-src 'self'; img-src 'self' data: blob:; object-src 'none'; base-uri 'self'; "
                    + "form-action 'self'; frame-ancestors 'none'";

    /** Takes passwords of any length in any alphabet; those kept as the first releases did go over at a sign-in. */
    @Bean
    PasswordEncoder passwordEncoder() {
        String mine = "pbkdf2@SpringSecurity_v5_8";
        return new DelegatingPasswordEncoder(
                mine,
                Map.of(
                        mine,
                        Pbkdf2PasswordEncoder.defaultsForSpringSecurity_v5_8(),
                        "bcrypt",
                        new BCryptPasswordEncoder()));
    }

    @Bean
    @Order(1)
    SecurityFilterChain openInterface(HttpSecurity http, People people) throws Exception {
        return http.securityMatcher(new AndRequestMatcher(
                        request -> request.getRequestURI().startsWith("/api/")
                                || request.getRequestURI().equals(TokenScope.CALENDAR_PATH),
                        new NegatedRequestMatcher(signedInDocs())))
                .csrf(csrf -> csrf.disable())
                .sessionManagement(s -> s.sessionCreationPolicy(SessionCreationPolicy.STATELESS))
                .addFilterBefore(new TokenFilter(people), AnonymousAuthenticationFilter.class)
                .authorizeHttpRequests(a -> a.anyRequest().authenticated())
                .headers(Security::headers)
                .exceptionHandling(e -> e.authenticationEntryPoint((request, response, reason) -> {
                    response.setHeader("WWW-Authenticate", "Bearer");
                    ProblemAnswer.write(
                            response, HttpStatus.UNAUTHORIZED, "A valid token is needed: Authorization: Bearer …");
                }))
                .build();
    }

    /** What programs can ask for is read by people who are signed in, and by programs with their token. */
    private static RequestMatcher signedInDocs() {
        return request ->
                request.getRequestURI().startsWith("/api/docs") && request.getHeader(HttpHeaders.AUTHORIZATION) == null;
    }

    @Bean
    @Order(2)
    SecurityFilterChain pages(HttpSecurity http, People people, Sitting sitting, IdleTime idle) throws Exception {
        return http.authorizeHttpRequests(a -> a.dispatcherTypeMatchers(DispatcherType.ERROR, DispatcherType.FORWARD)
                        .permitAll()
                        .requestMatchers(PathRequest.toStaticResources().atCommonLocations())
                        .permitAll()
                        .requestMatchers(
                                "/static/**",
                                "/webjars/**",
                                "/manifest.webmanifest",
                                "/worker.js",
                                "/first",
                                "/sign-in",
                                "/error",
                                "/control/**")
                        .permitAll()
                        .requestMatchers(HttpMethod.GET, OpenPages.EMERGENCY)
                        .permitAll()
                        .anyRequest()
                        .authenticated())
                .csrf(csrf -> csrf.ignoringRequestMatchers(new AntPathRequestMatcher("/control/**")))
                .formLogin(f -> f.loginPage("/sign-in")
                        .successHandler(cameIn(sitting))
                        .failureHandler((request, response, e) -> response.sendRedirect(
                                e instanceof LockedException ? "/sign-in?slow" : "/sign-in?wrong")))
                .logout(l -> l.logoutUrl("/sign-out").logoutSuccessUrl("/sign-in?out"))
                .addFilterBefore(new FirstRunFilter(people), AnonymousAuthenticationFilter.class)
                .addFilterBefore(new StillHereFilter(people), AnonymousAuthenticationFilter.class)
                .addFilterBefore(new LockFilter(sitting, idle), AnonymousAuthenticationFilter.class)
                .exceptionHandling(e -> e.accessDeniedHandler(new Door())
                        .defaultAuthenticationEntryPointFor(
                                (request, response, reason) -> Door.shut(response, "sign-in"), Door::asksForAPiece)
                        .defaultAuthenticationEntryPointFor(
                                new LoginUrlAuthenticationEntryPoint("/sign-in"), request -> true))
                .headers(Security::headers)
                .build();
    }

    private static AuthenticationSuccessHandler cameIn(Sitting sitting) {
        SavedRequestAwareAuthenticationSuccessHandler handler = new SavedRequestAwareAuthenticationSuccessHandler() {
            @Override
            public void onAuthenticationSuccess(
                    HttpServletRequest request, HttpServletResponse response, Authentication who)
                    throws ServletException, IOException {
                sitting.opened(request, true);
                super.onAuthenticationSuccess(request, response, who);
            }
        };
        handler.setDefaultTargetUrl("/fleet");
        return handler;
    }

    /** A promise that a name is reached by HTTPS only is for names that are somebody's, not for this machine's own. */
    private static boolean realHost(HttpServletRequest request) {
        String host = request.getServerName();
        return request.isSecure() && host.contains(".") && !host.matches("[\\d.]+") && !host.contains(":");
    }

    private static void headers(
            org.springframework.security.config.annotation.web.configurers.HeadersConfigurer<HttpSecurity> headers) {
        headers.contentSecurityPolicy(c -> c.policyDirectives(CONTENT))
                .referrerPolicy(r -> r.policy(ReferrerPolicy.SAME_ORIGIN))
                .cacheControl(Customizer.withDefaults())
                .httpStrictTransportSecurity(h -> h.requestMatcher(Security::realHost))
                .frameOptions(f -> f.deny());
    }
}
