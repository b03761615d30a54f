package keel.sim.story;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import keel.core.knowledge.Knowledge;
import keel.core.knowledge.KnowledgeFiles;
import keel.core.run.Outcome;
import keel.core.standing.ServiceKind;
import keel.sim.story.Happening.RunDone;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The story hangs together whenever it ends: it is told up to the moment at which somebody starts the demo. */
class StoryTest {

    private static final ZoneId ZONE = ZoneId.of("Europe/Lisbon");
    private static final Knowledge KNOWLEDGE = KnowledgeFiles.shipped();

    private static Story.Told upTo(String end) {
        return Story.tell(11, Instant.parse(end), ZONE);
    }

    @Test
    void theSameSeedAndEndTellTheSameStory() {
        assertThat(upTo("2026-03-12T14:20:00Z")).isEqualTo(upTo("2026-03-12T14:20:00Z"));
        assertThat(upTo("2026-03-12T14:20:00Z").happenings()).isNotEqualTo(Story.tell(12, Instant.parse("2026-03-12T14:20:00Z"), ZONE).happenings());
    }

    @ParameterizedTest
    @ValueSource(strings = {"2026-03-12T14:20:00Z", "2026-03-29T01:30:00Z", "2025-12-31T23:59:59Z", "2026-07-01T04:00:00Z", "2024-02-29T12:00:00Z"})
    void nothingOverlapsNothingLiesAheadAndEverythingIsKnown(String end) {
        Story.Told story = upTo(end);
        List<Happening> all = story.happenings();
        assertThat(all).isSortedAccordingTo(Comparator.comparing(Happening::at));
        assertThat(all).allSatisfy(h -> assertThat(h.at()).isBetween(story.start(), Instant.parse(end)));
        Map<String, List<RunDone>> runs = all.stream().filter(RunDone.class::isInstance).map(RunDone.class::cast).collect(Collectors.groupingBy(RunDone::machine));
        assertThat(runs).hasSize(Saltmarsh.MACHINES.size());
        runs.values().forEach(StoryTest::requireOneAfterTheOther);
        for (Happening happening : all) {
            if (happening instanceof Happening.FailureSeen f) {
                assertThat(f.symptoms()).allSatisfy(s -> assertThat(KNOWLEDGE.symptom(s)).isPresent());
                assertThat(f.absent()).allSatisfy(s -> assertThat(KNOWLEDGE.symptom(s)).isPresent()).doesNotContainAnyElementsOf(f.symptoms());
            } else if (happening instanceof Happening.CauseNamed c) {
                assertThat(KNOWLEDGE.cause(c.cause())).isPresent();
            } else if (happening instanceof Happening.ServiceDone s) {
                assertThat(ServiceKind.valueOf(s.kind()).fields().stream().filter(f -> f.required()).map(f -> f.name())).allSatisfy(
                        name -> assertThat(s.values()).containsKey(name));
            } else if (happening instanceof RunDone r) {
                assertThat(Outcome.valueOf(r.outcome())).isNotNull();
                assertThat(r.layers() * r.layerExposureS()).as("UV time within the run").isLessThan(86_400);
            }
        }
    }

    /** The bad fortnight on Bittern: far more of its prints fail between the film change and the day the vat bolts are tried. */
    @Test
    void theBadFortnightStandsOut() {
        Instant end = Instant.parse("2026-03-12T14:20:00Z");
        List<RunDone> bittern = upTo(end.toString()).happenings().stream().filter(h -> h instanceof RunDone r && r.machine().equals("bittern"))
                .map(RunDone.class::cast).toList();
        Instant from = end.minusSeconds(34 * 86_400L);
        Instant to = end.minusSeconds(20 * 86_400L);
        assertThat(failed(bittern.stream().filter(r -> r.at().isAfter(from) && r.at().isBefore(to)).toList())).isGreaterThan(0.3);
        assertThat(failed(bittern.stream().filter(r -> r.at().isBefore(from) || r.at().isAfter(to)).toList())).isLessThan(0.25);
    }

    private static double failed(List<RunDone> runs) {
        return runs.stream().filter(r -> !r.outcome().equals("GOOD")).count() / (double) runs.size();
    }

    private static void requireOneAfterTheOther(List<RunDone> runs) {
        List<RunDone> inOrder = runs.stream().sorted(Comparator.comparing(RunDone::startedAt)).toList();
        for (int i = 1; i < inOrder.size(); i++) {
            assertThat(inOrder.get(i).startedAt()).isAfterOrEqualTo(inOrder.get(i - 1).at());
        }
    }
}
