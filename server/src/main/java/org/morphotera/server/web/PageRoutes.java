package org.morphotera.server.web;

import java.util.concurrent.TimeUnit;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.CacheControl;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.ViewControllerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** Serves the page: its hashed assets for a year, itself always fresh, and itself at every route of its router. */
@Configuration
class PageRoutes implements WebMvcConfigurer {

    @Override
    public void addResourceHandlers(ResourceHandlerRegistry registry) {
        registry.addResourceHandler("/assets/**")
                .addResourceLocations("classpath:/static/assets/")
                .setCacheControl(
                        CacheControl.maxAge(365, TimeUnit.DAYS).cachePublic().immutable());
        registry.addResourceHandler(
                        "/index.html", "/icon.svg", "/sw.js", "/workbox-*.js", "/manifest.webmanifest", "/*.png")
                .addResourceLocations("classpath:/static/")
                .setCacheControl(CacheControl.noCache());
    }

    @Override
    public void addViewControllers(ViewControllerRegistry registry) {
        registry.addViewController("/").setViewName("forward:/index.html");
        registry.addViewController("/{route:(?!api|assets|actuator|error)[^.]*}")
                .setViewName("forward:/index.html");
        registry.addViewController("/{route:(?!api|assets|actuator|error)[^.]*}/**")
                .setViewName("forward:/index.html");
    }
}
