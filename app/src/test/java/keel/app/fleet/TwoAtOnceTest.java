package keel.app.fleet;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import keel.app.air.RoomAir;
import keel.app.failures.Verdicts;
import keel.app.stores.Buying;
import keel.app.stores.Resins;
import keel.app.stores.Stock;
import keel.app.support.PageTest;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;

/** Two people change the same: the second sees what stands now beside what was typed, and nothing is lost. */
class TwoAtOnceTest extends PageTest {

    private static final String FILM = "film.price";
    private static final String LABOUR = "run.labourMinutes";

    @Autowired
    private Verdicts verdicts;

    @Autowired
    private Resins resins;

    @Autowired
    private Stock stock;

    @Autowired
    private Buying buying;

    @Autowired
    private RoomAir rooms;

    @Autowired
    private Fleet fleet;

    @Autowired
    private ShopSettings settings;

    @Autowired
    private JdbcClient jdbc;

    @BeforeEach
    void owner() {
        shop.as("owner");
    }

    private String seen(String page, String form) {
        String html = page(page);
        Matcher found = Pattern.compile("name=\"seen\" value=\"([0-9a-f]+)\"")
                .matcher(html.substring(html.indexOf("action=\"" + form + "\"")));
        assertThat(found.find()).as("what was seen, in " + form).isTrue();
        return found.group(1);
    }

    /** Sends what was typed before somebody else's change, then again as the page stands now. */
    private void second(String page, String form, String seen, String theirs, String field, String mine) {
        assertThat(refused(409, "Somebody else changed this", form, field, mine, "seen", seen))
                .contains("Recorded now", "Save again to put it over theirs", theirs)
                .contains("value=\"" + mine + "\"");
        accepted(form, field, mine, "seen", seen(page, form));
    }

    @Test
    void aResin() {
        String code = resins.add("Tidal " + System.nanoTime(), 1.1, null);
        String page = "/stores/resins/" + code;
        String before = seen(page, page);
        resins.change(code, new Resins.Nature(1.234, "Green", 20.0, 25.0, "TOUGH", null, null, null));
        second(page, page, before, "1.234", "densityGPerMl", "1.19");
        assertThat(resins.one(code).densityGPerMl()).isEqualTo(1.19);
    }

    @Test
    void anItemAndHowItIsBought() {
        String code = stock.addItem("Brush " + System.nanoTime(), "pieces", 2.0, 4.0);
        String page = "/stores/" + code;
        String item = seen(page, page + "/change");
        String terms = seen(page, page + "/terms");
        stock.changeItem(code, null, null, 7.0, false);
        buying.change(code, new Buying.Terms(12.0, 3.5, "Harbour Supply", null, null, null, "MUCH"));
        second(page, page + "/change", item, "7.0", "lowAt", "3");
        second(page, page + "/terms", terms, "Harbour Supply", "price", "4");
        assertThat(buying.one(code).terms().price()).isEqualTo(4);
    }

    @Test
    void theCauseOfAFailure() {
        String page =
                "/failures/" + shop.failure(shop.maskMachine(), 5, "tacky").id();
        String before = seen(page, page + "/cause");
        long id = Long.parseLong(page.replaceAll("\\D+", ""));
        verdicts.nameCause(id, "wash-short", "PRESUMED", null);
        String[] mine = {"cause", "z-dry", "certainty", "PRESUMED", "seen", before};
        assertThat(refused(409, "Somebody else changed this", page + "/cause", mine))
                .contains("Recorded now", "Presumed");
        accepted(page + "/cause", "cause", "z-dry", "certainty", "PRESUMED", "seen", seen(page, page + "/cause"));
    }

    @Test
    void aRoom() {
        String page = "/air/rooms/" + fleet.addRoom("Loft " + System.nanoTime());
        String before = seen(page, page);
        rooms.describe(
                page.substring("/air/rooms/".length()), new RoomAir.Described(41.5, 2.0, null, null, null, true, null));
        second(page, page, before, "41.5", "volumeM3", "40");
    }

    @Test
    void aModel() {
        String code = shop.modelOf(shop.maskMachine());
        String page = "/setup/models/" + code;
        String before = seen(page, page);
        ModelEntry entry = fleet.model(code).entry();
        jdbc.sql("update machine_model set fill_line_ml = 321 where code = ?")
                .param(code)
                .update();
        assertThat(refused(409, "Somebody else changed this", page, fields(entry, before)))
                .contains("Recorded now", "321.0");
        accepted(page, fields(entry, seen(page, page)));
    }

    private static String[] fields(ModelEntry e, String seen) {
        return new String[] {
            "name",
            e.name(),
            "kind",
            e.kind().name(),
            "plateWidthMm",
            "" + e.plateWidthMm(),
            "plateDepthMm",
            "" + e.plateDepthMm(),
            "plateHeightMm",
            "" + e.plateHeightMm(),
            "pixelsX",
            "" + e.pixelsX(),
            "pixelsY",
            "" + e.pixelsY(),
            "release",
            e.release(),
            "levelJoint",
            e.levelJoint(),
            "seen",
            seen
        };
    }

    @Test
    void theNameOfTheShop() {
        String before = seen("/setup", "/setup/shop");
        String name = settings.name();
        String zone = settings.zone().getId();
        settings.rename("Saltmarsh two", zone);
        assertThat(refused(409, "Somebody else", "/setup/shop", "name", name, "zone", zone, "seen", before))
                .contains("Saltmarsh two");
        accepted("/setup/shop", "name", name, "zone", zone, "seen", seen("/setup", "/setup/shop"));
    }

    /** What the second left as it was stays as the first set it; what both changed is asked about. */
    @Test
    void figuresOfTheShop() {
        double price = settings.defaults().value(FILM);
        double minutes = settings.defaults().value(LABOUR);
        settings.changeDefaults(Map.of(FILM, "" + (price + 1)));
        String was = "" + price;
        String longer = "" + (minutes + 2);
        accepted("/setup/figures", FILM, was, "was." + FILM, was, LABOUR, longer, "was." + LABOUR, "" + minutes);
        assertThat(settings.defaults().value(FILM)).isEqualTo(price + 1);
        assertThat(settings.defaults().value(LABOUR)).isEqualTo(minutes + 2);
        String dearer = "" + (price + 5);
        assertThat(refused(409, "Somebody else", "/setup/figures", FILM, dearer, "was." + FILM, was))
                .contains("Recorded now", "value=\"" + dearer + "\"");
        assertThat(settings.defaults().value(FILM)).isEqualTo(price + 1);
        settings.changeDefaults(Map.of(FILM, was, LABOUR, "" + minutes));
    }
}
