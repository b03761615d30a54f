package keel.app.floor.web;

import java.util.List;
import keel.app.floor.Handbook;
import org.commonmark.ext.gfm.tables.TablesExtension;
import org.commonmark.node.AbstractVisitor;
import org.commonmark.node.Image;
import org.commonmark.node.Link;
import org.commonmark.node.Node;
import org.commonmark.parser.Parser;
import org.commonmark.renderer.html.HtmlRenderer;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.servlet.resource.ResourceUrlProvider;

/** The handbook inside the application. */
@Controller
class HelpController {

    private static final List<TablesExtension> EXTENSIONS = List.of((TablesExtension) TablesExtension.create());
    private static final Parser MARKDOWN =
            Parser.builder().extensions(EXTENSIONS).build();
    private static final HtmlRenderer HTML =
            HtmlRenderer.builder().extensions(EXTENSIONS).escapeHtml(true).build();

    private final Handbook handbook;
    private final ResourceUrlProvider files;

    HelpController(Handbook handbook, ResourceUrlProvider files) {
        this.handbook = handbook;
        this.files = files;
    }

    @GetMapping("/help")
    String first() {
        return "redirect:/help/" + handbook.chapters().get(0).code();
    }

    @GetMapping("/help/{code}")
    String chapter(@PathVariable String code, Model model) {
        Handbook.Chapter chapter = handbook.chapter(code);
        Node text = MARKDOWN.parse(chapter.text());
        text.accept(new Addresses());
        model.addAttribute("chapter", chapter);
        model.addAttribute("chapters", handbook.chapters());
        model.addAttribute("text", HTML.render(text));
        model.addAttribute("before", handbook.beside(chapter, -1).orElse(null));
        model.addAttribute("after", handbook.beside(chapter, 1).orElse(null));
        return "floor/help";
    }

    /** Chapters and pictures as they are addressed here. */
    private final class Addresses extends AbstractVisitor {

        @Override
        public void visit(Link link) {
            if (link.getDestination().matches("[a-z-]+\\.md")) {
                link.setDestination("/help/" + link.getDestination().replace(".md", ""));
            }
            visitChildren(link);
        }

        @Override
        public void visit(Image image) {
            String path = image.getDestination().replace("../screenshots/", "/static/handbook/");
            String versioned = files.getForLookupPath(path);
            image.setDestination(versioned == null ? path : versioned);
        }
    }
}
