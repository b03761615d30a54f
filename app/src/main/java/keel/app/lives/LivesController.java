package keel.app.lives;

import java.util.List;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;

/** How long parts last here. */
@Controller
class LivesController {

    private final PartLives lives;

    LivesController(PartLives lives) {
        this.lives = lives;
    }

    /** A group with its drawing. */
    record Shown(PartLives.Group g, LifeDrawing drawing) {}

    @GetMapping("/bench/lives")
    String lives(Model model) {
        List<Shown> shown = lives.groups().stream().map(g -> new Shown(g, LifeDrawing.of(g))).toList();
        model.addAttribute("shown", shown);
        return "lives/lives";
    }
}
