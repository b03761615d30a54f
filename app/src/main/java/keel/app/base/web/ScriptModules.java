package keel.app.base.web;

import java.io.IOException;
import java.io.InputStream;
import java.time.Duration;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.zip.CRC32;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.io.Resource;
import org.springframework.core.io.support.PathMatchingResourcePatternResolver;
import org.springframework.http.CacheControl;
import org.springframework.util.StreamUtils;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import org.springframework.web.servlet.resource.VersionResourceResolver;

/**
 * Scripts import each other by name, so all stand under one version, a sum over their contents: a browser keeps them
 * for a month and still never mixes those of two releases.
 */
@Configuration(proxyBeanMethods = false)
class ScriptModules implements WebMvcConfigurer {

    private static final String FOLDER = "classpath:/static/js/";
    private static final Duration KEPT = Duration.ofDays(30);

    @Override
    public void addResourceHandlers(ResourceHandlerRegistry registry) {
        registry.addResourceHandler("/static/js/**")
                .addResourceLocations(FOLDER)
                .setCacheControl(CacheControl.maxAge(KEPT))
                .resourceChain(true)
                .addResolver(new VersionResourceResolver().addFixedVersionStrategy(version(), "/**"));
    }

    private static String version() {
        CRC32 sum = new CRC32();
        try {
            for (Resource script : scripts()) {
                try (InputStream in = script.getInputStream()) {
                    sum.update(StreamUtils.copyToByteArray(in));
                }
            }
        } catch (IOException e) {
            throw new IllegalStateException("The scripts of the pages cannot be read.", e);
        }
        return Long.toHexString(sum.getValue());
    }

    private static List<Resource> scripts() throws IOException {
        Resource[] all = new PathMatchingResourcePatternResolver().getResources(FOLDER + "*.js");
        return Arrays.stream(all)
                .sorted(Comparator.comparing(Resource::getFilename))
                .toList();
    }
}
