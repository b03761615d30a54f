package keel.app.floor.web;

import keel.app.floor.Audit;
import keel.app.people.Actor;
import keel.app.people.Role;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;

/** Whether every figure follows from the record: the owner looks, and sees what was found last. */
@Controller
class AuditController {

    private final Audit audit;

    AuditController(Audit audit) {
        this.audit = audit;
    }

    @GetMapping("/setup/audit")
    String last(Model model) {
        Actor.require(Role.OWNER);
        model.addAttribute("report", audit.last());
        return "floor/audit";
    }

    @PostMapping("/setup/audit")
    String look() {
        Actor.require(Role.OWNER);
        audit.look();
        return "redirect:/setup/audit";
    }
}
