package keel.app.floor.web;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import keel.app.floor.export.Export;
import keel.app.people.Actor;
import keel.app.people.Role;
import org.springframework.http.HttpHeaders;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;

/** All that was written, to be taken along. */
@Controller
class ExportController {

    private final Export export;

    ExportController(Export export) {
        this.export = export;
    }

    /** A Frictionless Data Package as a ZIP, for the owner. */
    @GetMapping({"/export", "/api/v1/export"})
    void export(HttpServletResponse response) throws IOException {
        Actor.require(Role.OWNER);
        response.setContentType("application/zip");
        response.setHeader(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"vigilant-keel.zip\"");
        export.write(response.getOutputStream());
    }
}
