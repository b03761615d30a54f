package keel.app.floor.web;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.type.TypeReference;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import keel.app.base.Refused;
import keel.app.floor.bring.Bringing;
import keel.core.bring.BringKind;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Tables from elsewhere, for programs. */
@RestController
@RequestMapping("/api/v1/import")
class BringApi {

    private static final TypeReference<Map<String, String>> TEXTS = new TypeReference<>() {};

    private static final String TEXTS_LIKE = "This is a JSON object of texts, like {\"Printer\": \"machine\"}.";

    private final Bringing bringing;
    private final ObjectMapper json;

    BringApi(Bringing bringing, ObjectMapper json) {
        this.bringing = bringing;
        this.json = json;
    }

    /**
     * What a table holds.
     *
     * @param rows below its headings, of which {@code good} can be written or are on record {@code already}
     * @param applied whether it was written; {@code batch} under which it can be taken back, null where nothing was new
     */
    record Answer(
            List<Bringing.Column> columns,
            int rows,
            int good,
            int already,
            List<Bringing.Problem> problems,
            String readAs,
            boolean applied,
            Long batch) {

        static Answer of(Bringing.Looked looked, boolean applied) {
            return new Answer(
                    looked.columns(),
                    looked.rows(),
                    looked.good(),
                    looked.already(),
                    looked.problems(),
                    looked.how(),
                    applied,
                    looked.batch());
        }
    }

    /**
     * Says what would be written and what is wrong, and writes nothing.
     *
     * @param kind MACHINES, RUNS, FAILURES or STOCK
     * @param map JSON: heading → field, an empty one for a column that is left out; guessed where left out
     * @param words JSON: word → code, for outcomes, symptoms and machines
     */
    @PostMapping(value = "/preview", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    Answer preview(
            @RequestParam(required = false) MultipartFile file,
            @RequestParam(required = false) String kind,
            @RequestParam(required = false) String map,
            @RequestParam(required = false) String words)
            throws IOException {
        return Answer.of(bringing.look(asked(file, kind, map, words)), false);
    }

    /** Writes all of it; where something is wrong nothing, and 422 says what. {@code apply=false} only looks. */
    @PostMapping(consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    ResponseEntity<Answer> bring(
            @RequestParam(required = false) MultipartFile file,
            @RequestParam(required = false) String kind,
            @RequestParam(required = false) String map,
            @RequestParam(required = false) String words,
            @RequestParam(defaultValue = "true") boolean apply)
            throws IOException {
        Bringing.Asked asked = asked(file, kind, map, words);
        Bringing.Looked looked = apply ? bringing.apply(asked) : bringing.look(asked);
        boolean well = looked.problems().isEmpty();
        return ResponseEntity.status(well ? HttpStatus.OK : HttpStatus.UNPROCESSABLE_ENTITY)
                .body(Answer.of(looked, apply && well));
    }

    /** Takes back all that a table brought. */
    @PostMapping("/{batch}/undo")
    void undo(@PathVariable long batch) {
        bringing.takeBack(batch);
    }

    private Bringing.Asked asked(MultipartFile file, String kind, String map, String words) throws IOException {
        if (file == null || file.isEmpty()) {
            throw new Refused("file", "No file was chosen, or it is empty.");
        }
        BringKind of = Arrays.stream(BringKind.values())
                .filter(k -> k.name().equals(kind))
                .findFirst()
                .orElseThrow(() -> new Refused("kind", "The kind is MACHINES, RUNS, FAILURES or STOCK."));
        return new Bringing.Asked(
                file.getOriginalFilename(), file.getBytes(), of, texts(map, "map"), texts(words, "words"));
    }

    private Map<String, String> texts(String text, String field) {
        if (text == null || text.isBlank()) {
            return Map.of();
        }
        try {
            Map<String, String> texts = json.readValue(text, TEXTS);
            if (texts == null) {
                throw new Refused(field, TEXTS_LIKE);
            }
            texts.replaceAll((key, value) -> value == null ? "" : value);
            return texts;
        } catch (JsonProcessingException e) {
            throw new Refused(field, TEXTS_LIKE);
        }
    }
}
