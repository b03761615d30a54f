package keel.app.people.web;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import keel.app.base.PageErrors;
import keel.app.base.Refused;
import keel.app.people.Actor;
import keel.app.people.PasswordSignIn;
import keel.app.people.People;
import keel.app.people.Throttle;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Sign-in, the first account, hand-over by PIN, own password and PIN. */
@Controller
class SignInController {

    private final People people;
    private final Throttle throttle;
    private final HttpSessionSecurityContextRepository sessions = new HttpSessionSecurityContextRepository();

    SignInController(People people, Throttle throttle) {
        this.people = people;
        this.throttle = throttle;
    }

    @GetMapping("/sign-in")
    String signIn(
            @RequestParam(required = false) String wrong,
            @RequestParam(required = false) String slow,
            @RequestParam(required = false) String out,
            Model model) {
        String message = slow != null
                ? "Too many wrong tries. Wait a minute, then try again."
                : wrong != null
                        ? "That name and password do not go together. Try again."
                        : out != null ? "Signed out." : null;
        model.addAttribute("message", message);
        return "people/sign-in";
    }

    @GetMapping("/first")
    String firstForm(Model model) {
        if (!people.nobodyYet()) {
            return "redirect:/sign-in";
        }
        model.addAttribute("form", new FirstForm("", "", ""));
        return "people/first";
    }

    record FirstForm(String signIn, String name, String password) {}

    @PostMapping("/first")
    String first(FirstForm form, Model model, HttpServletRequest request, HttpServletResponse response) {
        try {
            signInAs(people.first(form.signIn(), form.name(), form.password()), request, response);
            return "redirect:/setup";
        } catch (Refused e) {
            PageErrors.show(e, model, response);
            model.addAttribute("form", form);
            return "people/first";
        }
    }

    @GetMapping("/hand-over")
    String handOverForm(Model model) {
        model.addAttribute("people", people.withPin());
        return "people/hand-over";
    }

    @PostMapping("/hand-over")
    String handOver(
            @RequestParam String signIn,
            @RequestParam String pin,
            Model model,
            HttpServletRequest request,
            HttpServletResponse response) {
        String address = request.getRemoteAddr();
        String key = "pin " + signIn;
        if (!throttle.allows(key, address)) {
            return handOverAgain("Too many wrong tries. Wait a minute, or sign in with the password.", model, response);
        }
        var actor = people.byPin(signIn, pin);
        if (actor.isEmpty()) {
            throttle.wrong(key, address);
            return handOverAgain("That PIN is not the one of this person.", model, response);
        }
        throttle.right(key, address);
        signInAs(actor.get(), request, response);
        return "redirect:/fleet";
    }

    private String handOverAgain(String message, Model model, HttpServletResponse response) {
        PageErrors.show(new Refused("pin", message), model, response);
        return handOverForm(model);
    }

    @GetMapping("/account")
    String account() {
        return "people/account";
    }

    @PostMapping("/account/password")
    String password(
            @RequestParam String old, @RequestParam String password, Model model, HttpServletResponse response) {
        try {
            people.changeOwnPassword(old, password);
            return "redirect:/account?done";
        } catch (Refused e) {
            PageErrors.show(e, model, response);
            return "people/account";
        }
    }

    @PostMapping("/account/pin")
    String pin(@RequestParam String password, @RequestParam String pin, Model model, HttpServletResponse response) {
        try {
            people.changeOwnPin(password, pin);
            return "redirect:/account?done";
        } catch (Refused e) {
            PageErrors.show(e, model, response);
            return "people/account";
        }
    }

    private void signInAs(Actor actor, HttpServletRequest request, HttpServletResponse response) {
        if (request.getSession(false) != null) {
            request.changeSessionId();
        }
        Authentication authentication = PasswordSignIn.signedIn(actor);
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(authentication);
        SecurityContextHolder.setContext(context);
        sessions.saveContext(context, request, response);
    }
}
