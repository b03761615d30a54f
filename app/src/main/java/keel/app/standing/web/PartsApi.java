package keel.app.standing.web;

import java.util.List;
import keel.app.base.Paging;
import keel.app.standing.EveryPart;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Every part for programs, and the lives that they make up. */
@RestController
@RequestMapping("/api/v1")
class PartsApi {

    private final EveryPart parts;

    PartsApi(EveryPart parts) {
        this.parts = parts;
    }

    /** Every part ever, newest first: on machines, on the shelf, ended. */
    @GetMapping("/parts")
    List<EveryPart.Part> parts(
            @RequestParam(required = false) String kind,
            @RequestParam(defaultValue = "0") int page,
            @RequestParam(defaultValue = "200") int size) {
        Paging paging = Paging.of(page, size);
        return parts.all(kind).stream().skip(paging.skip()).limit(paging.size()).toList();
    }

    /** How many of each kind and model there ever were, ended and are alive; the parts are those that /parts lists. */
    @GetMapping("/lives")
    List<EveryPart.Lives> lives() {
        return parts.lives();
    }
}
