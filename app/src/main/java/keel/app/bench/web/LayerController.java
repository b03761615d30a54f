package keel.app.bench.web;

import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;

/** The page that shows how a layer is made; causes, cautions and questions lead to it. */
@Controller
class LayerController {

    @GetMapping("/how-a-layer-is-made")
    String layer() {
        return "bench/layer";
    }
}
