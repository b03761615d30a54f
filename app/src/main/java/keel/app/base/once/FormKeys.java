package keel.app.base.once;

import jakarta.servlet.http.HttpServletRequest;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.UUID;
import org.springframework.beans.factory.config.BeanPostProcessor;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.web.servlet.support.RequestDataValueProcessor;

/**
 * Puts a key of its own into every form that writes, beside the one against forgery: sent twice, it is written once.
 */
@Configuration(proxyBeanMethods = false)
class FormKeys {

    static final String FIELD = "once";

    @Bean
    static BeanPostProcessor aKeyInEachForm() {
        return new BeanPostProcessor() {
            @Override
            public Object postProcessAfterInitialization(Object bean, String name) {
                return bean instanceof RequestDataValueProcessor forgery ? new Both(forgery) : bean;
            }
        };
    }

    private record Both(RequestDataValueProcessor forgery) implements RequestDataValueProcessor {

        @Override
        public String processAction(HttpServletRequest request, String action, String method) {
            return forgery.processAction(request, action, method);
        }

        @Override
        public String processFormFieldValue(HttpServletRequest request, String name, String value, String type) {
            return forgery.processFormFieldValue(request, name, value, type);
        }

        @Override
        public Map<String, String> getExtraHiddenFields(HttpServletRequest request) {
            Map<String, String> fields = forgery.getExtraHiddenFields(request);
            if (fields == null || fields.isEmpty()) {
                return fields;
            }
            Map<String, String> both = new LinkedHashMap<>(fields);
            both.put(FIELD, UUID.randomUUID().toString());
            return both;
        }

        @Override
        public String processUrl(HttpServletRequest request, String url) {
            return forgery.processUrl(request, url);
        }
    }
}
