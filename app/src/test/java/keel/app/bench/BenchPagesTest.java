package keel.app.bench;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import keel.app.fleet.Fleet;
import keel.app.people.LogFilter;
import keel.app.people.LogLine;
import keel.app.people.Logbook;
import keel.app.support.PageTest;
import keel.core.standing.MachineKind;
import keel.core.standing.ServiceField;
import keel.core.standing.ServiceKind;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.springframework.beans.factory.annotation.Autowired;

class BenchPagesTest extends PageTest {

    @Autowired
    private Fleet fleet;

    @Autowired
    private Logbook logbook;

    @ParameterizedTest
    @EnumSource(MachineKind.class)
    void everyServiceHasAFormThatIsAccepted(MachineKind kind) {
        String m = shop.machine(kind, true);
        for (ServiceKind service : ServiceKind.of(fleet.machine(m).traits())) {
            if (service == ServiceKind.VAT_FITTED || service == ServiceKind.VAT_REMOVED) {
                continue;
            }
            String html = page("/machines/" + m + "/services/" + service.name());
            assertThat(html).contains(service.done());
            if (!service.caution().words().isEmpty()) {
                assertThat(html).contains("class=\"caution\"");
            }
            assertThat(accepted("/machines/" + m + "/services/" + service.name(), fields(service, m)))
                    .isEqualTo("/machines/" + m);
            assertThat(line(m, "SERVICE").headline()).isNotBlank();
        }
    }

    @Test
    void aServiceIsTakenBackWithAReasonFromTheMachinesPage() {
        String m = shop.maskMachine();
        accepted("/machines/" + m + "/services/PLATE_DROPPED");
        assertThat(shop.holds(m)).containsExactly("crunch-not-inspected");
        long service = line(m, "SERVICE").subjectId();
        assertThat(form("/services/" + service + "/withdraw", "reason", "", "back", m)
                        .status())
                .isEqualTo(422);
        accepted("/services/" + service + "/withdraw", "reason", "wrong machine", "back", m);
        assertThat(shop.holds(m)).isEmpty();
        assertThat(page("/machines/" + m)).contains("Withdrawn: ", "Because: wrong machine");
    }

    @Test
    void aSpareVatGoesOnAndTheOldOneComesOffWithItsFilm() {
        String m = shop.maskMachine();
        shop.run(m, 1, 4);
        String old = shop.now(m).vat().code();
        String html = refused(
                422,
                "This is no number: thick.",
                "/bench/vats",
                "model",
                shop.modelOf(m),
                "material",
                "FEP",
                "thicknessMm",
                "thick",
                "filmHours",
                "12");
        assertThat(html).contains("value=\"thick\"", "value=\"12\"");
        accepted("/bench/vats", "model", shop.modelOf(m), "material", "PFA", "thicknessMm", "0,1", "filmHours", "12");
        assertThat(page("/machines/" + m + "/services/VAT_FITTED")).contains("film F");
        String spare = page("/machines/" + m + "/services/VAT_FITTED")
                .replaceAll("(?s).*<select[^>]*name=\"vat\"[^>]*>.*?value=\"(V\\d+)\".*", "$1");
        accepted("/machines/" + m + "/services/VAT_FITTED", "vat", spare);
        assertThat(shop.now(m).vat().code()).isEqualTo(spare);
        assertThat(shop.filmHours(m)).isEqualTo(12);
        accepted("/machines/" + m + "/services/VAT_REMOVED", "vat", spare);
        assertThat(shop.holds(m)).contains("film-ended");
        accepted("/machines/" + m + "/services/VAT_FITTED", "vat", old);
        assertThat(shop.filmHours(m)).as("its hours came along").isEqualTo(4);
    }

    @Test
    void aCondemnedFilmHoldsItsMachine() {
        String m = shop.maskMachine();
        accepted("/bench/parts/" + shop.now(m).film().code() + "/condemn", "endReason", "PIERCED");
        assertThat(shop.holds(m)).containsExactly("film-ended");
        assertThat(page("/bench?ended=true")).contains("pierced");
    }

    @Test
    void aDateThatIsNoneIsSaidAtItsField() {
        String m = shop.maskMachine();
        String html = refused(
                422,
                "This is no date and time: yesterday",
                "/machines/" + m + "/services/STANCE_CHECKED",
                "at",
                "yesterday",
                "note",
                "firm now");
        assertThat(html).contains("firm now");
    }

    private LogLine line(String machine, String kind) {
        return logbook.lines(LogFilter.ofMachine(machine, 30)).stream()
                .filter(l -> l.kind().name().equals(kind))
                .findFirst()
                .orElseThrow();
    }

    /** The last choice, yes, a number in range. */
    private String[] fields(ServiceKind service, String m) {
        List<String> fields = new ArrayList<>(List.of("at", "", "note", "by the test"));
        for (ServiceField field : service.fields()) {
            fields.addAll(List.of(
                    field.name(),
                    switch (field.type()) {
                        case CHOICE ->
                            field.options().get(field.options().size() - 1).code();
                        case NUMBER, NUMBERS -> String.valueOf(Math.max(field.low(), 0.1));
                        case YES_NO -> "true";
                        case TEXT -> "1.4.2";
                        case ROOM -> shop.now(m).room();
                        case LIST, VAT, ITEM, PACK, SPARE, CASE, BOTTLE -> "";
                    }));
        }
        return fields.toArray(String[]::new);
    }
}
