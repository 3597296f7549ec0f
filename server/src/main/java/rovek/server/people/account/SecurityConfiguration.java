package rovek.server.people.account;

import static org.springframework.http.HttpMethod.DELETE;
import static org.springframework.http.HttpMethod.GET;
import static org.springframework.http.HttpMethod.POST;
import static org.springframework.http.HttpMethod.PUT;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.security.access.hierarchicalroles.RoleHierarchy;
import org.springframework.security.access.hierarchicalroles.RoleHierarchyImpl;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.crypto.argon2.Argon2PasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.csrf.CsrfTokenRepository;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;
import org.springframework.session.SessionIdGenerator;
import org.springframework.session.web.http.CookieSerializer;

@Configuration
class SecurityConfiguration {

    /** Argon2id with 19 MiB, two passes, one lane: the first choice of the OWASP cheat sheet on storing passwords. */
    @Bean
    PasswordEncoder passwordEncoder() {
        return new Argon2PasswordEncoder(16, 32, 1, 19_456, 2);
    }

    @Bean
    SecurityContextRepository securityContextRepository() {
        return new HttpSessionSecurityContextRepository();
    }

    @Bean
    static RoleHierarchy roleHierarchy() {
        return RoleHierarchyImpl.fromHierarchy("""
                ROLE_ADMINISTRATOR > ROLE_REVIEWER
                ROLE_REVIEWER > ROLE_TECHNICIAN
                ROLE_TECHNICIAN > ROLE_VIEWER""");
    }

    @Bean
    CookieSerializer sessionCookie() {
        return GateCookies.ofSessions();
    }

    @Bean
    SessionIdGenerator sessionIds() {
        return new Unguessable();
    }

    @Bean
    CsrfTokenRepository csrfTokenRepository() {
        return GateCookies.ofTokens();
    }

    @Bean
    SecurityFilterChain security(HttpSecurity http, SecurityContextRepository contexts, CsrfTokenRepository tokens)
            throws Exception {
        return http.csrf(csrf -> csrf.spa().csrfTokenRepository(tokens))
                .securityContext(context -> context.securityContextRepository(contexts))
                .formLogin(form -> form.disable())
                .httpBasic(basic -> basic.disable())
                .logout(logout -> logout.disable())
                .requestCache(cache -> cache.disable())
                .exceptionHandling(
                        e -> e.authenticationEntryPoint(new RefusalAnswer()).accessDeniedHandler(new RefusalAnswer()))
                .headers(headers -> headers.contentSecurityPolicy(csp -> csp.policyDirectives(
                                "default-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data:; "
                                        + "object-src 'none'; base-uri 'none'; form-action 'self'; "
                                        + "frame-ancestors 'self'"))
                        .referrerPolicy(referrer -> referrer.policy(ReferrerPolicy.SAME_ORIGIN))
                        .permissionsPolicyHeader(permissions -> permissions.policy("geolocation=(), microphone=()"))
                        .frameOptions(frame -> frame.sameOrigin()))
                .authorizeHttpRequests(requests -> requests.requestMatchers("/api/session", "/api/openapi.json")
                        .permitAll()
                        .requestMatchers(POST, "/api/session/password")
                        .hasRole("VIEWER")
                        .requestMatchers(PUT, "/api/session/language", "/api/session/times", "/api/units/mine")
                        .hasRole("VIEWER")
                        .requestMatchers("/api/accounts/**")
                        .hasRole("ADMINISTRATOR")
                        .requestMatchers("/api/networks", "/api/makers-keys")
                        .hasRole("ADMINISTRATOR")
                        .requestMatchers(GET, "/api/audit/**")
                        .hasRole("TECHNICIAN")
                        .requestMatchers(POST, "/api/certificates/*/sign", "/api/certificates/*/withdraw")
                        .hasRole("REVIEWER")
                        .requestMatchers(PUT, "/api/policies", "/api/units/everybody")
                        .hasRole("REVIEWER")
                        .requestMatchers("/api/units/own")
                        .hasRole("REVIEWER")
                        .requestMatchers(POST, "/api/outline/**")
                        .hasRole("VIEWER")
                        .requestMatchers(GET, "/api/**")
                        .hasRole("VIEWER")
                        .requestMatchers("/api/**")
                        .hasRole("TECHNICIAN")
                        .requestMatchers(DELETE, "/**")
                        .denyAll()
                        .anyRequest()
                        .permitAll())
                .build();
    }
}
