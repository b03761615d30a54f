package keel.core.quick;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** The table of sentences as hands type them; invented, common practice. */
class SentencesTest {

    /** A sentence and what it has to be read as, or to offer. */
    record Sentence(String line, String plain) {

        @Override
        public String toString() {
            return line;
        }
    }

    private static List<String> lines() {
        try (InputStream in = SentencesTest.class.getResourceAsStream("/keel/quick/sentences.txt")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8)
                    .lines()
                    .filter(l -> !l.isBlank() && !l.startsWith("#"))
                    .toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Stream<Sentence> sentences(char wanted) {
        List<Sentence> all = new ArrayList<>();
        String plain = null;
        char kind = ' ';
        for (String line : lines()) {
            char first = line.charAt(0);
            if (first == '=' || first == '!') {
                kind = first;
                plain = line.substring(1).strip();
            } else if (first == '?') {
                String[] parts = line.substring(1).split(">");
                if (wanted == '?') {
                    all.add(new Sentence(parts[0].strip(), parts[1].strip()));
                }
            } else if (kind == wanted) {
                all.add(new Sentence(line, plain));
            }
        }
        return all.stream();
    }

    static Stream<Sentence> entries() {
        return sentences('=');
    }

    static Stream<Sentence> noEntries() {
        return sentences('!');
    }

    static Stream<Sentence> offers() {
        return sentences('?');
    }

    private static Reading read(String line) {
        return QuickLineTest.LINE.read(line, QuickLineTest.SHOP);
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("entries")
    void isReadAsItsPlainForm(Sentence sentence) {
        Reading plain = read(sentence.plain());
        assertThat(plain.understood()).as(plain.words()).isTrue();
        Reading read = read(sentence.line());
        assertThat(read.entries()).as(read.words()).isEqualTo(plain.entries());
        assertThat(read.words()).isNotBlank();
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("noEntries")
    void isNoEntry(Sentence sentence) {
        Reading read = read(sentence.line());
        assertThat(read.entries()).as(read.words()).isEmpty();
        assertThat(read.words()).isNotBlank();
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("offers")
    void isOfferedAsAChoice(Sentence sentence) {
        Reading read = read(sentence.line());
        assertThat(read.entries()).as(read.words()).isEmpty();
        assertThat(read.choices()).extracting(Reading.Choice::line).contains(sentence.plain());
        assertThat(read(sentence.plain()).understood()).isTrue();
    }

    @Test
    void theTableIsLongEnoughToMeanSomething() {
        assertThat(lines().stream().filter(l -> l.charAt(0) != '=' && l.charAt(0) != '!'))
                .hasSizeGreaterThanOrEqualTo(300)
                .doesNotHaveDuplicates();
    }
}
