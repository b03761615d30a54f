package keel.sim.story;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import keel.sim.shop.Happening;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * At whatever hour of the week somebody starts the demo, it shows what it is there to show: a print that goes on, one
 * that waits for the wash, one in the bath with time left, failures that nobody has named yet.
 */
class StoryMomentsTest {

    private static final Instant FIRST = Instant.parse("2026-03-09T00:05:00Z");
    private static final Duration STEP = Duration.ofHours(7);
    private static final Duration WASH = Duration.ofMinutes(4);

    static Stream<Instant> moments() {
        return IntStream.range(0, 24).mapToObj(i -> FIRST.plus(STEP.multipliedBy(i)));
    }

    @ParameterizedTest
    @MethodSource("moments")
    void theDemoShowsWhatItIsThereFor(Instant end) {
        List<Happening> all = Story.goingOn(Story.SEED, end, Stories.ZONE);
        assertThat(only(all, Happening.RunGoing.class)).as("a print goes on").isNotEmpty();
        Set<String> finished = only(all, Happening.PrintFinished.class)
                .map(Happening.PrintFinished::runKey)
                .collect(Collectors.toSet());
        List<Happening.RunDone> came = only(all, Happening.RunDone.class)
                .filter(r -> r.outcome().equals("GOOD") || r.outcome().equals("USABLE"))
                .sorted(Comparator.comparing(Happening::at))
                .toList();
        assertThat(finished)
                .as("the last one waits to be washed")
                .doesNotContain(came.get(came.size() - 1).key());
        assertThat(only(all, Happening.PrintFinished.class))
                .as("one is in the bath, with time left")
                .anyMatch(p -> p.secondAt() == null && p.firstAt().plus(WASH).isAfter(end));
        Set<String> named = only(all, Happening.CauseNamed.class)
                .map(Happening.CauseNamed::failureKey)
                .collect(Collectors.toSet());
        assertThat(only(all, Happening.FailureSeen.class))
                .as("a failure is open")
                .anyMatch(f -> !named.contains(f.key()));
    }

    private static <T extends Happening> Stream<T> only(List<Happening> all, Class<T> kind) {
        return all.stream().filter(kind::isInstance).map(kind::cast);
    }
}
