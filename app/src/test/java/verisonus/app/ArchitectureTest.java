package verisonus.app;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** The arrows between packages: desktop and cli to casebook to core; within core one way; no cycles anywhere. */
class ArchitectureTest {
    private static final JavaClasses CLASSES = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests()).importPackages("verisonus");
    /** From those that know nobody to those that know the rest. */
    private static final List<String> CORE_ORDER = List.of("work", "sound", "take", "evidence", "rig", "simulate",
            "compare", "search", "feel", "advise", "capture", "travel", "plan", "perform", "trial");
    /** A package of more files asks more than one question. */
    private static final int MOST_FILES = 30;

    @Test
    void theRulesSawTheWholeProgram() {
        assertThat(CLASSES.size()).isGreaterThan(500);
    }

    @Test
    void modulesPointOneWay() {
        layeredArchitecture().consideringOnlyDependenciesInLayers().layer("app").definedBy("verisonus.app..")
                .layer("desktop").definedBy("verisonus.desktop..").layer("cli").definedBy("verisonus.cli..")
                .layer("demo")
                .definedBy("verisonus.demo..").layer("casebook").definedBy("verisonus.casebook..").layer("core")
                .definedBy("verisonus.core..").whereLayer("app").mayNotBeAccessedByAnyLayer().whereLayer("desktop")
                .mayOnlyBeAccessedByLayers("app").whereLayer("cli").mayOnlyBeAccessedByLayers("app").whereLayer("demo")
                .mayOnlyBeAccessedByLayers("app").whereLayer("casebook")
                .mayOnlyBeAccessedByLayers("app", "desktop", "cli", "demo").check(CLASSES);
    }

    @Test
    void withinCoreEachKnowsOnlyThoseBeforeIt() {
        for (int i = 0; i < CORE_ORDER.size(); i++) {
            for (String later : CORE_ORDER.subList(i + 1, CORE_ORDER.size())) {
                noClasses().that().resideInAPackage("verisonus.core." + CORE_ORDER.get(i) + "..").should()
                        .dependOnClassesThat().resideInAPackage("verisonus.core." + later + "..").check(CLASSES);
            }
        }
    }

    @Test
    void packagesFormNoCycle() {
        for (String module : List.of("core", "casebook", "desktop")) {
            slices().matching("verisonus." + module + ".(**)").should().beFreeOfCycles().check(CLASSES);
        }
    }

    @Test
    void noPackageIsADrawer() {
        Map<String, Long> files = CLASSES.stream().filter(c -> !c.getName().contains("$"))
                .collect(Collectors.groupingBy(JavaClass::getPackageName, Collectors.counting()));
        assertThat(files).allSatisfy((name, count) -> assertThat(count).as(name).isLessThanOrEqualTo(MOST_FILES));
    }

    @Test
    void coreHasNoWindowNoDatabaseAndStartsNoThread() {
        noClasses().that().resideInAPackage("verisonus.core..").should().dependOnClassesThat()
                .resideInAnyPackage("javafx..", "java.sql..", "org.sqlite..", "tools.jackson..").check(CLASSES);
        noClasses().that().resideInAPackage("verisonus.core..").should().dependOnClassesThat()
                .haveFullyQualifiedName("java.util.concurrent.Executors").check(CLASSES);
        noClasses().that().resideInAPackage("verisonus.core..").should().callMethod(Thread.class, "start")
                .check(CLASSES);
    }

    @Test
    void modelsOfScreensKnowNoNode() {
        noClasses().that().resideInAPackage("verisonus.desktop..").and().haveSimpleNameEndingWith("Model").should()
                .dependOnClassesThat().resideInAPackage("javafx.scene..").check(CLASSES);
        noClasses().that().resideInAPackage("verisonus.desktop.desk..").should().dependOnClassesThat()
                .resideInAPackage("javafx.scene..").check(CLASSES);
    }

    @Test
    void onlyTheWindowKnowsTheToolkit() {
        noClasses().that().resideOutsideOfPackages("verisonus.desktop..").should().dependOnClassesThat()
                .resideInAPackage("javafx..").check(CLASSES);
    }

    @Test
    void noClassIsCalledForDoingAnything() {
        for (String end : List.of("Utils", "Util", "Helper", "Manager", "Common", "Impl")) {
            noClasses().should().haveSimpleNameEndingWith(end).check(CLASSES);
        }
    }
}
