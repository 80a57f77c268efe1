package org.morphotera.server;

import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import org.morphotera.server.accounts.role.Roles;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.mvc.method.RequestMappingInfo;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/** The calls that an application answers, and who may make each. */
public final class Calls {

    private Calls() {}

    /** By method in small letters and path, as in the API's description. */
    public static Map<String, Roles.Rule> rules(OwnApp app) {
        return rules(app.bean("requestMappingHandlerMapping", RequestMappingHandlerMapping.class));
    }

    public static Map<String, Roles.Rule> rules(RequestMappingHandlerMapping mappings) {
        Map<String, Roles.Rule> rules = new TreeMap<>();
        for (Map.Entry<RequestMappingInfo, HandlerMethod> each :
                mappings.getHandlerMethods().entrySet()) {
            for (String path : each.getKey().getPatternValues()) {
                boolean ours = each.getValue().getBeanType().getName().startsWith("org.morphotera.");
                if (path.startsWith("/api/") && ours) {
                    each.getKey()
                            .getMethodsCondition()
                            .getMethods()
                            .forEach(method -> rules.put(
                                    method.name().toLowerCase(Locale.ROOT) + " " + path,
                                    Roles.ruleOf(each.getValue())));
                }
            }
        }
        return rules;
    }
}
