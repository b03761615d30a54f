package keel.core.quick;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDateTime;
import java.util.List;
import java.util.Map;
import keel.core.knowledge.KnowledgeFiles;
import keel.core.quick.Vocabulary.MachineWord;
import keel.core.quick.Vocabulary.Word;
import keel.core.run.Outcome;
import keel.core.standing.LevelJoint;
import keel.core.standing.MachineKind;
import keel.core.standing.MachineTraits;
import keel.core.standing.ServiceKind;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.StringLength;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class QuickLineTest {

    static final QuickLine LINE = new QuickLine(KnowledgeFiles.shipped());
    static final Vocabulary SHOP = new Vocabulary(
            List.of(
                    mask("curlew", "Curlew", "reed-grey", 2.3, 10.0),
                    mask("bittern", "Bittern", null, null, null),
                    new MachineWord(
                            "dunlin",
                            "Dunlin",
                            new MachineTraits(MachineKind.MASK, true, false, true, LevelJoint.BALL),
                            "SELF",
                            "mussel-blue",
                            2.4,
                            8.0),
                    mask("dabchick", "Dabchick", null, null, null),
                    new MachineWord(
                            "godwit",
                            "Godwit",
                            new MachineTraits(MachineKind.LASER_TANK, false, false, false, LevelJoint.BALL),
                            "ON_FILM",
                            null,
                            3.0,
                            9.0)),
            List.of(new Word("long-room", "Long Room", ""), new Word("annexe", "Annexe", "")),
            List.of(
                    new Word("nitrile-gloves", "Nitrile gloves", "pairs"),
                    new Word("film-sheet-144", "Film sheet 144", "sheets"),
                    new Word("film-sheet-208", "Film sheet 208", "sheets")),
            List.of(new Word("reed-grey", "Reed grey", ""), new Word("mussel-blue", "Mussel blue", "")),
            List.of(new Word("V1", "Vat V1", ""), new Word("V7", "Vat V7", "")),
            List.of(new Word("B3", "Mussel blue", "")),
            LocalDateTime.of(2026, 3, 12, 14, 20));

    private static MachineWord mask(String code, String name, String resin, Double exposure, Double pace) {
        return new MachineWord(
                code,
                name,
                new MachineTraits(MachineKind.MASK, false, false, true, LevelJoint.BALL),
                "PAPER",
                resin,
                exposure,
                pace);
    }

    private static Reading read(String line) {
        return LINE.read(line, SHOP);
    }

    @Test
    void aFailureIsReadWithSymptomsPlacesAbsentOnesAndANote() {
        assertThat(read("curlew failed bare-plate").order())
                .isEqualTo(new Order.LogFailure("curlew", List.of("bare-plate"), List.of(), List.of(), null));
        Reading all = read("cur failed layers split, parts missing not film-slack at b2 C3: third time this week");
        assertThat(all.order())
                .isEqualTo(new Order.LogFailure(
                        "curlew",
                        List.of("layer-split", "part-missing"),
                        List.of("film-slack"),
                        List.of("B2", "C3"),
                        "third time this week"));
        assertThat(all.words())
                .isEqualTo("Curlew: failed, layers split, parts missing; not there: film slack; at B2 C3; note: third "
                        + "time this week.");
        assertThat(read("b failed").order())
                .isEqualTo(new Order.LogFailure("bittern", List.of(), List.of(), List.of(), null));
    }

    @Test
    void aRunTakesLayersAndExposureFromTheMachinesLastOnes() {
        Order.LogRun run =
                (Order.LogRun) read("dunlin run 5h20 84ml hinge patterns").order();
        assertThat(run.hours()).isCloseTo(16.0 / 3, within(1e-12));
        assertThat(run)
                .isEqualTo(new Order.LogRun("dunlin", "Hinge patterns", run.hours(), 2400, 2.4, 84, Outcome.GOOD));
        assertThat(read("dunlin run 5h20 84ml hinge patterns").words())
                .contains("5 h 20 min", "about 2400 layers of 2.4 s", "good");
        assertThat(read("bittern run 5h20 84ml hinge patterns").words()).contains("no run yet");
        assertThat(((Order.LogRun) read("bittern run 90min 12,5 ml 1180 layers 2,1s failed mayfly")
                        .order()))
                .isEqualTo(new Order.LogRun("bittern", "Mayfly", 1.5, 1180, 2.1, 12.5, Outcome.FAILED));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "curlew run 84ml latch|How long",
                "curlew run 0h 84ml latch|How long",
                "curlew run 900h 84ml latch|How long",
                "curlew run 5h latch|How much resin",
                "curlew run 5h 84ml|What was printed",
                "curlew start 84ml latch|How many layers"
            })
    void whatARunLacksIsAskedFor(String line, String question) {
        assertThat(read(line).understood()).isFalse();
        assertThat(read(line).words()).startsWith(question);
    }

    @Test
    void runsStartAndFinish() {
        assertThat(read("curlew start 1180layers 60ml latch keeper").order())
                .isEqualTo(new Order.StartRun("curlew", "Latch keeper", 1180, 2.3, 60));
        assertThat(read("curlew done").order()).isEqualTo(new Order.FinishRun("curlew", Outcome.GOOD, null));
        assertThat(read("curlew finished stopped layer 610").order())
                .isEqualTo(new Order.FinishRun("curlew", Outcome.STOPPED, 610));
    }

    @Test
    void servicesAreReadWithTheShopsHabits() {
        assertThat(read("b levelled").order())
                .isEqualTo(new Order.DoService("bittern", ServiceKind.LEVELLING, Map.of("school", "PAPER")));
        assertThat(read("dun levelled").order())
                .isEqualTo(new Order.DoService("dunlin", ServiceKind.LEVELLING, Map.of("school", "SELF")));
        assertThat(read("curlew film new 0.127").order())
                .isEqualTo(new Order.DoService(
                        "curlew",
                        ServiceKind.FILM_CHANGE,
                        Map.of("material", "FEP", "thicknessMm", 0.127, "endReason", "OTHER")));
        assertThat(read("curlew film new pfa 0,1 clouded").order())
                .isEqualTo(new Order.DoService(
                        "curlew",
                        ServiceKind.FILM_CHANGE,
                        Map.of("material", "PFA", "thicknessMm", 0.1, "endReason", "CLOUDED")));
        assertThat(read("curlew vat hole").order())
                .isEqualTo(new Order.DoService(
                        "curlew", ServiceKind.VAT_INSPECTED, Map.of("clean", false, "found", List.of("film-pierced"))));
        assertThat(read("curlew vat v7").order())
                .isEqualTo(new Order.DoService("curlew", ServiceKind.VAT_FITTED, Map.of("vat", "V7")));
        assertThat(read("curlew cleaned quick sieved").order())
                .isEqualTo(new Order.DoService(
                        "curlew", ServiceKind.CLEAN_UP, Map.of("way", "QUICK", "sieved", true, "emptied", false)));
        assertThat(read("curlew moved annexe").order())
                .isEqualTo(new Order.DoService("curlew", ServiceKind.MOVED, Map.of("room", "annexe")));
        assertThat(read("curlew pour 120ml").order()).isEqualTo(new Order.Pour("curlew", "reed-grey", 120));
        assertThat(read("v7 film new").order())
                .isEqualTo(new Order.DoService(
                        null,
                        ServiceKind.FILM_CHANGE,
                        Map.of("material", "FEP", "thicknessMm", 0.127, "endReason", "OTHER", "vat", "V7")));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "curlew plate clear",
                "curlew cleared",
                "curlew greased",
                "curlew oiled",
                "curlew lubricated rail",
                "curlew abraded",
                "curlew plate new",
                "curlew stance ok",
                "curlew dropped",
                "curlew off",
                "curlew on",
                "curlew firmware 1.4.2",
                "curlew screen clean",
                "curlew screen new dark",
                "curlew vat clean",
                "godwit tank new clouded",
                "godwit cleaned full emptied"
            })
    void everyServiceHasItsLine(String line) {
        assertThat(read(line).order()).as(read(line).words()).isInstanceOf(Order.DoService.class);
    }

    @Test
    void aLaserTankIsAskedForItsTankAndCannotBeCleanedQuickly() {
        assertThat(read("godwit film new").understood()).isFalse();
        assertThat(read("godwit film new").choices())
                .extracting(Reading.Choice::line)
                .containsExactly("godwit tank new");
        assertThat(read("godwit cleaned quick").choices())
                .extracting(Reading.Choice::line)
                .containsExactly("godwit cleaned full");
    }

    @Test
    void storesAndRooms() {
        assertThat(read("stores gloves -10").order()).isEqualTo(new Order.MoveStock("nitrile-gloves", -10));
        assertThat(read("stores film sheet 144 +5").order()).isEqualTo(new Order.MoveStock("film-sheet-144", 5));
        assertThat(read("annexe 19.5C 48%").order()).isEqualTo(new Order.ReadRoom("annexe", 19.5, 48.0));
        assertThat(read("room long room 68F").order()).isEqualTo(new Order.ReadRoom("long-room", 20, null));
        assertThat(read("room 19.5C 48%").choices())
                .extracting(Reading.Choice::line)
                .containsExactly("room long-room 19.5C 48%", "room annexe 19.5C 48%");
        Vocabulary one = new Vocabulary(
                List.of(),
                List.of(new Word("loft", "Loft", "")),
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                SHOP.now());
        assertThat(LINE.read("room 19.5C 48%", one).order()).isEqualTo(new Order.ReadRoom("loft", 19.5, 48.0));
    }

    @Test
    void whatIsNotClearIsAskedWithTheNearestReadings() {
        assertThat(read("d levelled").choices())
                .extracting(Reading.Choice::line)
                .containsExactly("dunlin levelled", "dabchick levelled");
        assertThat(read("curlw failed tacky").choices())
                .extracting(Reading.Choice::line)
                .containsExactly("curlew failed tacky");
        assertThat(read("curlew failed bareplte").choices())
                .first()
                .extracting(Reading.Choice::line)
                .isEqualTo("curlew failed bare-plate");
        assertThat(read("curlew leveled").understood()).isTrue();
        assertThat(read("curlew levveled").understood()).isTrue();
        assertThat(read("curlew levvelt").choices())
                .first()
                .extracting(Reading.Choice::line)
                .isEqualTo("curlew levelled");
        assertThat(read("stores film -1").choices())
                .extracting(Reading.Choice::line)
                .containsExactly("stores film-sheet-144 -1", "stores film-sheet-208 -1");
        assertThat(read("heron levelled").words()).contains("Nothing here is called heron");
    }

    @Test
    void everyChoiceOfferedIsItselfUnderstoodOrLeadsOn() {
        for (String line : List.of(
                "d failed bare",
                "curlew scren clean",
                "curlew vat",
                "curlew plate",
                "curlew moved",
                "curlew pour 50ml amber",
                "stores glov",
                "room 20C",
                "curlew screen",
                "bittern levelled self")) {
            for (Reading.Choice choice : read(line).choices()) {
                Reading next = read(choice.line());
                assertThat(next.understood() || !next.choices().isEmpty())
                        .as(line + " → " + choice.line())
                        .isTrue();
                assertThat(next.words()).as(choice.line()).isEqualTo(choice.reading());
            }
        }
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "curlew film new 127",
                "curlew film new shiny",
                "curlew pour -5ml",
                "curlew pour 99999ml",
                "stores gloves 0",
                "stores gloves 99999999",
                "annexe 400C",
                "annexe 20C 140%",
                "curlew cleared yesterday",
                "curlew failed gremlins",
                "",
                "   "
            })
    void whatCannotBeIsNotTaken(String line) {
        assertThat(read(line).order()).isNull();
        assertThat(read(line).words()).isNotBlank();
    }

    @Test
    void aLabelsCodeNamesItsThing() {
        for (LabelCode label : List.of(
                new LabelCode(LabelCode.LabelKind.MACHINE, "curlew"),
                new LabelCode(LabelCode.LabelKind.VAT, "V7"),
                new LabelCode(LabelCode.LabelKind.ITEM, "nitrile-gloves"),
                new LabelCode(LabelCode.LabelKind.ROOM, "long-room"))) {
            assertThat(LabelCode.read(label.text())).contains(label);
            assertThat(read(label.text()).order())
                    .isEqualTo(new Order.Open(label.kind().name().toLowerCase(), label.code()));
        }
        assertThat(read("VK-M-CURLEW cleared").order())
                .isEqualTo(new Order.DoService("curlew", ServiceKind.PLATE_CLEARED, Map.of()));
        assertThat(read("VK-I-NITRILE-GLOVES -2").order()).isEqualTo(new Order.MoveStock("nitrile-gloves", -2));
        assertThat(read("curlew vat VK-V-V7").order())
                .isEqualTo(new Order.DoService("curlew", ServiceKind.VAT_FITTED, Map.of("vat", "V7")));
        assertThat(read("VK-M-HERON").words()).contains("not on record");
    }

    @Property(tries = 500)
    void anyLineGetsAnAnswer(@ForAll @StringLength(max = 60) String line) {
        Reading reading = read(line);
        assertThat(reading.words()).isNotBlank();
        assertThat(reading.understood() ? reading.choices() : List.of()).isEmpty();
    }

    @Property(tries = 500)
    void wordsInAnyOrderGetAnAnswerAndChoicesThatReadTheSame(@ForAll("fragments") List<String> fragments) {
        String line = String.join(" ", fragments);
        Reading reading = read(line);
        assertThat(reading.words()).isNotBlank();
        for (Reading.Choice choice : reading.choices()) {
            assertThat(read(choice.line()).words())
                    .as(line + " > " + choice.line())
                    .isEqualTo(choice.reading());
        }
        reading.entries().forEach(e -> assertThat(e.at())
                .satisfiesAnyOf(at -> assertThat(at).isNull(), at -> assertThat(at)
                        .isBefore(SHOP.now().plusMinutes(6))));
    }

    @net.jqwik.api.Provide
    net.jqwik.api.Arbitrary<List<String>> fragments() {
        return net.jqwik.api.Arbitraries.of(
                        "curlew",
                        "d",
                        "bittern",
                        "dunlin",
                        "failed",
                        "levelled",
                        "cleared",
                        "film",
                        "new",
                        "hazy",
                        "0,127",
                        "- 10",
                        "gloves",
                        "long room",
                        "annexe",
                        "19,5",
                        "48 %",
                        "yesterday",
                        "16:30",
                        "and",
                        ",",
                        ":",
                        "B3",
                        "200 ml",
                        "pour",
                        "V7",
                        "vat",
                        "run",
                        "5h20",
                        "bare-plate",
                        "not",
                        "gremlins",
                        "stores",
                        "took",
                        "1 h ago",
                        "done",
                        "layer 610",
                        "plate",
                        "clean",
                        "?",
                        "godwit")
                .list()
                .ofMinSize(1)
                .ofMaxSize(9);
    }

    @Property(tries = 300)
    void anythingAfterAMachineGetsAnAnswer(@ForAll("verbs") String verb, @ForAll @StringLength(max = 30) String rest) {
        assertThat(read("curlew " + verb + " " + rest).words()).isNotBlank();
    }

    @net.jqwik.api.Provide
    net.jqwik.api.Arbitrary<String> verbs() {
        return net.jqwik.api.Arbitraries.of(
                "failed",
                "run",
                "start",
                "done",
                "film",
                "screen",
                "vat",
                "plate",
                "levelled",
                "cleaned",
                "pour",
                "moved",
                "firmware");
    }
}
