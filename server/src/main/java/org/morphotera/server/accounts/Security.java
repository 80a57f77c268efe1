package org.morphotera.server.accounts;

import static org.springframework.http.HttpStatus.FORBIDDEN;
import static org.springframework.http.HttpStatus.UNAUTHORIZED;

import jakarta.servlet.http.HttpServletResponse;
import org.morphotera.server.web.OpenCalls;
import org.morphotera.server.web.ProblemWriter;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpMethod;
import org.springframework.security.authentication.AuthenticationServiceException;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.annotation.web.configurers.AbstractHttpConfigurer;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.authentication.UsernamePasswordAuthenticationFilter;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;

/** Session cookie, CSRF token for every write, bcrypt, strict headers. */
@Configuration
class Security {

    /** Inline styles only, for parts that position themselves; no script but our own. */
    private static final String CONTENT_POLICY =
            "default-src 'self'; script-src 'self'; style-src 'self' 'unsafe-inline'; "
                    + "img-src 'self' data: blob:; font-src 'self'; connect-src 'self'; object-src 'none'; base-uri 'self'; "
                    + "form-action 'self'; frame-ancestors 'none'";

    @Bean
    PasswordEncoder passwordEncoder() {
        return new BCryptPasswordEncoder();
    }

    @Bean
    UserDetailsService people(AccountMapper accounts) {
        return email -> {
            Person person = accounts.byEmail(email.strip().toLowerCase(java.util.Locale.ROOT));
            if (person == null) {
                throw new UsernameNotFoundException("nobody");
            }
            return new Advisor(person);
        };
    }

    @Bean
    SecurityFilterChain chain(HttpSecurity http, ProblemWriter problems, SignInDelays delays) throws Exception {
        http.authorizeHttpRequests(requests -> requests.requestMatchers(OpenCalls::matches)
                        .permitAll()
                        .requestMatchers(
                                HttpMethod.GET,
                                "/api/methods",
                                "/api/methods/*",
                                "/api/calculators",
                                "/api/core-data",
                                "/api/calendars/*")
                        .permitAll()
                        .requestMatchers("/api/session", "/api/openapi", "/actuator/health")
                        .permitAll()
                        .requestMatchers("/api/**", "/actuator/**")
                        .hasRole("ADVISOR")
                        .anyRequest()
                        .permitAll())
                .csrf(csrf -> csrf.spa().ignoringRequestMatchers(OpenCalls::matches))
                .formLogin(form -> form.loginPage("/sign-in")
                        .loginProcessingUrl("/api/session")
                        .usernameParameter("email")
                        .passwordParameter("password")
                        .successHandler(
                                (request, response, who) -> response.setStatus(HttpServletResponse.SC_NO_CONTENT))
                        .failureHandler((request, response, why) -> {
                            if (why instanceof AuthenticationServiceException) {
                                // the database could not be asked: that says nothing of the password
                                throw why;
                            }
                            problems.write(response, UNAUTHORIZED, "This address and password don't belong together.");
                        }))
                .logout(out -> out.logoutUrl("/api/session/end").logoutSuccessHandler((request, response, who) -> {
                    // what the browser kept of private answers goes with the session
                    response.setHeader("Clear-Site-Data", "\"cache\"");
                    response.setStatus(HttpServletResponse.SC_NO_CONTENT);
                }))
                .exceptionHandling(errors -> errors.authenticationEntryPoint(
                                (request, response, why) -> problems.write(response, UNAUTHORIZED, "Sign in first."))
                        .accessDeniedHandler((request, response, why) -> problems.write(
                                response,
                                FORBIDDEN,
                                "This request carries no valid token. Reload the page and send again.")))
                .addFilterBefore(new SignInFilter(delays, problems), UsernamePasswordAuthenticationFilter.class)
                .httpBasic(AbstractHttpConfigurer::disable)
                .requestCache(AbstractHttpConfigurer::disable)
                .headers(headers -> headers.contentSecurityPolicy(policy -> policy.policyDirectives(CONTENT_POLICY))
                        .referrerPolicy(referrer -> referrer.policy(ReferrerPolicy.SAME_ORIGIN))
                        .permissionsPolicyHeader(
                                policy -> policy.policy("camera=(self), geolocation=(self), microphone=()"))
                        .frameOptions(frame -> frame.deny()));
        return http.build();
    }
}
