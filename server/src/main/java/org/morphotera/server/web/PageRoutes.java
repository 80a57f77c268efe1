package org.morphotera.server.web;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpHeaders;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.ViewControllerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import org.springframework.web.servlet.resource.EncodedResourceResolver;
import org.springframework.web.servlet.resource.ResourceResolverChain;

/**
 * Serves the page, packed when it was built (brotli or gzip, as the browser takes it): its hashed assets for a year, itself always fresh, and itself at every route of its
 * router.
 */
@Configuration
class PageRoutes implements WebMvcConfigurer {

    @Override
    public void addResourceHandlers(ResourceHandlerRegistry registry) {
        registry.addResourceHandler("/assets/**")
                .addResourceLocations("classpath:/static/assets/")
                .setCacheControl(
                        CacheControl.maxAge(365, TimeUnit.DAYS).cachePublic().immutable())
                .resourceChain(true)
                .addResolver(new SmallestFirst());
        registry.addResourceHandler(
                        "/index.html", "/icon.svg", "/sw.js", "/workbox-*.js", "/manifest.webmanifest", "/*.png")
                .addResourceLocations("classpath:/static/")
                .setCacheControl(CacheControl.noCache())
                .resourceChain(true)
                .addResolver(new SmallestFirst());
    }

    @Override
    public void addViewControllers(ViewControllerRegistry registry) {
        registry.addViewController("/").setViewName("forward:/index.html");
        registry.addViewController("/{route:(?!api|assets|actuator|error)[^.]*}")
                .setViewName("forward:/index.html");
        registry.addViewController("/{route:(?!api|assets|actuator|error)[^.]*}/**")
                .setViewName("forward:/index.html");
    }

    /** Packed by brotli where the browser takes it: browsers name gzip first, and the usual resolver goes by that. */
    private static final class SmallestFirst extends EncodedResourceResolver {

        private static final Pattern TAKES_BROTLI = Pattern.compile("(^|[ ,])br *(,|$)");

        @Override
        protected @Nullable Resource resolveResourceInternal(
                @Nullable HttpServletRequest request,
                String path,
                List<? extends Resource> locations,
                ResourceResolverChain chain) {
            return super.resolveResourceInternal(
                    request == null
                            ? null
                            : new HttpServletRequestWrapper(request) {
                                @Override
                                public String getHeader(String name) {
                                    String said = super.getHeader(name);
                                    return HttpHeaders.ACCEPT_ENCODING.equalsIgnoreCase(name)
                                                    && said != null
                                                    && TAKES_BROTLI
                                                            .matcher(said)
                                                            .find()
                                            ? "br, " + said
                                            : said;
                                }
                            },
                    path,
                    locations,
                    chain);
        }
    }
}
