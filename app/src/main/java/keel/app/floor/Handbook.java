package keel.app.floor;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import keel.app.base.NotThere;
import org.springframework.stereotype.Component;

/** The handbook that ships with the application: a chapter a job, in the order of the work. */
@Component
public class Handbook {

    private static final List<String> CHAPTERS = List.of(
            "set-up",
            "fleet",
            "round",
            "week",
            "orders",
            "files",
            "print",
            "failures",
            "patterns",
            "bench",
            "films",
            "screens",
            "lives",
            "stores",
            "wash-and-waste",
            "costs",
            "air",
            "quick-line",
            "records",
            "programs");

    /** Which pages a chapter is about; the first that fits counts. */
    private record About(Pattern page, String chapter) {

        static About of(String pages, String chapter) {
            return new About(Pattern.compile(pages), chapter);
        }
    }

    private static final List<About> PAGES = List.of(
            About.of("/files.*", "files"),
            About.of("/orders.*|/runs/[^/]+/parts", "orders"),
            About.of("/patterns.*|/evidence.*", "patterns"),
            About.of("/machines/[^/]+/(start|plate|run|after|profiles|tilt).*|/runs.*", "print"),
            About.of("/machines/[^/]+/(screen|uv|layers|smoothing).*|/bench/screens.*", "screens"),
            About.of("/machines/[^/]+/pour.*|/stores.*", "stores"),
            About.of("/machines/[^/]+/.+|/guides.*|/instruments.*", "bench"),
            About.of("/failures.*|/knowledge.*|/quirks.*|/how-a-layer-is-made", "failures"),
            About.of("/bench/(lives|spares).*", "lives"),
            About.of("/round.*|/bench/upkeep.*", "round"),
            About.of("/week.*|/jobs.*|/reminders.*", "week"),
            About.of("/bench.*|/vats.*", "films"),
            About.of("/wash.*|/waste.*|/incidents.*", "wash-and-waste"),
            About.of("/costs.*|/month.*", "costs"),
            About.of("/air.*", "air"),
            About.of("/labels|/quick.*", "quick-line"),
            About.of("/logbook.*|/account|/hand-over|/setup/people.*", "records"),
            About.of("/setup.*|/begin.*", "set-up"));

    /** A chapter: what its address calls it, its title, and what stands in it, Markdown. */
    public record Chapter(String code, String title, String text) {}

    private final List<Chapter> chapters = CHAPTERS.stream().map(Handbook::read).toList();

    public List<Chapter> chapters() {
        return chapters;
    }

    /** @throws NotThere if there is no such chapter */
    public Chapter chapter(String code) {
        return find(code).orElseThrow(() -> new NotThere("The handbook has no chapter " + code + "."));
    }

    /** The chapter before, or after, another one; empty at either end. */
    public Optional<Chapter> beside(Chapter chapter, int step) {
        int at = chapters.indexOf(chapter) + step;
        return at >= 0 && at < chapters.size() ? Optional.of(chapters.get(at)) : Optional.empty();
    }

    /** The chapter about the page at this address. */
    public String about(String path) {
        return PAGES.stream()
                .filter(a -> a.page().matcher(path).matches())
                .map(About::chapter)
                .findFirst()
                .orElse("fleet");
    }

    private Optional<Chapter> find(String code) {
        return chapters.stream().filter(c -> c.code().equals(code)).findFirst();
    }

    private static Chapter read(String code) {
        try (InputStream in = Handbook.class.getResourceAsStream("/handbook/" + code + ".md")) {
            String text = new String(in.readAllBytes(), StandardCharsets.UTF_8);
            String title = text.lines().findFirst().orElseThrow().substring(2);
            return new Chapter(code, title, text);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
