package keel.app.bench;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import keel.app.support.PageTest;
import org.junit.jupiter.api.Test;

class FirstLayerPagesTest extends PageTest {

    private static String[] heldBut(String lost, String... more) {
        List<String> fields = new ArrayList<>();
        for (char column = 'A'; column <= 'F'; column++) {
            for (int row = 1; row <= 4; row++) {
                if (!lost.contains("" + column + row)) {
                    fields.addAll(List.of("held", "" + column + row));
                }
            }
        }
        fields.addAll(List.of(more));
        return fields.toArray(String[]::new);
    }

    @Test
    void aLostSideIsNamedAndOnlyWrittenDownWhenAsked() {
        String m = shop.maskMachine();
        String path = "/machines/" + m + "/first-layer";
        assertThat(form(path, heldBut("A1 A2 A3 A4 B1 B2 B3 B4")).html())
                .contains("The left side did not hold", "Write it down");
        assertThat(page(path)).doesNotContain("Earlier");
        accepted(path, heldBut("A1 A2 A3 A4 B1 B2 B3 B4", "keep", "true"));
        assertThat(page(path)).contains("Earlier", "16 of 24 patches held. The left side did not hold");
        assertThat(page("/machines/" + m)).contains("first-layer test, 16 of 24");
    }

    @Test
    void nothingTickedMeansNothingHeldAndNonsenseIsPassedOver() {
        String m = shop.maskMachine();
        assertThat(form("/machines/" + m + "/first-layer").html()).contains("Nothing held anywhere.");
        assertThat(form("/machines/" + m + "/first-layer", heldBut("C2 C3", "held", "Z9"))
                        .html())
                .contains("One place did not hold, C2 C3.");
    }
}
