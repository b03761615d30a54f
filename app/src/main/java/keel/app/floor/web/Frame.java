package keel.app.floor.web;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.net.URI;
import java.time.Clock;
import java.util.Arrays;
import java.util.List;
import keel.app.air.Air;
import keel.app.base.DiskRoom;
import keel.app.fleet.ShopSettings;
import keel.app.floor.Handbook;
import keel.app.people.Actor;
import keel.app.people.Role;
import keel.app.shell.DailyBackups;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;

/** What the frame of every page shows: places, who is signed in, the theme. */
@Controller
@ControllerAdvice(annotations = Controller.class)
public class Frame {

    private static final List<String> THEMES = List.of("auto", "day", "amber");
    private static final List<Place> PLACES = List.of(
            new Place("fleet", "Fleet", "/fleet", "f"),
            new Place("round", "Round", "/round", "r"),
            new Place("week", "Week", "/week", "w"),
            new Place("runs", "Runs", "/runs", "p"),
            new Place("failures", "Failures", "/failures", "x"),
            new Place("patterns", "Patterns", "/patterns", "k"),
            new Place("bench", "Bench", "/bench", "b"),
            new Place("stores", "Stores", "/stores", "s"),
            new Place("air", "Air", "/air", "a"),
            new Place("logbook", "Logbook", "/logbook", "l"));

    private static final List<String> NEAR = List.of("fleet", "round", "runs", "failures");

    private final ShopSettings settings;
    private final Air air;
    private final Handbook handbook;
    private final DailyBackups backups;
    private final DiskRoom disk;
    private final Clock clock;

    Frame(ShopSettings settings, Air air, Handbook handbook, DailyBackups backups, DiskRoom disk, Clock clock) {
        this.settings = settings;
        this.air = air;
        this.handbook = handbook;
        this.backups = backups;
        this.disk = disk;
        this.clock = clock;
    }

    /** What the shop's clock shows, for scripts that count down: milliseconds since 1970. */
    public long shopMillis() {
        return clock.millis();
    }

    /** Rooms whose air somebody has read, for the top line; three at most. */
    public List<Air.RoomNow> rooms() {
        return air.rooms().stream().filter(r -> r.at() != null).limit(3).toList();
    }

    /** What the owner must be told of the disk; null while there is room. */
    public String diskWarning() {
        long free = disk.freeMb();
        return free < settings.defaults().value("disk.warnMb")
                ? "Only " + free + " MB are left on the disk where the records lie."
                : null;
    }

    /** The backups that make themselves; asked for the owner only. */
    public DailyBackups.Shelf backups() {
        return backups.shelf();
    }

    /** A place of the spine with the key that leads there after {@code g}. */
    public record Place(String code, String name, String path, String key) {}

    public List<Place> places() {
        return PLACES;
    }

    /** Those that a phone shows at the bottom; the rest stand behind <i>More</i>. */
    public List<Place> near() {
        return PLACES.stream().filter(p -> NEAR.contains(p.code())).toList();
    }

    public List<Place> behindMore() {
        return PLACES.stream().filter(p -> !NEAR.contains(p.code())).toList();
    }

    /** The zone of the shop's days, by its name in the time zone database. */
    public String zone() {
        return settings.zone().getId();
    }

    public String shopName() {
        return settings.name();
    }

    @ModelAttribute("me")
    public Actor me() {
        Authentication authentication = SecurityContextHolder.getContext().getAuthentication();
        return authentication != null && authentication.getPrincipal() instanceof Actor actor ? actor : null;
    }

    @ModelAttribute("keeper")
    boolean keeper() {
        Actor me = me();
        return me != null && me.role().atLeast(Role.KEEPER);
    }

    @ModelAttribute("owner")
    boolean owner() {
        Actor me = me();
        return me != null && me.role().atLeast(Role.OWNER);
    }

    /** Where the handbook speaks of the page that is shown. */
    public String help() {
        return "/help/" + handbook.about(request().getRequestURI());
    }

    private static HttpServletRequest request() {
        return ((ServletRequestAttributes) RequestContextHolder.currentRequestAttributes()).getRequest();
    }

    /** Theme of this device: auto, day or amber. */
    public String theme() {
        Cookie[] cookies = request().getCookies();
        return cookies == null
                ? "auto"
                : Arrays.stream(cookies)
                        .filter(c -> c.getName().equals("theme"))
                        .map(Cookie::getValue)
                        .filter(THEMES::contains)
                        .findFirst()
                        .orElse("auto");
    }

    /** Keeps the theme on this device and goes back to the page it was asked from. */
    @PostMapping("/theme")
    String changeTheme(
            @RequestParam String theme,
            @RequestHeader(name = "Referer", required = false) String from,
            HttpServletRequest request,
            HttpServletResponse response) {
        Cookie cookie = new Cookie("theme", THEMES.contains(theme) ? theme : "auto");
        cookie.setPath("/");
        cookie.setHttpOnly(true);
        cookie.setMaxAge(400 * 24 * 3600);
        cookie.setAttribute("SameSite", "Lax");
        cookie.setSecure(request.isSecure());
        response.addCookie(cookie);
        return "redirect:" + path(from);
    }

    private static String path(String from) {
        try {
            String path = from == null ? "/fleet" : URI.create(from).getRawPath();
            return path == null || !path.startsWith("/") || path.startsWith("//") ? "/fleet" : path;
        } catch (IllegalArgumentException e) {
            return "/fleet";
        }
    }
}
