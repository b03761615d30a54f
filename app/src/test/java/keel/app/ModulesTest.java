package keel.app;

import org.junit.jupiter.api.Test;
import org.springframework.modulith.core.ApplicationModules;

class ModulesTest {

    @Test
    void modulesMeetOnlyThroughTheirPublicTypesAndWithoutCircles() {
        ApplicationModules.of(Keel.class).verify();
    }
}
