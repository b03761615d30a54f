package keel.core.find;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

class SearchTest {

    private static final List<Findable> ALL = List.of(
            new Findable("machine", "Curlew", "/machines/curlew", "Tern 144 Long Room"),
            new Findable("machine", "Dunlin", "/machines/dunlin", "Heron 208 Long Room"),
            new Findable("film", "F14", "/films/14", "Curlew V3 FEP"),
            new Findable("film", "F1", "/films/1", "Egret V1"),
            new Findable("run", "Run 214: Hinge patterns, set of eight", "/runs/214", "Curlew"),
            new Findable("room", "Température", "/rooms/t", ""),
            new Findable("page", "Start gate", "/help/print", "questions before a run"));

    private static List<String> found(String q) {
        return Search.of(q, ALL, 30).stream().map(Findable::name).toList();
    }

    @Test
    void aNameIsFoundByItsFirstLettersAndBeforeWhatIsBesideIt() {
        assertThat(found("cur")).startsWith("Curlew").contains("F14", "Run 214: Hinge patterns, set of eight");
        assertThat(found("CURLEW").get(0)).isEqualTo("Curlew");
        assertThat(found("f1")).containsExactly("F1", "F14");
    }

    @Test
    void everyWordTypedMustBeMeant() {
        assertThat(found("curlew film")).containsExactly("F14");
        assertThat(found("hinge curlew")).containsExactly("Run 214: Hinge patterns, set of eight");
        assertThat(found("curlew nonsense")).isEmpty();
        assertThat(found("run 214").get(0)).startsWith("Run 214");
        assertThat(found("214")).hasSize(1);
    }

    @Test
    void oneSlipIsForgivenInWordsAndNeverInNumbers() {
        assertThat(found("culrew")).startsWith("Curlew");
        assertThat(found("dunlim")).startsWith("Dunlin");
        assertThat(found("hnige")).hasSize(1);
        assertThat(found("2144")).isEmpty();
        assertThat(found("cat")).isEmpty();
    }

    @Test
    void marksAndSignsDoNotMatter() {
        assertThat(found("temperature")).containsExactly("Température");
        assertThat(found("  hinge, eight ")).hasSize(1);
        assertThat(found("")).isEmpty();
        assertThat(found(" ?! ")).isEmpty();
    }

    @Test
    void noMoreThanAskedForAreTold() {
        assertThat(Search.of("r", ALL, 2)).hasSize(2);
    }
}
