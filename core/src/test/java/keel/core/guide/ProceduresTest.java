package keel.core.guide;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import keel.core.CheckedYaml;
import keel.core.air.AirPartKind;
import keel.core.standing.Caution;
import keel.core.standing.LevelJoint;
import keel.core.standing.MachineKind;
import keel.core.standing.MachineTraits;
import keel.core.standing.ServiceKind;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class ProceduresTest {

    private static final Procedures ALL = Procedures.shipped();
    private static final MachineTraits MASK = new MachineTraits(MachineKind.MASK, false, false, true, LevelJoint.BALL);
    private static final MachineTraits LASER =
            new MachineTraits(MachineKind.LASER_TANK, false, false, false, LevelJoint.BALL);

    @Test
    void eachServiceWithAGuideFindsTheOneForItsMachine() {
        assertThat(ALL.leadingTo(ServiceKind.FILM_CHANGE, MASK))
                .map(Procedure::code)
                .contains("film-change");
        assertThat(ALL.leadingTo(ServiceKind.FILM_CHANGE, LASER)).isEmpty();
        assertThat(ALL.leadingTo(ServiceKind.TANK_CHANGE, LASER))
                .map(Procedure::code)
                .contains("tank-change");
        assertThat(ALL.leadingTo(ServiceKind.SCREEN_INSPECTED, LASER)).isEmpty();
        assertThat(ALL.leadingTo(ServiceKind.LUBRICATION, LASER))
                .map(Procedure::code)
                .contains("lubrication");
        assertThat(ALL.leadingTo(ServiceKind.MOVED, MASK)).isEmpty();
    }

    @Test
    void eachPartInThePathOfTheAirHasOneAndNoMachineDoes() {
        for (AirPartKind part : AirPartKind.values()) {
            assertThat(ALL.of(part).airPart()).isEqualTo(part);
        }
        assertThat(ALL.atMachine(MASK)).noneMatch(p -> p.airPart() != null);
    }

    /** Off and unplugged before anything is opened, on again before it is believed; common practice. */
    @Test
    void aFanStandsStillBeforeItIsOpened() {
        for (AirPartKind part : List.of(AirPartKind.FAN, AirPartKind.MESH, AirPartKind.FILTER, AirPartKind.CARBON)) {
            List<Step> steps = ALL.of(part).steps();
            Step off = steps.stream()
                    .filter(s -> s.code().equals("off"))
                    .findFirst()
                    .orElseThrow();
            assertThat(off.caution()).isEqualTo(Caution.FAN);
            assertThat(steps.subList(0, steps.indexOf(off)))
                    .as("nothing is opened before")
                    .allMatch(s -> s.code().equals("smell"));
            assertThat(steps)
                    .as("%s: whether air moves is asked at the end", part)
                    .anyMatch(s -> s.drawing().equals("paper-strip")
                            && s.asks().stream().anyMatch(a -> a.name().equals("draws")));
        }
    }

    /** A path that moves no air, a mask that leaks or has the wrong cartridges is never written down as seen to. */
    @Test
    void whereNothingMovesNothingEnds() {
        for (AirPartKind part : AirPartKind.values()) {
            Map<String, String> wrong = Map.of("draws", "false", "right", "false", "sits", "false");
            assertThat(ALL.of(part).path(null, wrong)).as("%s", part).anyMatch(Step::stops);
            assertThat(ALL.of(part).path(null, Map.of("draws", "true", "right", "true", "sits", "true")))
                    .as("%s", part)
                    .noneMatch(Step::stops);
        }
    }

    /** Shaken before it is poured, and into a machine that fills itself by its bottle; common practice. */
    @Test
    void resinIsShakenBeforeItIsPoured() {
        Procedure pour = ALL.called("pour").orElseThrow();
        assertThat(codes(pour, MASK, Map.of("way", "IN")))
                .containsSubsequence("bottle", "clear", "shake", "stir", "pour", "neck", "cover")
                .doesNotContain("back", "feed");
        assertThat(codes(pour, LASER, Map.of("way", "IN")))
                .containsSubsequence("shake", "feed", "neck")
                .doesNotContain("pour", "stir");
        assertThat(codes(pour, MASK, Map.of("way", "OUT"))).contains("back").doesNotContain("shake", "pour");
        assertThat(pour.service()).isEmpty();
        assertThat(pour.done()).isEqualTo("Resin written down");
    }

    /**
     * The order of a film change: the spacer goes in before the clamp is tight and comes out before the frame goes in;
     * common practice.
     */
    @Test
    void theFilmChangeKeepsTheOrderOnWhichItDepends() {
        List<String> steps = ALL.called("film-change").orElseThrow().path(MASK, Map.of("tight", "true")).stream()
                .map(Step::code)
                .toList();
        assertThat(steps)
                .containsSubsequence(
                        "drain",
                        "cure",
                        "frame-out",
                        "clamp-out",
                        "part",
                        "sheet",
                        "spacer",
                        "corners",
                        "run-in",
                        "clamp",
                        "spacer-out",
                        "into-vat",
                        "frame",
                        "tension",
                        "trim",
                        "underside",
                        "leak",
                        "fit")
                .doesNotContain("leaks");
    }

    @Test
    void theQuickWayIsOnlyOfferedWhereTheWholeAreaCanBeLit() {
        Procedure cleanUp = ALL.called("clean-up").orElseThrow();
        Map<String, String> patch = Map.of("beneath", "DRY", "seen", "PATCH");
        assertThat(codes(cleanUp, MASK, with(patch, "way", "QUICK")))
                .containsSubsequence("beneath", "seen", "way", "handle", "light", "lift")
                .doesNotContain("drain", "push", "look");
        assertThat(codes(cleanUp, MASK, with(patch, "way", "FULL")))
                .contains("drain", "push", "look")
                .doesNotContain("handle");
        assertThat(codes(cleanUp, LASER, Map.of("beneath", "DRY")))
                .contains("drain", "seen-laser", "lift-off")
                .doesNotContain("way", "handle", "seen", "push");
        Step.Detour fallBack = cleanUp.step("lift").orElseThrow().detour();
        assertThat(codes(cleanUp, MASK, with(patch, fallBack.answer(), fallBack.value())))
                .contains(fallBack.to());
    }

    /** Light cures what lies on the screen: never the quick way before it was seen dry, nor after a crush. */
    @Test
    void nothingIsLitBeforeTheScreenWasSeenOrAfterACrush() {
        Procedure cleanUp = ALL.called("clean-up").orElseThrow();
        for (Map<String, String> not : List.of(
                Map.of("beneath", "WET", "seen", "PATCH", "way", "QUICK"),
                Map.of("beneath", "DRY", "seen", "CRUSH", "way", "QUICK"),
                Map.of("beneath", "DRY", "seen", "SLAB", "way", "QUICK"))) {
            assertThat(codes(cleanUp, MASK, not)).doesNotContain("way", "light", "handle");
        }
    }

    private static Map<String, String> with(Map<String, String> answers, String question, String answer) {
        Map<String, String> more = new HashMap<>(answers);
        more.put(question, answer);
        return more;
    }

    @Test
    void stepsThatDoNotApplyArePassedOverInBothDirections() {
        Procedure cleanUp = ALL.called("clean-up").orElseThrow();
        assertThat(cleanUp.after("seen-laser", LASER, Map.of())).map(Step::code).contains("drain");
        assertThat(cleanUp.before("drain", LASER, Map.of())).map(Step::code).contains("seen-laser");
        assertThat(cleanUp.before("plate", LASER, Map.of())).isEmpty();
        assertThat(cleanUp.after("refit", LASER, Map.of("emptied", "true")))
                .map(Step::code)
                .contains("resin");
        assertThat(cleanUp.after("refit", LASER, Map.of("emptied", "false")))
                .map(Step::code)
                .contains("lost");
        assertThat(cleanUp.after("plate", MASK, Map.of("plateClear", "false")))
                .map(Step::code)
                .contains("plate-first");
        assertThat(cleanUp.after("lost", LASER, Map.of())).isEmpty();
    }

    /** Where blades, resin, UV or moving parts come in, the step says the usual caution. */
    @Test
    void cautionStandsAtTheStepThatNeedsIt() {
        for (Procedure procedure : ALL.all()) {
            for (Step step : procedure.steps()) {
                String said = (step.title() + " " + String.join(" ", step.text())).toLowerCase();
                if (said.contains("blade") || said.contains("knife")) {
                    assertThat(step.caution())
                            .as(procedure.code() + "/" + step.code())
                            .isEqualTo(procedure.airPart() == null ? Caution.RAW_RESIN_AND_BLADE : Caution.FAN);
                }
                if (said.contains("light the whole screen") || said.contains("full white")) {
                    assertThat(step.caution())
                            .as(procedure.code() + "/" + step.code())
                            .isEqualTo(Caution.UV);
                }
            }
        }
    }

    @Test
    void everyRequiredFieldOfWhatIsWrittenIsAskedOrFixed() {
        for (Procedure procedure : ALL.all()) {
            for (Procedure.Written written : procedure.writes()) {
                List<String> asked = procedure.steps().stream()
                        .flatMap(s -> s.asks().stream())
                        .map(a -> a.name())
                        .toList();
                written.kind().fields().stream()
                        .filter(f -> f.required() && !written.fixed().containsKey(f.name()))
                        .forEach(f -> assertThat(asked)
                                .as(procedure.code() + " writes " + written.kind())
                                .contains(f.name()));
            }
        }
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "{code: a, name: A, about: b, minutes: 1, kit: [], follows: [], writes: [{kind: MOVED}], steps: []}",
                "{code: a, name: A, about: b, minutes: 1, kit: [], follows: [], writes: [{kind: MOVED}], steps: "
                        + "[{code: x, title: t, text: [u], draw: d}, {code: x, title: t, text: [u], draw: d}]}",
                "{code: a, name: A, about: b, minutes: 1, kit: [], follows: [], writes: [{kind: MOVED}], steps: "
                        + "[{code: x, title: t, text: [u], draw: d, detour: {label: l, to: nowhere}}]}",
                "{code: a, name: A, about: b, minutes: 1, kit: [], follows: [], writes: [{kind: MOVED}], steps: "
                        + "[{code: x, title: t, text: [u], draw: d, when: {answers: {never: [asked]}}}]}",
                "{code: a, name: A, about: b, minutes: 1, kit: [], follows: [], writes: [{kind: MOVED, fixed: "
                        + "{colour: red}}], steps: [{code: x, title: t, text: [u], draw: d}]}",
                "{code: a, name: A, about: b, minutes: 1, kit: [], follows: [], steps: [{code: x, title: t, text: "
                        + "[u], draw: d}]}",
                "{code: a, name: A, about: b, minutes: 1, kit: [], follows: [], ends: POUR, steps: [{code: x, "
                        + "title: t, text: [u], draw: d}]}",
                "{code: a, name: A, about: b, minutes: 1, kit: [], follows: [], ends: AIR_PART, done: e, steps: "
                        + "[{code: x, title: t, text: [u], draw: d}]}",
                "{code: a, name: A, about: b, minutes: 1, kit: [], follows: [], ends: POUR, done: e, writes: "
                        + "[{kind: MOVED}], steps: [{code: x, title: t, text: [u], draw: d}]}",
                "{code: a, name: A, about: b, minutes: 1, kit: [], follows: [], writes: [{kind: DANCE}], steps: "
                        + "[{code: x, title: t, text: [u], draw: d}]}",
                "{code: a, name: A, about: b, minutes: 1, kit: [], follows: [], writes: [{kind: MOVED}], steps: "
                        + "[{code: x, title: t, text: [u], draw: d, asks: [colour]}]}"
            })
    void aProcedureThatLeadsNowhereIsRefused(String yaml) {
        assertThatIllegalArgumentException().isThrownBy(() -> Procedures.of(CheckedYaml.parse(yaml)));
    }

    private static List<String> codes(Procedure procedure, MachineTraits machine, Map<String, String> answers) {
        return procedure.path(machine, answers).stream().map(Step::code).toList();
    }
}
