package keel.app.base.web;

import com.fasterxml.jackson.datatype.jdk8.Jdk8Module;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** In what programs send, a field that is not there leaves what is recorded; one that is null clears it. */
@Configuration(proxyBeanMethods = false)
class AbsentFields {

    @Bean
    Jdk8Module optionals() {
        return new Jdk8Module().configureReadAbsentAsNull(true);
    }
}
