package keel.core.diagnosis;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.LinkedHashSet;
import java.util.List;
import keel.core.CheckedYaml;

/** Failures of a simulated shop whose causes are known for certain, to try the knowledge on; they ship as a file. */
public final class KnownCases {

    private KnownCases() {}

    /**
     * A failure before any check.
     *
     * @param causes what was truly behind it, the stronger first
     */
    public record Known(Evidence evidence, List<String> causes) {}

    public static List<Known> shipped() {
        return File.SHIPPED;
    }

    /** Read and checked once. */
    private static final class File {

        static final List<Known> SHIPPED = read(CheckedYaml.shipped("knowledge/cases"));

        private static List<Known> read(JsonNode file) {
            CheckedYaml.requireSchema("knowledge/cases", file);
            return CheckedYaml.each(
                    file.get("cases"),
                    n -> new Known(
                            new Evidence(
                                    new LinkedHashSet<>(CheckedYaml.strings(n.get("seen"))),
                                    new LinkedHashSet<>(CheckedYaml.strings(n.get("absent"))),
                                    List.of(),
                                    new LinkedHashSet<>(CheckedYaml.strings(n.get("history")))),
                            CheckedYaml.strings(n.get("causes"))));
        }
    }
}
