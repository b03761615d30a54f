package keel.app.base.web;

import com.fasterxml.jackson.core.JsonGenerator;
import com.fasterxml.jackson.databind.JsonSerializer;
import com.fasterxml.jackson.databind.SerializerProvider;
import java.io.IOException;
import org.springframework.boot.autoconfigure.jackson.Jackson2ObjectMapperBuilderCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Numbers in answers as they are, and zero without a sign. */
@Configuration(proxyBeanMethods = false)
class PlainZero {

    @Bean
    static Jackson2ObjectMapperBuilderCustomizer zeroWithoutSign() {
        return builder ->
                builder.serializerByType(Double.class, new Plain()).serializerByType(Double.TYPE, new Plain());
    }

    private static final class Plain extends JsonSerializer<Double> {

        @Override
        public void serialize(Double value, JsonGenerator to, SerializerProvider provider) throws IOException {
            to.writeNumber(value + 0.0);
        }
    }
}
