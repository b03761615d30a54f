package keel.app.floor.web;

import org.springframework.core.io.ClassPathResource;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;

/**
 * The script by which a device keeps what was read last. It stands at the top of all addresses, because it may only see
 * to those below its own.
 */
@Controller
class WorkerController {

    @GetMapping(value = "/worker.js", produces = "text/javascript")
    ResponseEntity<Resource> worker() {
        return ResponseEntity.ok()
                .contentType(MediaType.valueOf("text/javascript;charset=UTF-8"))
                .cacheControl(CacheControl.noCache())
                .body(new ClassPathResource("static/worker.js"));
    }
}
