package keel.app.stores;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Stream;
import keel.app.support.AppTest;
import keel.app.support.AtOnce;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** Whoever takes something into the stores gets a code of their own, also where others do so at the same moment. */
class NumbersAtOnceTest extends AppTest {

    private static final int PEOPLE = 8;

    @Autowired
    private Bottles bottles;

    @Autowired
    private FilmPacks packs;

    @Autowired
    private Baths baths;

    @Test
    void eightAtOnceAllGetCodesOfTheirOwn() throws Exception {
        String grey = shop.resin("Grey");
        Bottles.Entry two = new Bottles.Entry(grey, 2, 500.0, null, null, null, null);
        List<Object> codes = AtOnce.times(PEOPLE, () -> {
            shop.as("keeper");
            return bottles.add(two);
        });
        assertThat(codes.stream().flatMap(c -> ((List<?>) c).stream()))
                .hasSize(2 * PEOPLE)
                .doesNotHaveDuplicates();
        FilmPacks.PackEntry sheets = new FilmPacks.PackEntry("Tern", null, "FEP", 0.127, 300.0, 200.0, 10, null);
        assertThat(AtOnce.times(PEOPLE, () -> {
                    shop.as("keeper");
                    return packs.add(sheets);
                }))
                .allSatisfy(c -> assertThat((String) c).startsWith("K"))
                .doesNotHaveDuplicates();
        assertThat(AtOnce.times(PEOPLE, () -> {
                    shop.as("keeper");
                    return baths.add("ALCOHOL", "ONLY", 2000.0);
                }))
                .allSatisfy(c -> assertThat((String) c).startsWith("W"))
                .doesNotHaveDuplicates();
    }

    /** Each takes its share; what is left is what all together left. */
    @Test
    void eightWhoTakeFromOneItemAtOnceAreAllCounted() throws Exception {
        String gloves = shop.item("Gloves", 100);
        AtOnce.times(PEOPLE, () -> {
            shop.as("keeper");
            return stock.move(gloves, -3.0, "used");
        });
        assertThat(stock.one(gloves).quantity()).isEqualTo(100 - 3 * PEOPLE);
        assertThat(Stream.of(stock.movements(gloves)).flatMap(List::stream).mapToDouble(Stock.MovementView::quantity))
                .hasSize(PEOPLE + 1);
    }

    @Autowired
    private Stock stock;
}
