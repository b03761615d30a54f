package keel.app.base.once;

import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;

/** Where a repeat leads whose first answer is not known any more. */
@Controller
class WrittenPage {

    @GetMapping("/written")
    String written(Model model) {
        model.addAttribute("title", "It was written");
        model.addAttribute(
                "words",
                "It arrived the first time, and was written once; only the answer was lost. Go on to the page where it "
                        + "belongs: it stands there.");
        return "base/problem";
    }
}
