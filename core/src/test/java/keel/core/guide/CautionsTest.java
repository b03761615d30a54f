package keel.core.guide;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import keel.core.standing.Caution;
import keel.core.standing.Caution.Part;
import keel.core.standing.LevelJoint;
import keel.core.standing.MachineKind;
import keel.core.standing.MachineTraits;
import org.junit.jupiter.api.Test;

/**
 * Reads every step of every guide as somebody would who does what it says: nothing may be done that its caution
 * forbids, and what can hurt is said where it can, and not where it cannot. Common practice, no source.
 */
class CautionsTest {

    /** What must not be done where this is minded. */
    private static final Map<Part, Pattern> FORBIDDEN = Map.of(
            Part.PLUG, words("home the|home it|lower the plate|start the|press start|light it|lights up"),
            Part.FAN_PLUG, words("switch it on|let it run|while it runs"),
            Part.RESIN, words("bare (hand|finger)|without gloves|down the (sink|drain)|alcohol on the skin"),
            Part.SOLVENT, words("hairdryer|hot plate|heat it|in the ultrasonic bath with alcohol"),
            Part.LAMP, words("filled vat under|vat filled and"),
            Part.LIT_SCREEN, words("look into the light|look straight"));

    /** What is only done where this is minded. */
    private static final Map<Part, Pattern> MINDED = Map.of(
            Part.BLADE, words("fresh blade|knife|scalpel"),
            Part.RESIN, words("raw resin|drain the vat|through a filter|resin out"),
            Part.PLUG, words("screws out of the housing|open the top|latch"));

    private static Pattern words(String any) {
        return Pattern.compile("\\b(" + any + ")\\b", Pattern.CASE_INSENSITIVE);
    }

    /** A step as it is said at a kind of machine. */
    private record Said(String where, Step step) {

        String text() {
            return step.title() + ". " + String.join(" ", step.text());
        }
    }

    private static List<Said> all() {
        List<Said> all = new ArrayList<>();
        for (Procedure p : Procedures.shipped().all()) {
            for (MachineKind kind : MachineKind.values()) {
                MachineTraits traits = new MachineTraits(kind, false, false, true, LevelJoint.BALL);
                if (p.when().holds(traits, Map.of())) {
                    p.steps().forEach(s -> all.add(new Said(p.code() + "/" + s.code() + " " + kind, s.on(traits))));
                }
            }
        }
        return all;
    }

    private static Stream<String> wrong(Map<Part, Pattern> patterns, boolean minded) {
        return all().stream().flatMap(said -> patterns.entrySet().stream()
                .filter(e -> said.step().caution().parts().contains(e.getKey()) == minded)
                .filter(e -> e.getValue().matcher(said.text()).find())
                .map(e -> said.where() + " against " + e.getKey() + ": " + said.text()));
    }

    @Test
    void noStepSaysWhatItsCautionForbids() {
        assertThat(wrong(FORBIDDEN, true)).isEmpty();
    }

    @Test
    void whatCanHurtIsSaidWhereItCan() {
        assertThat(wrong(MINDED, false)).isEmpty();
    }

    /** Wherever alcohol is wiped with, the respirator is said at the step and lies in the kit. */
    @Test
    void alcoholMeansARespirator() {
        Procedures.shipped().all().stream()
                .filter(p -> p.steps().stream().anyMatch(s -> s.caution().has(Part.SOLVENT)))
                .forEach(p -> assertThat(p.kit()).as(p.code()).anyMatch(k -> k.toLowerCase(Locale.ROOT)
                        .contains("respirator")));
    }

    /** On each way through a guide each thing to mind is said in full once and only reminded of after that. */
    @Test
    void eachIsSaidInFullOnce() {
        for (Procedure p : Procedures.shipped().all()) {
            for (Part part : Part.values()) {
                List<Caution> before = new ArrayList<>();
                int full = 0;
                for (Step s : p.steps()) {
                    full += s.caution().after(before).anew().contains(part.words()) ? 1 : 0;
                    before.add(s.caution());
                }
                assertThat(full).as(p.code() + " " + part).isLessThanOrEqualTo(1);
            }
        }
    }

    /** A laser tank has no screen, no felt floor and nothing to stir; it is not spoken of there. */
    @Test
    void nothingOfAScreenIsSaidAtALaserTank() {
        Pattern foreign = words("screen|both vat bolts|gloved finger over|stir what|silicone spatula over");
        assertThat(all().stream()
                        .filter(s -> s.where().endsWith("LASER_TANK"))
                        .filter(s -> s.step().when().kinds().isEmpty()
                                || s.step().when().kinds().contains(MachineKind.LASER_TANK))
                        .filter(s -> s.step().when().wholeAreaLight() == null
                                || !s.step().when().wholeAreaLight())
                        .filter(s -> foreign.matcher(s.text()).find())
                        .map(s -> s.where() + ": " + s.text()))
                .isEmpty();
    }

    @Test
    void onlyWhatLevelsItselfIsSaidToHaveDone() {
        Procedure levelling = Procedures.shipped().called("levelling").orElseThrow();
        for (boolean self : new boolean[] {true, false}) {
            MachineTraits traits = new MachineTraits(MachineKind.MASK, self, false, true, LevelJoint.BALL);
            assertThat(levelling.path(traits, Map.of()).get(0).asks().get(0).options().stream()
                            .anyMatch(o -> o.code().equals("SELF")))
                    .isEqualTo(self);
        }
    }
}
