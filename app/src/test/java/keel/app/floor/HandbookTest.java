package keel.app.floor;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import keel.app.support.PageTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;

/** The handbook is whole, is read inside the application, and each page leads to its chapter. */
class HandbookTest extends PageTest {

    private static final Pattern LINK = Pattern.compile("\\]\\(([^)]+)\\)");
    private static final Path FOLDER = Path.of("../docs/handbook");

    @Autowired
    private Handbook handbook;

    @Test
    void everyChapterOfTheFolderIsInTheBookAndInItsContents() throws Exception {
        String contents = Files.readString(FOLDER.resolve("README.md"));
        try (Stream<Path> files = Files.list(FOLDER)) {
            List<String> written = files.map(f -> f.getFileName().toString().replace(".md", ""))
                    .filter(name -> !name.equals("README"))
                    .toList();
            assertThat(handbook.chapters())
                    .extracting(Handbook.Chapter::code)
                    .containsExactlyInAnyOrderElementsOf(written);
        }
        assertThat(handbook.chapters())
                .allSatisfy(c -> assertThat(contents).contains("[" + c.title() + "](" + c.code() + ".md)"));
    }

    @Test
    void whatAChapterPointsToIsThere() {
        for (Handbook.Chapter chapter : handbook.chapters()) {
            LINK.matcher(chapter.text())
                    .results()
                    .map(m -> m.group(1))
                    .filter(to -> !to.startsWith("http"))
                    .forEach(to ->
                            assertThat(FOLDER.resolve(to)).as(chapter.code()).exists());
        }
    }

    @Test
    void aChapterIsShownWithItsPicturesAndItsNeighbours() {
        shop.people();
        String html = page("/help/print");
        assertThat(html)
                .contains("<h1>Print</h1>")
                .contains("‹ Files before they are printed")
                .contains("When a print fails ›")
                .containsPattern("src=\"/static/handbook/start-gate-[0-9a-f]{32}\\.png\"")
                .doesNotContain("../screenshots");
        assertThat(page("/help/programs")).contains("<td><code>POST /cost/print</code></td>");
        assertThat(status("/help/knitting")).isEqualTo(404);
    }

    @ParameterizedTest
    @CsvSource({
        "/machines/curlew, fleet",
        "/round, round",
        "/bench/upkeep/3, round",
        "/files/0a1b, files",
        "/machines/curlew/start, print",
        "/machines/curlew/profiles/reed-grey, print",
        "/machines/curlew/screen, screens",
        "/machines/curlew/level, bench",
        "/machines/curlew/pour, stores",
        "/bench, films",
        "/bench/lives, lives",
        "/bench/screens/S1, screens",
        "/vats/V1/tone, films",
        "/wash, wash-and-waste",
        "/setup/people, records",
        "/setup/models/new, set-up",
        "/nowhere, fleet"
    })
    void eachPageLeadsToItsChapter(String path, String chapter) {
        assertThat(handbook.about(path)).isEqualTo(chapter);
    }

    @Test
    void aPageOffersTheChapterAboutIt() {
        shop.people();
        assertThat(page("/costs")).contains("href=\"/help/costs\"");
        assertThat(page("/air")).contains("href=\"/help/air\"");
    }
}
