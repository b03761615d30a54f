package keel.app.base.web;

import com.fasterxml.jackson.core.JsonParser;
import com.fasterxml.jackson.databind.DeserializationContext;
import com.fasterxml.jackson.databind.JsonDeserializer;
import com.fasterxml.jackson.databind.deser.DeserializationProblemHandler;
import java.io.IOException;
import java.lang.reflect.Type;
import java.util.ArrayList;
import java.util.List;
import keel.app.base.Refused;
import keel.core.Finding;
import org.springframework.boot.autoconfigure.jackson.Jackson2ObjectMapperBuilderCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.core.MethodParameter;
import org.springframework.http.HttpInputMessage;
import org.springframework.http.converter.HttpMessageConverter;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.servlet.mvc.method.annotation.RequestBodyAdviceAdapter;

/**
 * A field that nobody reads is a slip of the sender's, and so is one that stands there twice: both are refused by name
 * instead of being passed over. All unknown fields of a body are named at once.
 */
@ControllerAdvice
class StrictBodies extends RequestBodyAdviceAdapter {

    /** Of the body that is being read; null while none is, so that stored JSON is read as it always was. */
    private static final ThreadLocal<List<Finding>> FOUND = new ThreadLocal<>();

    @Bean
    static Jackson2ObjectMapperBuilderCustomizer strict() {
        return builder -> builder.featuresToEnable(JsonParser.Feature.STRICT_DUPLICATE_DETECTION)
                .postConfigurer(mapper -> mapper.addHandler(new Noting()));
    }

    private static final class Noting extends DeserializationProblemHandler {

        @Override
        public boolean handleUnknownProperty(
                DeserializationContext context, JsonParser parser, JsonDeserializer<?> reader, Object into, String name)
                throws IOException {
            List<Finding> found = FOUND.get();
            if (found == null) {
                return false;
            }
            String where = parser.getParsingContext()
                    .pathAsPointer()
                    .toString()
                    .substring(1)
                    .replace('/', '.');
            found.add(new Finding(where, "There is no field " + where + " here."));
            parser.skipChildren();
            return true;
        }
    }

    @Override
    public boolean supports(MethodParameter method, Type target, Class<? extends HttpMessageConverter<?>> converter) {
        return true;
    }

    @Override
    public HttpInputMessage beforeBodyRead(
            HttpInputMessage body,
            MethodParameter method,
            Type target,
            Class<? extends HttpMessageConverter<?>> converter) {
        FOUND.set(new ArrayList<>());
        return body;
    }

    /** @throws Refused naming every field that nobody reads */
    @Override
    public Object afterBodyRead(
            Object read,
            HttpInputMessage body,
            MethodParameter method,
            Type target,
            Class<? extends HttpMessageConverter<?>> converter) {
        List<Finding> found = FOUND.get();
        FOUND.remove();
        if (found != null) {
            Refused.unless(found);
        }
        return read;
    }
}
