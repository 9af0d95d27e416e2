package app.denfold.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.methods;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaCall;
import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.domain.JavaModifier;
import com.tngtech.archunit.core.domain.properties.HasName;
import com.tngtech.archunit.core.domain.properties.HasOwner;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.springframework.data.repository.Repository;
import org.springframework.modulith.core.ApplicationModules;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.web.bind.annotation.RestController;

/** The rooms of the house: which may use which, how large they are, and what may stand in them. */
class ModularityTest {

    private static final int MOST_TYPES = 15;

    private static final JavaClasses PRODUCT = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .importPackages("app.denfold");

    private static final JavaClasses ALL = new ClassFileImporter().importPackages("app.denfold");

    /** Driven by the benchmarks, which are no part of what is looked at here. */
    private static final Set<String> FOR_BENCHMARKS =
            Set.of("DenFold", "DemoScans", "BoardFilter", "FindPapers", "FindCriteria", "SuggestPapers", "ZipPapers");

    @Test
    void modulesUseEachOtherOneWayAndOnlyWhatIsExposed() {
        ApplicationModules.of(DenFold.class).verify();
    }

    @Test
    void roomsUseEachOtherOneWay() {
        slices().matching("app.denfold.(**)").should().beFreeOfCycles().check(PRODUCT);
    }

    @Test
    void noRoomOfTheServerIsCrowded() {
        Map<String, Long> crowded = new TreeMap<>();
        serverTypes().forEach(t -> crowded.merge(t.getPackageName(), 1L, Long::sum));
        crowded.values().removeIf(count -> count <= MOST_TYPES);
        assertThat(crowded).isEmpty();
    }

    @Test
    void onlyWhatOtherRoomsUseIsPublic() {
        List<String> needless = serverTypes().stream()
                .filter(t -> t.getModifiers().contains(JavaModifier.PUBLIC))
                .filter(t -> !FOR_BENCHMARKS.contains(t.getSimpleName()) && !isUsedElsewhere(t))
                .map(JavaClass::getName)
                .toList();
        assertThat(needless).isEmpty();
    }

    private static List<JavaClass> serverTypes() {
        return PRODUCT.stream()
                .filter(t -> t.getPackageName().startsWith("app.denfold.server"))
                .filter(t -> t.isTopLevelClass() && !t.getSimpleName().equals("package-info"))
                .toList();
    }

    private static boolean isUsedElsewhere(JavaClass type) {
        return ALL.stream()
                .filter(c -> outermost(c).getName().equals(type.getName()))
                .flatMap(c -> c.getDirectDependenciesToSelf().stream())
                .anyMatch(d -> !d.getOriginClass().getPackageName().equals(type.getPackageName()));
    }

    private static JavaClass outermost(JavaClass type) {
        JavaClass outer = type;
        while (outer.getEnclosingClass().isPresent()) {
            outer = outer.getEnclosingClass().get();
        }
        return outer;
    }

    @Test
    void onlyStoresAndRepositoriesSpeakSql() {
        noClasses()
                .that()
                .resideInAPackage("app.denfold.server..")
                .and()
                .haveNameNotMatching(".*(Store|Repository)(\\$.*)?")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("org.springframework.jdbc.core..")
                .orShould()
                .callMethodWhere(JavaCall.Predicates.target(HasName.Predicates.nameMatching("create.*Query"))
                        .and(JavaCall.Predicates.target(HasOwner.Predicates.With.owner(
                                JavaClass.Predicates.assignableTo("jakarta.persistence.EntityManager")))))
                .check(PRODUCT);
    }

    @Test
    void controllersOnlyTranslate() {
        noClasses()
                .that()
                .haveSimpleNameEndingWith("Controller")
                .should()
                .dependOnClassesThat()
                .haveSimpleNameEndingWith("Repository")
                .orShould()
                .dependOnClassesThat()
                .haveSimpleNameEndingWith("Store")
                .orShould()
                .dependOnClassesThat()
                .resideInAnyPackage(
                        "org.springframework.transaction..", "org.springframework.jdbc..", "jakarta.persistence..")
                .check(PRODUCT);
    }

    @Test
    void suffixesTellTheRole() {
        methods()
                .that()
                .areAnnotatedWith(Scheduled.class)
                .should()
                .beDeclaredInClassesThat()
                .haveSimpleNameEndingWith("Job")
                .check(PRODUCT);
        classes()
                .that()
                .areAnnotatedWith(RestController.class)
                .and()
                .resideOutsideOfPackage("app.denfold.server.demo.standins") // stand for services of others
                .should()
                .haveSimpleNameEndingWith("Controller")
                .check(PRODUCT);
        classes()
                .that()
                .areAssignableTo(Repository.class)
                .and()
                .areInterfaces()
                .should()
                .haveSimpleNameEndingWith("Repository")
                .check(PRODUCT);
    }
}
