package keel.app.guides;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;

import java.util.List;
import java.util.Map;
import keel.app.base.Conflict;
import keel.app.base.Refused;
import keel.app.fleet.Parts;
import keel.app.fleet.Shelf;
import keel.app.prints.RunEntry;
import keel.app.prints.Runs;
import keel.app.stores.FilmPacks;
import keel.app.support.PageTest;
import keel.core.standing.MachineKind;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** What another tablet, or the machine, does while a guide is open: it is said, and nothing is lost. */
class MeanwhileTest extends PageTest {

    @Autowired
    private Guides guides;

    @Autowired
    private Runs runs;

    @Autowired
    private Shelf shelf;

    @Autowired
    private FilmPacks packs;

    private void go(long id, Map<String, String> wanted) {
        guides.done(id, guides.one(id).version(), GuideAnswers.to(guides.one(id), wanted));
    }

    private void walk(long id, Map<String, String> wanted) {
        while (!guides.one(id).atEnd()) {
            go(id, wanted);
        }
    }

    private Shown done(long id) {
        return form(
                "/guides/" + id + "/done",
                "version",
                Integer.toString(guides.one(id).version()));
    }

    @Test
    void aMachineThatBeganToPrintHoldsItsGuideUp() {
        String m = shop.maskMachine();
        long id = guides.begin(m, "film-change");
        go(id, Map.of("endReason", "CLOUDED"));
        long run = runs.enter(new RunEntry(m, "Latch", null, null, 900, 2.1, 40.0, null, null, null))
                .id();
        assertThat(page("/guides/" + id)).contains("is printing Latch. Nothing goes on here");
        Shown held = done(id);
        assertThat(held.status()).isEqualTo(409);
        assertThat(guides.one(id).step().code()).as("nothing went on").isEqualTo("drain");
        assertThat(guides.one(id).answers()).as("nothing is lost").containsEntry("endReason", "CLOUDED");
        accepted("/runs/" + run + "/correct", "withdrawn", "true", "reason", "it never began");
        assertThat(page("/guides/" + id)).doesNotContain("is printing Latch");
        assertThat(done(id).status()).isEqualTo(302);
    }

    @Test
    void anotherVatIsAskedAboutBeforeItsFilmIsWrittenDown() {
        String m = shop.maskMachine();
        String begun = shop.now(m).vat().code();
        String other = shelf.addVat(shop.modelOf(m), new Parts.Sheet("FEP", 0.1), Parts.Baseline.NEW);
        long id = guides.begin(m, "film-change");
        walk(id, Map.of("endReason", "CLOUDED"));
        accepted("/machines/" + m + "/services/VAT_FITTED", "vat", other);
        assertThat(page("/guides/" + id)).contains(other + " is on", "this was begun with " + begun, "go on with it");
        assertThatExceptionOfType(Conflict.class)
                .isThrownBy(() -> guides.finish(id, guides.one(id).version(), Map.of(), null))
                .withMessageContaining("begun with " + begun);
        assertThat(shop.now(m).film().material()).isEqualTo("FEP");
        accepted(
                "/guides/" + id + "/this-vat",
                "version",
                Integer.toString(guides.one(id).version()));
        assertThat(page("/guides/" + id)).doesNotContain("go on with it");
        guides.finish(id, guides.one(id).version(), Map.of(), null);
        assertThat(shop.now(m).vat().code()).isEqualTo(other);
        assertThat(shop.filmHours(m)).isZero();
    }

    @Test
    void anotherTankIsWhatATankIsSwappedFor() {
        String m = shop.machine(MachineKind.LASER_TANK, false);
        String other = shelf.addVat(shop.modelOf(m), new Parts.Sheet("OTHER", 0.1), Parts.Baseline.NEW);
        long id = guides.begin(m, "tank-swap");
        walk(id, Map.of("vat", other));
        guides.finish(id, guides.one(id).version(), Map.of(), null);
        assertThat(shop.now(m).vat().code()).isEqualTo(other);
    }

    /** Two change films with the last sheet of a pack; the second is told, and may say another. */
    @Test
    void theLastSheetIsGoneWhenTheSecondComesToIt() {
        String first = shop.maskMachine();
        String second = shop.maskMachine();
        String pack = packs.add(new FilmPacks.PackEntry("Marl", null, "FEP", 0.1, 260.0, 180.0, 1, null));
        long one = guides.begin(first, "film-change");
        long two = guides.begin(second, "film-change");
        walk(one, Map.of("endReason", "CLOUDED", "pack", pack));
        walk(two, Map.of("endReason", "CLOUDED", "pack", pack));
        guides.finish(one, guides.one(one).version(), Map.of(), null);
        assertThatExceptionOfType(Refused.class)
                .isThrownBy(() -> guides.finish(two, guides.one(two).version(), Map.of(), null))
                .satisfies(
                        e -> assertThat(e.findings()).anyMatch(f -> f.message().contains(pack)));
        assertThat(guides.one(two).state()).isEqualTo(SessionView.State.OPEN);
        while (guides.one(two).step() == null || !guides.one(two).step().code().equals("sheet")) {
            guides.back(two, guides.one(two).version());
        }
        walk(two, Map.of("pack", ""));
        guides.finish(two, guides.one(two).version(), Map.of(), null);
        assertThat(shop.filmHours(second)).isZero();
    }

    /** A sitting is about its vats, whatever is on a machine meanwhile. */
    @Test
    void aSittingHasNoOtherVat() {
        String m = shop.maskMachine();
        String spare = shelf.addVat(shop.modelOf(m), new Parts.Sheet("FEP", 0.1), Parts.Baseline.NEW);
        long id = guides.beginSitting("film-cleaning", List.of(spare));
        accepted(
                "/guides/" + id + "/this-vat",
                "version",
                Integer.toString(guides.one(id).version()));
        assertThat(guides.one(id).state()).isEqualTo(SessionView.State.OPEN);
    }
}
