package org.morphotera.server.web;

import java.util.Arrays;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.apache.catalina.valves.RemoteIpValve;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** The web container: problems instead of its own pages, and whom to believe about where a request came from. */
@Component
@Order(Ordered.LOWEST_PRECEDENCE)
class Container implements WebServerFactoryCustomizer<TomcatServletWebServerFactory> {

    private final String proxies;

    /** @param proxies addresses of web servers in front of this one, whose word on address and scheme is taken */
    Container(@Value("${morphotera.trusted-proxies:}") String proxies) {
        this.proxies = proxies;
    }

    @Override
    public void customize(TomcatServletWebServerFactory factory) {
        factory.addContextCustomizers(
                context -> context.getParent().getPipeline().addValve(new ProblemValve()));
        factory.addEngineValves(new Unread());
        if (!proxies.isBlank()) {
            factory.addEngineValves(forwarded());
        }
    }

    private RemoteIpValve forwarded() {
        RemoteIpValve valve = new RemoteIpValve();
        valve.setInternalProxies(Arrays.stream(proxies.split(","))
                .map(each -> Pattern.quote(each.strip()))
                .collect(Collectors.joining("|")));
        valve.setRemoteIpHeader("X-Forwarded-For");
        valve.setProtocolHeader("X-Forwarded-Proto");
        return valve;
    }
}
