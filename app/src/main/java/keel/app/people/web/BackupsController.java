package keel.app.people.web;

import jakarta.servlet.http.HttpServletResponse;
import java.nio.file.Path;
import keel.app.base.Conflict;
import keel.app.base.NotThere;
import keel.app.base.PageErrors;
import keel.app.people.Actor;
import keel.app.people.Role;
import keel.app.shell.DailyBackups;
import org.springframework.core.io.FileSystemResource;
import org.springframework.core.io.Resource;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;

/** The backups that make themselves: how old the last is, each to be taken along, one more at once. */
@Controller
class BackupsController {

    private final DailyBackups backups;

    BackupsController(DailyBackups backups) {
        this.backups = backups;
    }

    @GetMapping("/setup/backups")
    String shelf(Model model) {
        Actor.require(Role.OWNER);
        model.addAttribute("shelf", backups.shelf());
        return "people/backups";
    }

    @PostMapping("/setup/backups")
    String make(Model model, HttpServletResponse response) {
        Actor.require(Role.OWNER);
        return PageErrors.tried(this::makeOne, "/setup/backups", model, response, () -> shelf(model));
    }

    private void makeOne() {
        try {
            backups.make();
        } catch (IllegalStateException e) {
            throw new Conflict(e.getMessage());
        }
    }

    @GetMapping("/setup/backups/{name}")
    ResponseEntity<Resource> file(@PathVariable String name) {
        Actor.require(Role.OWNER);
        Path file = backups.file(name).orElseThrow(() -> new NotThere("There is no such backup."));
        return ResponseEntity.ok()
                .contentType(MediaType.valueOf("application/zip"))
                .header("Content-Disposition", "attachment; filename=\"" + file.getFileName() + "\"")
                .body(new FileSystemResource(file));
    }
}
