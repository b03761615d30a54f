package keel.app.people;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Base64;
import java.util.HexFormat;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import keel.app.base.Conflict;
import keel.app.base.NotThere;
import keel.app.base.Refused;
import keel.core.Findings;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** The people of the shop and the tokens of the open interface. */
@Service
@Transactional
public class People {

    private static final Duration USE_NOTED_EVERY = Duration.ofHours(1);

    private final Persons persons;
    private final ApiTokens tokens;
    private final PasswordEncoder encoder;
    private final Clock clock;
    private final TransactionTemplate alone;
    private final SecureRandom random = new SecureRandom();

    People(
            Persons persons,
            ApiTokens tokens,
            PasswordEncoder encoder,
            Clock clock,
            PlatformTransactionManager transactions) {
        this.persons = persons;
        this.tokens = tokens;
        this.encoder = encoder;
        this.clock = clock;
        this.alone = new TransactionTemplate(transactions);
    }

    /** A person as pages show one. */
    public record PersonView(long id, String signIn, String name, Role role, boolean active, boolean hasPin) {}

    /** A token as pages show it; the token itself is shown once, when it is made. */
    public record TokenView(
            long id,
            String name,
            Role role,
            TokenScope scope,
            Instant madeAt,
            Instant endsAt,
            Instant lastUsedAt,
            Instant revokedAt) {}

    @Transactional(readOnly = true)
    public boolean nobodyYet() {
        return persons.count() == 0;
    }

    /**
     * The first person, who is the owner. Only possible while there is nobody: whoever comes second waits until the
     * first is written.
     *
     * @throws Conflict if somebody was quicker
     */
    @Transactional(propagation = Propagation.NOT_SUPPORTED)
    public synchronized Actor first(String signIn, String name, String password) {
        return alone.execute(t -> {
            if (!nobodyYet()) {
                throw new Conflict("The owner's account has been made already. Sign in with it.");
            }
            return create(signIn, name, Role.OWNER, password, null).actor();
        });
    }

    /** Whoever keeps the shop longest, for what the software writes by itself. */
    @Transactional(readOnly = true)
    public Optional<Actor> anOwner() {
        return persons.findFirstByRoleAndActiveTrueOrderById(Role.OWNER).map(Person::actor);
    }

    public PersonView add(String signIn, String name, Role role, String password, String pin) {
        Actor.require(Role.OWNER);
        return view(create(signIn, name, role, password, pin));
    }

    private Person create(String signIn, String name, Role role, String password, String pin) {
        Findings findings = new Findings();
        if (findings.text(signIn, 40, "signIn", "The sign-in")) {
            findings.when(
                    !signIn.matches("[A-Za-z0-9._-]+"),
                    "signIn",
                    "A sign-in has letters, digits, dots, dashes and underscores only.");
            findings.when(persons.taken(signIn), "signIn", "Somebody has this sign-in already.");
        }
        findings.text(name, 80, "name", "The name");
        findings.when(role == null, "role", "Choose a role.");
        SecretRules.password(password, known(signIn, name), findings);
        SecretRules.pin(pin, findings);
        Refused.unless(findings);
        Person person = new Person();
        person.signIn = signIn.toLowerCase(Locale.ROOT);
        person.name = name.strip();
        person.role = role;
        person.passwordHash = encoder.encode(password);
        person.pinHash = blank(pin) ? null : encoder.encode(pin);
        person.createdAt = clock.instant();
        return persons.save(person);
    }

    /** Changes role or takes a person off; the last active owner stays. */
    public void change(long id, Role role, boolean active) {
        Actor.require(Role.OWNER);
        Person person = persons.findById(id).orElseThrow(() -> new NotThere("There is no such person."));
        boolean losesOwner = person.active && person.role == Role.OWNER && (role != Role.OWNER || !active);
        if (losesOwner && persons.countByRoleAndActiveTrue(Role.OWNER) == 1) {
            throw new Conflict("role", "This is the last owner. Make somebody else an owner first.");
        }
        person.role = role;
        person.active = active;
    }

    /** Sets a new password for somebody who forgot it. */
    public void resetPassword(long id, String password) {
        Actor.require(Role.OWNER);
        setPassword(persons.findById(id).orElseThrow(() -> new NotThere("There is no such person.")), password);
    }

    /** Own password; the old one is asked for. */
    public void changeOwnPassword(String old, String password) {
        Person person = self();
        if (old == null || !encoder.matches(old, person.passwordHash)) {
            throw new Refused("old", "That is not the present password.");
        }
        setPassword(person, password);
    }

    /** Own PIN for the hand-over at one tablet; an empty one removes it. The password is asked for. */
    public void changeOwnPin(String password, String pin) {
        Person person = self();
        Findings findings = new Findings();
        findings.when(
                password == null || !encoder.matches(password, person.passwordHash),
                "password",
                "That is not the present password.");
        SecretRules.pin(pin, findings);
        Refused.unless(findings);
        person.pinHash = blank(pin) ? null : encoder.encode(pin);
    }

    /**
     * Asks whoever is signed in for their password again, before what only they may do.
     *
     * @throws Refused at {@code own} if it is another
     */
    @Transactional(readOnly = true)
    public void confirm(String password) {
        if (password == null || !encoder.matches(password, self().passwordHash)) {
            throw new Refused("own", "Say your own password again: this is the owner's matter.");
        }
    }

    public Optional<Actor> byPassword(String signIn, String password) {
        Optional<Person> person = persons.active(signIn == null ? "" : signIn.strip());
        // the same work whether or not the person exists, so that the time taken does not tell
        String hash = person.map(p -> p.passwordHash).orElseGet(this::noHash);
        String given = password == null ? "" : password;
        if (given.length() > SecretRules.LONGEST || !encoder.matches(given, hash)) {
            return Optional.empty();
        }
        person.filter(p -> encoder.upgradeEncoding(p.passwordHash))
                .ifPresent(p -> p.passwordHash = encoder.encode(given));
        return person.map(Person::actor);
    }

    @Transactional(readOnly = true)
    public Optional<Actor> byPin(String signIn, String pin) {
        return persons.active(signIn == null ? "" : signIn)
                .filter(p -> p.pinHash != null && pin != null && encoder.matches(pin, p.pinHash))
                .map(Person::actorByPin);
    }

    /** Whether the person is still active and still has at least the role of the session. */
    @Transactional(readOnly = true)
    public boolean mayStay(Actor actor) {
        return persons.findById(actor.personId())
                .map(p -> p.active && p.role.atLeast(actor.role()) && p.door == actor.door())
                .orElse(false);
    }

    @Transactional(readOnly = true)
    public List<PersonView> all() {
        return persons.findAllByOrderByActiveDescNameAsc().stream()
                .map(People::view)
                .toList();
    }

    @Transactional(readOnly = true)
    public List<PersonView> withPin() {
        return persons.findByActiveTrueAndPinHashNotNullOrderByName().stream()
                .map(People::view)
                .toList();
    }

    /** Makes a token for all that its role may, without an end, and answers it; it cannot be shown again. */
    public String makeToken(String name, Role role) {
        return makeToken(name, role, TokenScope.ALL, null);
    }

    /**
     * Makes a token and answers it; it cannot be shown again.
     *
     * @param endsAt from when on it is not taken any more; null if it goes on
     */
    public String makeToken(String name, Role role, TokenScope scope, Instant endsAt) {
        Actor owner = Actor.require(Role.OWNER);
        return made(owner, name, role, scope, endsAt);
    }

    /** What somebody is called. */
    @Transactional(readOnly = true)
    public String nameOf(long id) {
        return persons.findById(id).map(p -> p.name).orElse("");
    }

    /** Makes a token that reads the calendar and no more, for whoever asks, and answers it. */
    public String makeCalendarToken() {
        Actor own = Actor.current();
        return made(own, "Calendar of " + own.displayName(), own.role(), TokenScope.CALENDAR, null);
    }

    private String made(Actor by, String name, Role role, TokenScope scope, Instant endsAt) {
        Findings findings = new Findings();
        findings.text(name, 80, "name", "What the token is for");
        findings.when(role == null, "role", "Choose a role.");
        findings.when(endsAt != null && !endsAt.isAfter(clock.instant()), "endsAt", "That end has passed already.");
        Refused.unless(findings);
        byte[] bits = new byte[32];
        random.nextBytes(bits);
        String token = "keel_" + Base64.getUrlEncoder().withoutPadding().encodeToString(bits);
        ApiToken made = new ApiToken();
        made.name = name.strip();
        made.role = role;
        made.scope = scope;
        made.endsAt = endsAt;
        made.tokenHash = hash(token);
        made.madeBy = by.personId();
        made.madeAt = clock.instant();
        tokens.save(made);
        return token;
    }

    public void revokeToken(long id) {
        Actor.require(Role.OWNER);
        ApiToken token = tokens.findById(id).orElseThrow(() -> new NotThere("There is no such token."));
        if (token.revokedAt == null) {
            token.revokedAt = clock.instant();
        }
    }

    /** Calendar addresses of whoever asks that still hold, the newest first. */
    @Transactional(readOnly = true)
    public List<TokenView> ownCalendars() {
        long own = Actor.current().personId();
        return tokens.findAllByOrderByMadeAtDesc().stream()
                .filter(t -> t.madeBy == own && t.scope == TokenScope.CALENDAR && t.revokedAt == null)
                .map(People::view)
                .toList();
    }

    /** Takes back all of them: whoever has the address sees nothing more. */
    public void withdrawOwnCalendars() {
        long own = Actor.current().personId();
        tokens.findAllByOrderByMadeAtDesc().stream()
                .filter(t -> t.madeBy == own && t.scope == TokenScope.CALENDAR && t.revokedAt == null)
                .forEach(t -> t.revokedAt = clock.instant());
    }

    @Transactional(readOnly = true)
    public List<TokenView> tokens() {
        return tokens.findAllByOrderByMadeAtDesc().stream().map(People::view).toList();
    }

    private static TokenView view(ApiToken t) {
        return new TokenView(t.id, t.name, t.role, t.scope, t.madeAt, t.endsAt, t.lastUsedAt, t.revokedAt);
    }

    /** Who speaks by a token: with its role, but never more than its maker still has. */
    @Transactional(readOnly = true)
    public Optional<Actor> byToken(String token) {
        return taken(token)
                .flatMap(
                        t -> persons.findById(t.madeBy).filter(p -> p.active).map(p -> p.actorByToken(t.role, t.name)));
    }

    private Optional<ApiToken> taken(String token) {
        return tokens.findByTokenHashAndRevokedAtNull(hash(token))
                .filter(t -> t.endsAt == null || t.endsAt.isAfter(clock.instant()));
    }

    /** Whether a token reaches as far as this request; that it was used is written down, once an hour. */
    public boolean reaches(String token, String method, String path) {
        return taken(token)
                .map(t -> {
                    Instant now = clock.instant();
                    if (t.lastUsedAt == null
                            || t.lastUsedAt.plus(USE_NOTED_EVERY).isBefore(now)) {
                        t.lastUsedAt = now;
                    }
                    return t.scope.covers(method, path);
                })
                .orElse(false);
    }

    private String unknownPersonHash;

    private String noHash() {
        if (unknownPersonHash == null) {
            unknownPersonHash = encoder.encode(Long.toString(random.nextLong()));
        }
        return unknownPersonHash;
    }

    private Person self() {
        return persons.findById(Actor.current().personId()).orElseThrow(() -> new NotThere("There is no such person."));
    }

    /** Whoever sat in with the old one is out. */
    private void setPassword(Person person, String password) {
        Findings findings = new Findings();
        SecretRules.password(password, known(person.signIn, person.name), findings);
        Refused.unless(findings);
        person.passwordHash = encoder.encode(password);
        person.door++;
    }

    private static List<String> known(String... names) {
        return Stream.concat(Stream.of("keel", "vigilant", "resin"), Stream.of(names))
                .filter(n -> n != null && !n.isBlank())
                .toList();
    }

    private static boolean blank(String text) {
        return text == null || text.isBlank();
    }

    private static PersonView view(Person p) {
        return new PersonView(p.id, p.signIn, p.name, p.role, p.active, p.pinHash != null);
    }

    private static String hash(String token) {
        try {
            return HexFormat.of()
                    .formatHex(MessageDigest.getInstance("SHA-256").digest(token.getBytes(StandardCharsets.UTF_8)));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}
