package keel.core.knowledge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.Map;
import keel.core.CheckedYaml;
import keel.core.Findings;
import keel.core.standing.LevelJoint;
import keel.core.standing.MachineKind;
import keel.core.standing.MachineTraits;
import keel.core.standing.ServiceKind;
import org.junit.jupiter.api.Test;

/** What mends what is common practice in the trade, no published source; that it fits together is tested. */
class RecoveriesTest {

    private final Knowledge knowledge = KnowledgeFiles.shipped();
    private final Recoveries recoveries = Recoveries.shipped(knowledge);

    @Test
    void everyCauseIsMendedOnEveryKindOfMachineByWorkThatItKnows() {
        for (MachineKind kind : MachineKind.values()) {
            var known = ServiceKind.of(new MachineTraits(kind, false, false, false, LevelJoint.BALL));
            assertThat(knowledge.causes()).allSatisfy(c -> {
                assertThat(recoveries.of(c.code(), kind).what()).as(c.code()).isNotEmpty();
                assertThat(known)
                        .as(c.code() + " on " + kind)
                        .containsAll(recoveries.of(c.code(), kind).work());
            });
        }
    }

    @Test
    void aTankIsChangedWhereAVatsFilmWouldBe() {
        assertThat(recoveries.of("film-worn", MachineKind.LASER_TANK).work())
                .contains(ServiceKind.TANK_CHANGE)
                .doesNotContain(ServiceKind.FILM_CHANGE);
        assertThat(recoveries.of("film-worn", MachineKind.MASK).work()).contains(ServiceKind.FILM_CHANGE);
    }

    @Test
    void aCrushIsOnlyMendedByLookingAtVatAndScreenBoth() {
        assertThat(recoveries.of("print-left-on", MachineKind.MASK).work())
                .contains(ServiceKind.VAT_INSPECTED, ServiceKind.SCREEN_INSPECTED);
    }

    @Test
    void workWithDustUvOrMainsCarriesItsCaution() {
        assertThat(recoveries.of("plate-smooth", MachineKind.MASK).caution().words())
                .contains("mask");
        assertThat(recoveries
                        .of("screen-dark-pixels", MachineKind.MASK)
                        .caution()
                        .words())
                .contains("unplug");
    }

    @Test
    void aCauseLeftOutOrMadeUpIsNamed() {
        ObjectNode file = (ObjectNode) CheckedYaml.shipped("knowledge/recoveries");
        ((ObjectNode) ((ArrayNode) file.get("recoveries")).get(0)).put("cause", "bad-luck");
        assertThatIllegalArgumentException()
                .isThrownBy(() -> Recoveries.of(file, knowledge))
                .withMessageContaining("bad-luck")
                .withMessageContaining("plate-tilted");
        assertThatIllegalArgumentException().isThrownBy(() -> recoveries.of("bad-luck", MachineKind.MASK));
    }

    @Test
    void aTuningChangesOnlyWhatItNames() {
        Tuning tuning = new Tuning(
                Map.of("z-dry", 9.0),
                Map.of("z-dry", Map.of("grinding", 0, "crunch", 2)),
                Map.of("feel-vat", 4.0),
                Map.of("screen-test", 0.5));
        Knowledge tuned = knowledge.tuned(tuning);
        Cause dry = tuned.cause("z-dry").orElseThrow();
        assertThat(dry.weight()).isEqualTo(9);
        assertThat(dry.strength("grinding")).isZero();
        assertThat(dry.strength("crunch")).isEqualTo(2);
        assertThat(dry.strength("z-lines")).isEqualTo(3);
        assertThat(tuned.check("feel-vat").orElseThrow().minutes()).isEqualTo(4);
        assertThat(tuned.check("screen-test").orElseThrow().missesAfterCrush()).isEqualTo(0.5);
        assertThat(tuned.cause("plate-tilted")).isEqualTo(knowledge.cause("plate-tilted"));
        assertThat(tuned.pairs()).isEqualTo(knowledge.pairs());
    }

    @Test
    void aTuningThatCannotBeIsSaid() {
        Findings findings = new Findings();
        new Tuning(
                        Map.of("bad-luck", 1.0, "z-dry", Double.NaN),
                        Map.of("z-dry", Map.of("grinding", 5)),
                        Map.of("feel-vat", 0.0),
                        Map.of("feel-vat", 1.5))
                .check(knowledge, findings);
        assertThat(findings.list())
                .extracting(f -> f.field())
                .contains("weights", "weight.z-dry", "shows.z-dry", "minutes.feel-vat", "misses.feel-vat");
        Findings none = new Findings();
        Tuning.NONE.check(knowledge, none);
        assertThat(none.none()).isTrue();
    }

    @Test
    void everyAnswerOfACheckHasItsWords() {
        assertThat(knowledge.checks())
                .allSatisfy(c -> assertThat(c.says().keySet()).containsAll(c.answersInOrder()));
    }
}
