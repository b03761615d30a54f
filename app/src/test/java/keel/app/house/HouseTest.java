package keel.app.house;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noMethods;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.domain.JavaMethod;
import com.tngtech.archunit.core.domain.JavaParameter;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.lang.ArchCondition;
import com.tngtech.archunit.lang.ConditionEvents;
import com.tngtech.archunit.lang.SimpleConditionEvent;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import keel.app.shell.ShopClock;
import keel.core.standing.HoldCode;
import org.junit.jupiter.api.Test;

/** The rooms of the house: which may ask which, and what none of them does. */
class HouseTest {

    private static final JavaClasses APP = new ClassFileImporter()
            .withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
            .importPackages("keel.app");

    @Test
    void aRoomAsksOnlyRoomsOnFloorsBelow() {
        Set<String> above = new HashSet<>();
        for (int floor = Floors.ALL.size() - 1; floor >= 0; floor--) {
            for (String room : Floors.ALL.get(floor)) {
                Set<String> forbidden = new HashSet<>(above);
                Floors.ALL.get(floor).stream().filter(r -> !r.equals(room)).forEach(forbidden::add);
                if (!forbidden.isEmpty()) {
                    noClasses()
                            .that()
                            .resideInAPackage("keel.app." + room + "..")
                            .should()
                            .dependOnClassesThat()
                            .resideInAnyPackage(packages(forbidden))
                            .check(APP);
                }
            }
            above.addAll(Floors.ALL.get(floor));
        }
    }

    @Test
    void everyRoomHasItsFloor() {
        Set<String> rooms = Sources.all().stream().map(Sources.Source::room).collect(Collectors.toSet());
        assertThat(Floors.ALL.stream().flatMap(List::stream)).containsExactlyInAnyOrderElementsOf(rooms);
        assertThat(rooms).hasSizeLessThanOrEqualTo(15);
    }

    /** Rules of a room do not know the pages that show them. */
    @Test
    void servicesDoNotKnowTheirPages() {
        for (String room : Floors.ALL.stream().flatMap(List::stream).toList()) {
            noClasses()
                    .that()
                    .resideInAPackage("keel.app." + room)
                    .should()
                    .dependOnClassesThat()
                    .resideInAPackage("keel.app." + room + ".web..")
                    .allowEmptyShould(true)
                    .check(APP);
        }
    }

    /** Forms are typed; those that still take a map of whatever was sent are listed, and the list only gets shorter. */
    @Test
    void noNewFormTakesAMapOfWhateverWasSent() {
        List<String> listed = Sources.listed("forms-by-map.txt");
        Set<String> found = APP.stream()
                .flatMap(c -> c.getMethods().stream())
                .filter(HouseTest::takesAMapOfTheForm)
                .map(m -> m.getOwner().getSimpleName() + "." + m.getName())
                .collect(Collectors.toSet());
        assertThat(found)
                .as("forms that take a map, against forms-by-map.txt")
                .containsExactlyInAnyOrderElementsOf(listed);
    }

    private static boolean takesAMapOfTheForm(JavaMethod method) {
        return method.getParameters().stream().anyMatch(p -> p.getRawType().isEquivalentTo(Map.class) && asked(p));
    }

    private static boolean asked(JavaParameter parameter) {
        return parameter.getAnnotations().stream()
                .anyMatch(a -> a.getRawType().getSimpleName().equals("RequestParam"));
    }

    /** A hold has an enum; its code is for the open interface. */
    @Test
    void noHoldIsComparedByItsText() {
        Set<String> codes = Arrays.stream(HoldCode.values()).map(HoldCode::code).collect(Collectors.toSet());
        List<String> compared = Sources.all().stream()
                .flatMap(s -> s.each().stream().filter(codes::contains).map(text -> s.type() + ": " + text))
                .toList();
        assertThat(compared).isEmpty();
    }

    /** What time it is, only the clock says that is handed in: neither the database nor the system is asked. */
    @Test
    void theClockIsHandedIn() {
        Pattern databaseClock = Pattern.compile(
                "\\b(current_timestamp|current_date|localtimestamp|sysdate|now\\(\\))", Pattern.CASE_INSENSITIVE);
        assertThat(Sources.all().stream()
                        .filter(s -> databaseClock.matcher(s.literals()).find())
                        .map(Sources.Source::type))
                .as("SQL that asks the database for the time")
                .isEmpty();
        noMethods()
                .that()
                .areNotDeclaredIn(ShopClock.class)
                .should(askTheSystemForTheTime())
                .check(APP);
    }

    private static ArchCondition<JavaMethod> askTheSystemForTheTime() {
        return new ArchCondition<>("ask the system for the time") {
            @Override
            public void check(JavaMethod method, ConditionEvents events) {
                method.getMethodCallsFromSelf().stream()
                        .filter(c -> c.getTargetOwner().getPackageName().equals("java.time"))
                        .filter(c -> c.getTarget().getName().equals("now")
                                        && c.getTarget().getRawParameterTypes().isEmpty()
                                || c.getTarget().getName().startsWith("system"))
                        .forEach(c -> events.add(SimpleConditionEvent.satisfied(method, c.getDescription())));
            }
        };
    }

    private static String[] packages(Set<String> rooms) {
        return rooms.stream().map(r -> "keel.app." + r + "..").toArray(String[]::new);
    }
}
