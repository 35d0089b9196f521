package orthopur.server.people;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpStatus;
import org.springframework.security.authorization.AuthorizationDecision;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.annotation.web.configurers.AbstractHttpConfigurer;
import org.springframework.security.config.annotation.web.configurers.HeadersConfigurer;
import org.springframework.security.core.Authentication;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.csrf.CookieCsrfTokenRepository;
import org.springframework.security.web.csrf.CsrfFilter;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.security.web.csrf.CsrfTokenRequestAttributeHandler;
import org.springframework.web.filter.OncePerRequestFilter;

@Configuration
class SecurityConfig {
    private static final Duration LONGEST = Duration.ofHours(24);
    private static final String CSP =
            "default-src 'self'; img-src 'self' data:; object-src 'none'; base-uri 'none';"
                    + " frame-ancestors 'none'; form-action 'self'";

    @Bean
    PasswordEncoder passwordEncoder() {
        return new BCryptPasswordEncoder();
    }

    @Bean
    SecurityContextRepository securityContexts() {
        return new HttpSessionSecurityContextRepository();
    }

    @Bean
    SecurityFilterChain chain(
            HttpSecurity http,
            SecurityContextRepository contexts,
            Accounts accounts,
            @Value("${orthopur.tls.self-signed:false}") boolean selfSigned)
            throws Exception {
        return http.authorizeHttpRequests(
                        a ->
                                a.requestMatchers(
                                                "/api/session",
                                                "/api/begin",
                                                "/api/certificate/**",
                                                "/api/openapi",
                                                "/api/schemas/**",
                                                "/api/tablets/this",
                                                "/api/due/calendar/*.ics",
                                                "/api/tonight/calendar/*.ics",
                                                "/api/tablets/enrol",
                                                "/api/tablets/session")
                                        .permitAll()
                                        .requestMatchers("/api/**")
                                        // Somebody who left is out at once, not at the next
                                        // sign-in.
                                        .access(
                                                (who, x) ->
                                                        new AuthorizationDecision(
                                                                who.get().getPrincipal()
                                                                                instanceof Person p
                                                                        && accounts.belongs(p)
                                                                        && recent(x.getRequest())))
                                        .anyRequest()
                                        .permitAll())
                .securityContext(s -> s.securityContextRepository(contexts))
                .csrf(
                        c ->
                                c.csrfTokenRepository(CookieCsrfTokenRepository.withHttpOnlyFalse())
                                        .csrfTokenRequestHandler(
                                                new CsrfTokenRequestAttributeHandler()))
                .addFilterAfter(new CsrfCookie(), CsrfFilter.class)
                .headers(
                        h -> {
                            h.contentSecurityPolicy(p -> p.policyDirectives(CSP));
                            if (selfSigned) {
                                // It would hold for every other program of this machine as well.
                                h.httpStrictTransportSecurity(
                                        HeadersConfigurer.HstsConfig::disable);
                            }
                        })
                .exceptionHandling(
                        e ->
                                e.authenticationEntryPoint(
                                                (request, response, x) ->
                                                        write(
                                                                response,
                                                                HttpStatus.UNAUTHORIZED,
                                                                "Please sign in."))
                                        .accessDeniedHandler(
                                                (request, response, x) -> {
                                                    if (request.getUserPrincipal()
                                                                    instanceof Authentication a
                                                            && a.getPrincipal() instanceof Person p
                                                            && (!accounts.belongs(p)
                                                                    || !recent(request))) {
                                                        write(
                                                                response,
                                                                HttpStatus.UNAUTHORIZED,
                                                                "This account was changed since, or you signed in more than a day ago. Please sign in again.");
                                                        return;
                                                    }
                                                    write(
                                                            response,
                                                            HttpStatus.FORBIDDEN,
                                                            "This page is out of date or not yours to use. Reload it.");
                                                }))
                .formLogin(AbstractHttpConfigurer::disable)
                .httpBasic(AbstractHttpConfigurer::disable)
                .logout(AbstractHttpConfigurer::disable)
                .build();
    }

    /** However busy it is, a session ends a day after it began. */
    private static boolean recent(HttpServletRequest request) {
        HttpSession session = request.getSession(false);
        return session == null
                || System.currentTimeMillis() - session.getCreationTime() < LONGEST.toMillis();
    }

    private static void write(HttpServletResponse response, HttpStatus status, String detail)
            throws IOException {
        response.setStatus(status.value());
        response.setContentType("application/problem+json");
        String body =
                "{\"title\":\"%s\",\"status\":%d,\"detail\":\"%s\",\"request\":\"%s\"}"
                        .formatted(
                                status.getReasonPhrase(),
                                status.value(),
                                detail,
                                response.getHeader("X-Request-Id"));
        response.getOutputStream().write(body.getBytes(StandardCharsets.UTF_8));
    }

    /** The token is made lazily; reading it sets the cookie that the web client sends back. */
    private static final class CsrfCookie extends OncePerRequestFilter {
        @Override
        protected void doFilterInternal(
                HttpServletRequest request, HttpServletResponse response, FilterChain chain)
                throws ServletException, IOException {
            if (request.getAttribute(CsrfToken.class.getName()) instanceof CsrfToken token) {
                token.getToken();
            }
            chain.doFilter(request, response);
        }
    }
}
