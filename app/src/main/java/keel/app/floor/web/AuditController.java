package keel.app.floor.web;

import keel.app.floor.Audit;
import keel.app.people.Actor;
import keel.app.people.Role;
import keel.app.shell.RebuildCommand;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Whether every figure follows from the record: the owner looks, and sees what was found last. */
@Controller
class AuditController {

    private final Audit audit;
    private final RebuildCommand rebuild;

    AuditController(Audit audit, RebuildCommand rebuild) {
        this.audit = audit;
        this.rebuild = rebuild;
    }

    @GetMapping("/setup/audit")
    String last(Model model) {
        Actor.require(Role.OWNER);
        model.addAttribute("report", audit.last());
        return "floor/audit";
    }

    /** Reckons again what is kept beside the record, and looks once more. */
    @PostMapping("/setup/audit/mend")
    String mend(RedirectAttributes model) {
        Actor.require(Role.OWNER);
        model.addFlashAttribute("mended", rebuild.run());
        audit.look();
        return "redirect:/setup/audit";
    }

    @PostMapping("/setup/audit")
    String look() {
        Actor.require(Role.OWNER);
        audit.look();
        return "redirect:/setup/audit";
    }
}
