package keel.app.guides;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import keel.app.fleet.Parts;
import keel.app.fleet.Shelf;
import keel.app.support.PageTest;
import keel.core.standing.Caution;
import keel.core.standing.MachineKind;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** What a guide advises from the records, and what it says only once. */
class GuideAdviceTest extends PageTest {

    @Autowired
    private Guides guides;

    @Autowired
    private Shelf shelf;

    private void go(long id, Map<String, String> wanted) {
        guides.done(id, guides.one(id).version(), GuideAnswers.to(guides.one(id), wanted));
    }

    private void walkTo(long id, String step, Map<String, String> wanted) {
        while (!guides.one(id).step().code().equals(step)) {
            go(id, wanted);
        }
    }

    @Test
    void aHoleLeadsToTheSpareVatThatIsThereElseToTheStopGap() {
        String m = shop.maskMachine();
        long id = guides.begin(m, "film-change");
        walkTo(id, "hole-way", Map.of("endReason", "PIERCED", "hole", "PIN"));
        assertThat(page("/guides/" + id))
                .as("new film, no spare vat")
                .contains("Cure it shut for now.", "/machines/" + m + "/guides/stop-gap")
                .doesNotContain("Fit the spare vat");
        shelf.addVat(shop.modelOf(m), new Parts.Sheet("FEP", 0.1), Parts.Baseline.NEW);
        String html = page("/guides/" + id);
        assertThat(html.indexOf("Fit the spare vat")).isPositive().isLessThan(html.indexOf("Cure it shut for now."));
        assertThat(html).contains("/machines/" + m + "/services/VAT_FITTED");
        guides.back(id, guides.one(id).version());
        walkTo(id, "hole-way", Map.of("hole", "LARGE"));
        assertThat(page("/guides/" + id)).doesNotContain("Cure it shut for now.");
        long other = guides.begin(shop.maskMachine(), "film-change");
        go(other, Map.of("endReason", "CLOUDED"));
        assertThat(guides.one(other).step().code()).as("no hole, no question").isEqualTo("drain");
    }

    @Test
    void aTearIsNotCuredShut() {
        String m = shop.maskMachine();
        long id = guides.begin(m, "stop-gap");
        go(id, Map.of("hole", "LARGE", "sizeMm", "3"));
        assertThat(guides.one(id).step().code()).isEqualTo("too-large");
        assertThat(guides.one(id).step().stops()).isTrue();
        assertThat(page("/guides/" + id)).contains("That is none to cure shut").doesNotContain("data-done=\"yes\"");
    }

    /** In full where it first matters, after that in short. */
    @Test
    void aCautionIsSaidOnce() {
        long id = guides.begin(shop.maskMachine(), "film-change");
        walkTo(id, "drain", Map.of());
        String full = Caution.Part.RESIN.words().substring(0, 40);
        assertThat(page("/guides/" + id))
                .contains("<p class=\"caution\">" + full)
                .doesNotContain("class=\"still\"");
        go(id, Map.of());
        assertThat(page("/guides/" + id))
                .as("the lamp is new, the resin is not")
                .contains("<p class=\"caution\">" + Caution.Part.LAMP.words().substring(0, 20))
                .contains("<summary>" + Caution.Part.RESIN.still())
                .contains(full);
    }

    @Test
    void aLaserTankIsSpokenOfAsOne() {
        String m = shop.machine(MachineKind.LASER_TANK, false);
        long id = guides.begin(m, "clean-up");
        walkTo(id, "beneath", Map.of());
        assertThat(guides.one(id).step().title()).startsWith("Tank out");
        for (String procedure : new String[] {"clean-up", "vat-inspection", "tank-swap"}) {
            assertThat(page("/machines/" + m + "/guides/" + procedure)).isNotEmpty();
        }
        assertThat(refused(
                        422, "Why the old one ended", "/machines/" + m + "/services/TANK_CHANGE", "endReason", "SLACK"))
                .as("a tank does not end slack")
                .doesNotContain("value=\"SLACK\"");
    }

    @Test
    void anotherResinIsAnotherTankOfItsModel() {
        String m = shop.machine(MachineKind.LASER_TANK, false);
        String white = shelf.addVat(shop.modelOf(m), new Parts.Sheet("OTHER", 0.1), Parts.Baseline.NEW);
        String others = shelf.addVat(shop.modelOf(shop.maskMachine()), new Parts.Sheet("FEP", 0.1), Parts.Baseline.NEW);
        long id = guides.begin(m, "tank-swap");
        assertThat(page("/guides/" + id)).contains("value=\"" + white + "\"").doesNotContain("value=\"" + others);
        walkTo(id, "bottle", Map.of("vat", white));
        go(id, Map.of());
        guides.finish(id, guides.one(id).version(), Map.of(), null);
        assertThat(shop.now(m).vat().code()).isEqualTo(white);
        assertThat(shop.holds(m)).containsExactly("not-levelled");
    }

    @Test
    void whatFollowsIsByTheMachine() {
        String level = "Level the plate: the film sits higher";
        assertThat(page("/machines/" + shop.maskMachine() + "/guides/film-change"))
                .contains(level);
        assertThat(page("/machines/" + shop.machine(MachineKind.MASK, true) + "/guides/film-change"))
                .contains("It levels itself before the next print")
                .doesNotContain(level);
    }

    @Test
    void aSittingSaysHowLongWhatIsLeftCuresBefore() {
        String m = shop.maskMachine();
        String vat = shop.now(m).vat().code();
        assertThat(page("/bench/batch?procedure=film-change&vats=" + vat))
                .contains("Before: drain them", "2 min under one lamp");
        assertThat(page("/bench/batch?procedure=film-cleaning&vats=" + vat)).doesNotContain("Before: drain them");
    }
}
