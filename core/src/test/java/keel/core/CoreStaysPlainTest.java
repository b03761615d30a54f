package keel.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import java.time.Instant;

@AnalyzeClasses(packages = "keel.core", importOptions = ImportOption.DoNotIncludeTests.class)
class CoreStaysPlainTest {

    @ArchTest
    static final ArchRule usesOnlyJavaMathematicsAndYaml = classes()
            .should()
            .onlyDependOnClassesThat()
            .resideInAnyPackage(
                    "java..",
                    "javax.sound.sampled..",
                    "keel.core..",
                    "org.jspecify.annotations..",
                    "com.fasterxml.jackson..",
                    "com.networknt.schema..",
                    "org.apache.commons.text.similarity..",
                    "org.apache.commons.statistics..",
                    "org.hipparchus..",
                    "boofcv..",
                    "georegression..",
                    "org.ejml..",
                    "org.ddogleg..");

    @ArchTest
    static final ArchRule knowsNoDatabase =
            noClasses().should().dependOnClassesThat().resideInAnyPackage("java.sql..", "javax.sql..");

    @ArchTest
    static final ArchRule hasNoClockOfItsOwn = noClasses()
            .should()
            .callMethod(Instant.class, "now")
            .orShould()
            .callMethod(System.class, "currentTimeMillis")
            .orShould()
            .dependOnClassesThat()
            .haveFullyQualifiedName("Clock");
}
