package org.morphotera.server.accounts.session;

import static org.springframework.http.HttpStatus.FORBIDDEN;
import static org.springframework.http.HttpStatus.UNAUTHORIZED;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import org.jspecify.annotations.Nullable;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.accounts.people.AccountMapper;
import org.morphotera.server.accounts.people.Person;
import org.morphotera.server.accounts.practice.Happened;
import org.morphotera.server.web.OpenCalls;
import org.morphotera.server.web.ProblemWriter;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.env.Environment;
import org.springframework.http.HttpMethod;
import org.springframework.security.authentication.AuthenticationManager;
import org.springframework.security.authentication.AuthenticationServiceException;
import org.springframework.security.authentication.ProviderManager;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.annotation.web.configurers.AbstractHttpConfigurer;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.authentication.UsernamePasswordAuthenticationFilter;
import org.springframework.security.web.context.SecurityContextHolderFilter;
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

    /** Nobody of a practice that was closed is found. */
    @Bean
    UserDetailsService people(AccountMapper accounts) {
        return email -> {
            Person person = accounts.byEmail(SignIns.plain(email));
            if (person == null || accounts.status(person.id()).closedAt() != null) {
                throw new UsernameNotFoundException("nobody");
            }
            return new Advisor(person);
        };
    }

    @Bean
    AuthenticationManager signIns(
            UserDetailsService people, AccountMapper accounts, PasswordEncoder encoder, Authenticator authenticator) {
        return new ProviderManager(new SignIns(people, accounts, encoder, authenticator));
    }

    /** Whose address was given, if anybody's. */
    private static @Nullable Person named(HttpServletRequest request, AccountMapper accounts) {
        String email = request.getParameter("email");
        return email == null ? null : accounts.byEmail(SignIns.plain(email));
    }

    /** What came in by a port of its own for the server's figures, which is open to this machine only. */
    private static boolean isFigures(HttpServletRequest request, Environment environment) {
        Integer own = environment.getProperty("local.management.port", Integer.class);
        Integer main = environment.getProperty("local.server.port", Integer.class);
        return own != null
                && !own.equals(main)
                && request.getLocalPort() == own
                && request.getRequestURI().startsWith("/actuator/");
    }

    @Bean
    SecurityFilterChain chain(
            HttpSecurity http,
            ProblemWriter problems,
            SignInDelays delays,
            AccountMapper accounts,
            PresentPeople present,
            AuthenticationManager signIns,
            ApplicationEventPublisher happenings,
            Environment environment)
            throws Exception {
        http.authenticationManager(signIns)
                .authorizeHttpRequests(requests -> requests.requestMatchers(OpenCalls::matches)
                        .permitAll()
                        .requestMatchers(
                                HttpMethod.GET,
                                "/api/methods",
                                "/api/methods/*",
                                "/api/calculators",
                                "/api/core-data",
                                "/api/calendars/*")
                        .permitAll()
                        .requestMatchers("/api/session", "/api/invited/*", "/api/openapi", "/actuator/health")
                        .permitAll()
                        // with which role is declared at each call
                        .requestMatchers("/api/**")
                        .authenticated()
                        .requestMatchers(request -> isFigures(request, environment))
                        .permitAll()
                        .requestMatchers("/actuator/**")
                        .denyAll()
                        .anyRequest()
                        .permitAll())
                .csrf(csrf -> csrf.spa().ignoringRequestMatchers(OpenCalls::matches))
                .formLogin(form -> form.loginPage("/sign-in")
                        .loginProcessingUrl("/api/session")
                        .usernameParameter("email")
                        .passwordParameter("password")
                        .authenticationDetailsSource(SignIns.Details::new)
                        .successHandler((request, response, who) -> {
                            OpenSessions.note(request);
                            Advisor advisor = (Advisor) who.getPrincipal();
                            happenings.publishEvent(
                                    Happened.to(advisor, "sign-in", "person", advisor.id(), request.getRemoteAddr()));
                            response.setStatus(HttpServletResponse.SC_NO_CONTENT);
                        })
                        .failureHandler((request, response, why) -> {
                            if (why instanceof AuthenticationServiceException) {
                                // the database could not be asked: that says nothing of the password
                                throw why;
                            }
                            if (why instanceof SignIns.CodeNeeded code) {
                                request.setAttribute(SignInFilter.NOT_GUESSED, !code.isWrong());
                                problems.write(
                                        response,
                                        UNAUTHORIZED,
                                        code.isWrong()
                                                ? "This code is not right, or was used before. Wait for the next one."
                                                : "Give the code that your authenticator shows.",
                                        "CODE_NEEDED");
                                return;
                            }
                            Person person = named(request, accounts);
                            if (person != null) {
                                happenings.publishEvent(new Happened(
                                        person.practiceId(),
                                        person.id(),
                                        "failed",
                                        "sign-in",
                                        person.id(),
                                        request.getRemoteAddr()));
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
                .addFilterAfter(new PresentPerson(present, problems), SecurityContextHolderFilter.class)
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
