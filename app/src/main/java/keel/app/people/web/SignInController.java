package keel.app.people.web;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Duration;
import keel.app.base.PageErrors;
import keel.app.base.Refused;
import keel.app.people.Actor;
import keel.app.people.FirstCode;
import keel.app.people.PasswordSignIn;
import keel.app.people.People;
import keel.app.people.Refusals;
import keel.app.people.Sitting;
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

    private static final String ENDED =
            "Your sign-in had ended. Nothing was written; go back after this, what you typed is mostly still there.";

    private final People people;
    private final Throttle throttle;
    private final Refusals refusals;
    private final Sitting sitting;
    private final FirstCode firstCode;
    private final HttpSessionSecurityContextRepository sessions = new HttpSessionSecurityContextRepository();

    SignInController(People people, Throttle throttle, Refusals refusals, Sitting sitting, FirstCode firstCode) {
        this.people = people;
        this.throttle = throttle;
        this.refusals = refusals;
        this.sitting = sitting;
        this.firstCode = firstCode;
    }

    @GetMapping("/sign-in")
    String signIn(
            @RequestParam(required = false) String wrong,
            @RequestParam(required = false) String slow,
            @RequestParam(required = false) String out,
            @RequestParam(required = false) String ended,
            Model model) {
        String message = slow != null
                ? "Too many wrong tries. Wait a minute, longer after each, then try again."
                : wrong != null
                        ? "That name and password do not go together. Try again."
                        : ended != null ? ENDED : out != null ? "Signed out." : null;
        model.addAttribute("message", message);
        return "people/sign-in";
    }

    @GetMapping("/first")
    String firstForm(Model model) {
        if (!people.nobodyYet()) {
            return "redirect:/sign-in";
        }
        model.addAttribute("askCode", firstCode.asked());
        model.addAttribute("form", new FirstForm("", "", "", ""));
        return "people/first";
    }

    record FirstForm(String signIn, String name, String password, String code) {}

    @PostMapping("/first")
    String first(FirstForm form, Model model, HttpServletRequest request, HttpServletResponse response) {
        String address = request.getRemoteAddr();
        try {
            if (firstCode.asked() && !(throttle.takes("first", address) && firstCode.is(form.code()))) {
                throw new Refused("code", "That is not the code on the terminal where Vigilant Keel was started.");
            }
            signInAs(people.first(form.signIn(), form.name(), form.password()), request, response);
            return "redirect:/begin";
        } catch (Refused e) {
            PageErrors.show(e, model, response);
            model.addAttribute("form", form);
            model.addAttribute("askCode", firstCode.asked());
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
        if (!throttle.takes(key, address)) {
            refusals.tooMany(signIn, address);
            return handOverAgain(
                    "Too many wrong tries. " + waiting(throttle.wait(key, address)) + " or sign in with the password.",
                    model,
                    response);
        }
        var actor = people.byPin(signIn, pin);
        if (actor.isEmpty()) {
            refusals.wrong(signIn, address, "PIN");
            return handOverAgain("That PIN is not the one of this person.", model, response);
        }
        throttle.right(key, address);
        signInAs(actor.get(), request, response);
        return "redirect:/fleet";
    }

    private static String waiting(Duration left) {
        long minutes = Math.max(1, (left.toSeconds() + 59) / 60);
        return minutes == 1 ? "Wait a minute," : "Wait " + minutes + " minutes,";
    }

    private String handOverAgain(String message, Model model, HttpServletResponse response) {
        PageErrors.show(new Refused("pin", message), model, response);
        return handOverForm(model);
    }

    /** Where a tablet that was left alone asks whether it is still the same person. */
    @GetMapping("/back-in")
    String backInForm(@RequestParam(defaultValue = "/fleet") String to, Model model) {
        Actor actor = Actor.current();
        model.addAttribute("person", actor.displayName());
        model.addAttribute(
                "byPin", people.withPin().stream().anyMatch(p -> p.signIn().equals(actor.signIn())));
        model.addAttribute("to", local(to));
        return "people/back-in";
    }

    @PostMapping("/back-in")
    String backIn(
            @RequestParam String secret,
            @RequestParam(defaultValue = "/fleet") String to,
            Model model,
            HttpServletRequest request,
            HttpServletResponse response) {
        String name = Actor.current().signIn();
        String address = request.getRemoteAddr();
        if (!throttle.takes("pin " + name, address)) {
            refusals.tooMany(name, address);
            PageErrors.show(
                    new Refused(
                            "secret",
                            "Too many wrong tries. " + waiting(throttle.wait("pin " + name, address))
                                    + " or sign out and in again."),
                    model,
                    response);
            return backInForm(to, model);
        }
        var actor = people.byPin(name, secret).or(() -> people.byPassword(name, secret));
        if (actor.isEmpty()) {
            refusals.wrong(name, address, "PIN");
            PageErrors.show(new Refused("secret", "That is not the one of this person."), model, response);
            return backInForm(to, model);
        }
        throttle.right("pin " + name, address);
        signInAs(actor.get(), request, response);
        return "redirect:" + local(to);
    }

    private static String local(String to) {
        return to.matches("/(?![/\\\\]).*") ? to : "/fleet";
    }

    @GetMapping("/account")
    String account() {
        return "people/account";
    }

    @PostMapping("/account/password")
    String password(
            @RequestParam String old,
            @RequestParam String password,
            Model model,
            HttpServletRequest request,
            HttpServletResponse response) {
        try {
            people.changeOwnPassword(old, password);
            signInAs(people.byPassword(Actor.current().signIn(), password).orElseThrow(), request, response);
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
        sitting.opened(request, actor.via() == null);
    }
}
