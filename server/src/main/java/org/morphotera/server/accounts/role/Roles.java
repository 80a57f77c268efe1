package org.morphotera.server.accounts.role;

import jakarta.servlet.DispatcherType;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.lang.annotation.Annotation;
import java.lang.reflect.Method;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;
import org.morphotera.server.accounts.Advisor;
import org.morphotera.server.web.ProblemWriter;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.annotation.AnnotatedElementUtils;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** Lets a call through for whom it is declared, and nobody else. */
@Configuration
public class Roles implements WebMvcConfigurer, HandlerInterceptor {

    /**
     * Who may make a call.
     *
     * @param least {@code null} where it is open to all
     */
    public record Rule(boolean open, @Nullable Role least, List<Role> also) {

        public boolean allows(@Nullable Role role) {
            return open || role != null && (least != null && role.ordinal() >= least.ordinal() || also.contains(role));
        }
    }

    private static final Rule UNDECLARED = new Rule(false, null, List.of());
    private static final String OURS = "org.morphotera.";

    private final Map<Method, Rule> rules = new ConcurrentHashMap<>();
    private final ProblemWriter problems;

    Roles(ProblemWriter problems) {
        this.problems = problems;
    }

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(this).addPathPatterns("/api/**");
    }

    /** What a call declares, on itself or on its class; nobody may make one that declares nothing. */
    public static Rule ruleOf(HandlerMethod call) {
        Rule own = rule(
                AnnotatedElementUtils.findMergedAnnotation(call.getMethod(), OpenToAll.class),
                AnnotatedElementUtils.findMergedAnnotation(call.getMethod(), RequiresRole.class));
        return own != UNDECLARED
                ? own
                : rule(
                        AnnotatedElementUtils.findMergedAnnotation(call.getBeanType(), OpenToAll.class),
                        AnnotatedElementUtils.findMergedAnnotation(call.getBeanType(), RequiresRole.class));
    }

    private static Rule rule(@Nullable Annotation open, @Nullable RequiresRole least) {
        if (open != null) {
            return new Rule(true, null, List.of());
        }
        return least == null ? UNDECLARED : new Rule(false, least.value(), List.of(least.also()));
    }

    @Override
    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler)
            throws IOException {
        boolean again = request.getDispatcherType() != DispatcherType.REQUEST;
        if (again
                || !(handler instanceof HandlerMethod call)
                || !call.getBeanType().getName().startsWith(OURS)) {
            return true;
        }
        Rule rule = rules.computeIfAbsent(call.getMethod(), method -> ruleOf(call));
        Advisor who = signedIn();
        if (rule.allows(who == null ? null : who.role())) {
            return true;
        }
        if (who == null) {
            problems.write(response, HttpStatus.UNAUTHORIZED, "Sign in first.");
        } else {
            problems.write(
                    response,
                    HttpStatus.FORBIDDEN,
                    "This is not for a " + who.role().word()
                            + " to do. Ask the owner of the practice, who can change roles.");
        }
        return false;
    }

    private static @Nullable Advisor signedIn() {
        Authentication authentication = SecurityContextHolder.getContext().getAuthentication();
        return authentication != null && authentication.getPrincipal() instanceof Advisor who ? who : null;
    }
}
