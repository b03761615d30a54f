package keel.app.floor;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipInputStream;
import keel.app.base.NotThere;
import keel.app.base.Refused;
import keel.app.failures.FailureEntry;
import keel.app.failures.Failures;
import keel.app.fleet.Fleet;
import keel.app.fleet.Identities;
import keel.app.floor.evidence.Evidence;
import keel.app.floor.evidence.EvidenceFile;
import keel.app.floor.evidence.EvidenceKind;
import keel.app.floor.evidence.EvidencePaper;
import keel.app.floor.evidence.Evidences;
import keel.app.prints.RunEntry;
import keel.app.prints.Runs;
import keel.app.stores.Costs;
import keel.app.support.AppTest;
import keel.app.support.TestShop;
import keel.core.pattern.Compared;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.security.access.AccessDeniedException;

/** A machine that fails beside one of its model that does not. */
class EvidenceTest extends AppTest {

    private static double hour = 15_000;

    @Autowired
    private Evidences evidences;

    @Autowired
    private EvidencePaper paper;

    @Autowired
    private EvidenceFile file;

    @Autowired
    private Identities identities;

    @Autowired
    private Fleet fleet;

    @Autowired
    private Runs runs;

    @Autowired
    private Costs costs;

    @Autowired
    private Failures failures;

    private double from;
    private String bad;
    private String good;

    @BeforeEach
    void twoOfAModel() {
        shop.as("keeper");
        hour += 20;
        from = hour;
        bad = shop.maskMachine();
        good = shop.machineOf(shop.modelOf(bad));
        print(bad, 40, 14);
        print(good, 40, 2);
        hour += 90;
    }

    private void print(String machine, int prints, int failed) {
        for (int i = 0; i < prints; i++) {
            boolean fails = (i + 1) * failed / prints > i * failed / prints;
            runs.enter(new RunEntry(
                    machine,
                    "Hinge",
                    TestShop.at(from + 2 * i),
                    TestShop.at(from + 2 * i + 1),
                    1000,
                    1.8,
                    50.0,
                    fails ? "FAILED" : "GOOD",
                    fails ? 400 : null,
                    null));
        }
    }

    private Evidence of(EvidenceKind kind, String code) {
        return evidences.of(kind, code, TestShop.at(from), TestShop.at(hour));
    }

    @Test
    void holdsAMachineAgainstTheOthersOfItsModel() {
        Evidence e = of(EvidenceKind.MACHINE, bad);
        assertThat(e.prints()).isEqualTo(40);
        assertThat(e.cameOut()).isEqualTo(26);
        assertThat(e.compared().second().prints()).isEqualTo(40);
        assertThat(e.compared().says()).isEqualTo(Compared.Says.FIRST_FAILS_MORE);
        assertThat(e.says().get(0)).contains("fails more often: 14 of 40", "machines of its model 2 of 40");
        assertThat(of(EvidenceKind.MACHINE, good).compared().says()).isEqualTo(Compared.Says.SECOND_FAILS_MORE);
    }

    @Test
    void whatWasLostIsWhatTheCostsSay() {
        Evidence e = of(EvidenceKind.MACHINE, bad);
        String name = fleet.machine(bad).name();
        Costs.Group group = costs.overview(TestShop.at(from), TestShop.at(hour)).machines().stream()
                .filter(g -> g.name().equals(name))
                .findFirst()
                .orElseThrow();
        assertThat(e.lost()).hasSize(14).allSatisfy(p -> assertThat(p.how()).isEqualTo("layer 400 of 1000"));
        assertThat(e.lostMoney()).isCloseTo(group.lost(), within(1e-9));
        assertThat(e.lost().get(0).at()).isAfter(e.lost().get(13).at());
    }

    @Test
    void aPartOwnsThePrintsFromWhenItWasFitted() {
        shop.filmChange(bad, from + 21.5);
        Evidence e = of(EvidenceKind.PART, shop.now(bad).film().code());
        assertThat(e.prints()).isEqualTo(29);
        assertThat(e.compared().first().prints()).isEqualTo(29);
        assertThat(e.facts()).anySatisfy(f -> assertThat(f.value()).contains("FEP, 0.127 mm"));
        assertThat(of(EvidenceKind.PART, shop.now(bad).plate().code()).prints()).isEqualTo(40);
    }

    /** The film is changed first, and what was seen is logged afterwards, as it goes in a shop. */
    @Test
    void aFailureBelongsToTheFilmThatWasOnWhenItsPrintBegan() {
        String old = shop.now(bad).film().code();
        shop.filmChange(bad, hour - 5);
        Evidence.LostPrint last = of(EvidenceKind.MACHINE, bad).lost().get(0);
        long failure = failures.log(new FailureEntry(
                        bad, last.run(), TestShop.at(hour - 4), List.of("bare-plate"), null, null, null))
                .id();
        Evidence before = of(EvidenceKind.PART, old);
        assertThat(before.lost().get(0).failure()).isEqualTo(failure);
        assertThat(before.other()).isZero();
        Evidence after = of(EvidenceKind.PART, shop.now(bad).film().code());
        assertThat(after.lost()).isEmpty();
        assertThat(after.other()).isZero();
    }

    @Test
    void thePaperSaysWhatItIsAndNamesNobody() throws IOException {
        identities.set(bad, "SN 00-42", LocalDate.of(2025, 1, 3), LocalDate.of(2097, 1, 3));
        String text = text(paper.pdf(of(EvidenceKind.MACHINE, bad)));
        assertThat(of(EvidenceKind.MACHINE, good).warranty()).isNull();
        assertThat(text)
                .contains(
                        "under warranty until 3 Jan 2097.",
                        "SN 00-42",
                        "3 Jan 2097",
                        "fails more often: 14 of 40",
                        "layer 400 of 1000",
                        "not named")
                .doesNotContainIgnoringCase("keeper")
                .doesNotContain("Sunday keeper");
    }

    private static String text(byte[] pdf) throws IOException {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            assertThat(document.getPage(0).getMediaBox().getWidth()).isCloseTo(595.3f, within(1f));
            return new PDFTextStripper().getText(document).replaceAll("\\s+", " ");
        }
    }

    @Test
    void theZipHasThePaperAndItsTables() throws IOException {
        shop.failure(bad, hour - 5, "bare-plate");
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        file.write(of(EvidenceKind.MACHINE, bad), out);
        Map<String, byte[]> in = new LinkedHashMap<>();
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(out.toByteArray()))) {
            for (var entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                in.put(entry.getName(), zip.readAllBytes());
            }
        }
        assertThat(in).containsKeys("evidence.pdf", "what-it-is.csv", "prints-lost.csv", "done-and-measured.csv");
        String lost = new String(in.get("prints-lost.csv"), StandardCharsets.UTF_8);
        assertThat(lost.lines()).hasSize(15);
        assertThat(of(EvidenceKind.MACHINE, bad).other()).isEqualTo(1);
    }

    @Test
    void whatIsNotThereIsSaidSo() {
        assertThatThrownBy(() -> of(EvidenceKind.PACK, "K9999")).isInstanceOf(NotThere.class);
        assertThatThrownBy(() -> of(EvidenceKind.BOTTLE, "B9999")).isInstanceOf(NotThere.class);
        assertThatThrownBy(() -> of(EvidenceKind.PART, "F99999")).isInstanceOf(NotThere.class);
        assertThatThrownBy(() -> EvidenceKind.of("person")).isInstanceOf(NotThere.class);
    }

    @Test
    void aMachineThatPrintedNothingHasAPaperToo() throws IOException {
        String idle = shop.maskMachine();
        Evidence e = of(EvidenceKind.MACHINE, idle);
        assertThat(e.prints()).isZero();
        assertThat(e.compared().says()).isEqualTo(Compared.Says.NOTHING);
        assertThat(text(paper.pdf(e))).contains("Nothing to compare", "0 prints in this time");
    }

    @Test
    void theSerialNumberIsTheKeepersAndItsDatesMustHold() {
        assertThatThrownBy(() -> identities.set(bad, "1", LocalDate.of(2026, 1, 2), LocalDate.of(2026, 1, 1)))
                .isInstanceOf(Refused.class);
        assertThatThrownBy(() -> identities.set(bad, "1", LocalDate.of(2999, 1, 2), null))
                .isInstanceOf(Refused.class);
        assertThatThrownBy(() -> identities.set(bad, "x".repeat(61), null, null))
                .isInstanceOf(Refused.class);
        shop.as("operator");
        assertThatThrownBy(() -> identities.set(bad, "1", null, null)).isInstanceOf(AccessDeniedException.class);
        shop.as("keeper");
        identities.set(bad, " 17 ", null, null);
        assertThat(identities.of(bad).serial()).isEqualTo("17");
        identities.set(bad, "", null, null);
        assertThat(identities.of(bad).serial()).isNull();
    }
}
