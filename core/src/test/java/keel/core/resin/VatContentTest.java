package keel.core.resin;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;

class VatContentTest {

    private static final Instant T = Instant.parse("2025-05-01T08:00:00Z");

    @Test
    void whatIsPouredLessWhatIsPrintedIsIn() {
        VatContent content =
                VatContent.after(List.of(new VatContent.Printed(at(2), 84), new VatContent.Poured(at(1), "grey", 240)));
        assertThat(content).isEqualTo(new VatContent("grey", 156, at(1), null));
    }

    @Test
    void anotherResinOnTopMixes() {
        VatContent content = VatContent.after(
                List.of(new VatContent.Poured(at(1), "grey", 100), new VatContent.Poured(at(2), "blue", 50)));
        assertThat(content.mixedAt()).isEqualTo(at(2));
        assertThat(content.ml()).isEqualTo(150);
    }

    @Test
    void theSameResinOnTopDoesNot() {
        assertThat(VatContent.after(List.of(
                                new VatContent.Poured(at(1), "grey", 100), new VatContent.Poured(at(2), "grey", 50)))
                        .mixedAt())
                .isNull();
    }

    @Test
    void anEmptiedVatForgetsWhatWasMixed() {
        assertThat(VatContent.after(List.of(
                        new VatContent.Poured(at(1), "grey", 100),
                        new VatContent.Poured(at(2), "blue", 50),
                        new VatContent.Emptied(at(3)),
                        new VatContent.Poured(at(4), "blue", 200))))
                .isEqualTo(new VatContent("blue", 200, at(4), null));
    }

    @Test
    void itNeverHoldsLessThanNothing() {
        assertThat(VatContent.after(
                                List.of(new VatContent.Poured(at(1), "grey", 50), new VatContent.Printed(at(2), 80)))
                        .ml())
                .isZero();
    }

    private static Instant at(int hour) {
        return T.plusSeconds(3600L * hour);
    }

    @Test
    void whatSomebodyMeasuredCountsWhateverWasReckoned() {
        Instant at = Instant.parse("2025-03-03T08:00:00Z");
        VatContent content = VatContent.after(List.of(
                new VatContent.Poured(at, "reed-grey", 200),
                new VatContent.Printed(at.plusSeconds(60), 80),
                new VatContent.Measured(at.plusSeconds(120), 95),
                new VatContent.Printed(at.plusSeconds(180), 15)));
        assertThat(content.ml()).isEqualTo(80);
        assertThat(content.resin()).isEqualTo("reed-grey");
    }
}
