package keel.app.floor.find;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.Arrays;
import java.util.List;
import keel.app.failures.FailureView;
import keel.app.prints.RunView;
import keel.app.support.ApiCalls;
import keel.core.find.Findable;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** What a few letters find in the shop. */
class FinderTest extends ApiCalls {

    @Autowired
    private Finder finder;

    private List<String> urls(String q) {
        return finder.find(q).stream().map(Findable::url).toList();
    }

    @Test
    void machinesRunsAndFailuresAreFoundByNameAndNumber() {
        String m = shop.maskMachine();
        RunView run = shop.run(m, 1, 4);
        FailureView failure = shop.failure(m, 3, "bare-plate");
        assertThat(urls(shop.now(m).name()).get(0)).isEqualTo("/machines/" + m);
        assertThat(urls("run " + run.id()).get(0)).isEqualTo("/runs/" + run.id());
        assertThat(urls(Long.toString(run.id()))).contains("/runs/" + run.id());
        assertThat(urls("failure " + failure.id()).get(0)).isEqualTo("/failures/" + failure.id());
        assertThat(urls("latch " + shop.now(m).name())).contains("/runs/" + run.id());
    }

    @Test
    void manyOfOneKindDoNotHideTheOthers() {
        String m = shop.maskMachine();
        for (int i = 0; i < 14; i++) {
            shop.run(m, 10 + 10 * i, 4);
        }
        List<Findable> found = finder.find(shop.now(m).name());
        assertThat(found).extracting(Findable::kind).contains("machine", "vat", "run");
        assertThat(found).filteredOn(f -> f.kind().equals("run")).hasSizeLessThanOrEqualTo(8);
        assertThat(found.get(0).url()).isEqualTo("/machines/" + m);
    }

    @Test
    void partsPagesAndChaptersAreFoundByWhatTheyAreCalled() {
        String m = shop.maskMachine();
        String vat = shop.now(m).vat().code();
        assertThat(urls(vat).get(0)).isEqualTo("/vats/" + vat);
        assertThat(urls("screens and").get(0)).isEqualTo("/bench/screens");
        assertThat(urls("maintenance")).contains("/bench/upkeep");
        assertThat(urls("ventilation")).contains("/air");
        assertThat(urls("leak")).contains("/emergency/");
        assertThat(urls("laser tanks")).contains("/help/bench");
    }

    @Test
    void nothingAndNonsenseFindNothingAndMuchIsCut() throws Exception {
        assertThat(finder.find("")).isEmpty();
        assertThat(finder.find(null)).isEmpty();
        assertThat(finder.find("zzqqxx")).isEmpty();
        assertThat(finder.find("a".repeat(5000))).isEmpty();
        assertThat(finder.find("%%%% ____")).isEmpty();
        assertThat(finder.find("999999999999999999999")).isEmpty();
        JsonNode found = get("/api/v1/find?q=e").body();
        assertThat(found.size()).isBetween(1, Finder.MOST);
        assertThat(Arrays.asList("kind", "name", "url"))
                .allSatisfy(f -> assertThat(found.get(0).has(f)).isTrue());
    }
}
