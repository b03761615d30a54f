package keel.app.floor.web;

import keel.app.floor.QuickLines;
import keel.app.floor.Understood;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/v1/quick")
class QuickApi {

    private final QuickLines lines;

    QuickApi(QuickLines lines) {
        this.lines = lines;
    }

    record TypedLine(String line, boolean commit) {}

    record Undone(String reading) {}

    /** Reads a line; writes it only with {@code commit} and only if it is clear. */
    @PostMapping
    Understood quick(@RequestBody TypedLine line) {
        return line.commit() ? lines.commit(line.line()) : lines.read(line.line());
    }

    /** Takes a line back within a minute. */
    @PostMapping("/{id}/undo")
    Undone undo(@PathVariable long id) {
        return new Undone(lines.undo(id));
    }
}
