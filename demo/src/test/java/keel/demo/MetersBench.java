package keel.demo;

import org.junit.jupiter.api.Tag;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** More lives of the same property: they take long and have said the same so far. */
@Tag("bench")
class MetersBench extends MetersEqualSumsTest {

    @ParameterizedTest
    @ValueSource(longs = {2, 3, 5})
    void inMoreLives(long seed) {
        live(seed);
    }
}
