package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.domain.JavaMethod;
import com.tngtech.archunit.core.domain.JavaParameter;
import com.tngtech.archunit.core.domain.JavaType;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.springframework.web.bind.annotation.RestController;

/** The description names records by their simple names: of two with the same one it would silently keep one. */
class AnswerNamesTest {

    private static final JavaClasses CLASSES = new ClassFileImporter()
            .withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
            .importPackages("rovek");

    private final Set<JavaClass> seen = new HashSet<>();
    private final Map<String, Set<String>> records = new TreeMap<>();

    @Test
    void noTwoRecordsOfTheInterfaceHaveTheSameName() {
        for (JavaClass controller : CLASSES) {
            if (controller.isAnnotatedWith(RestController.class)) {
                for (JavaMethod method : controller.getMethods()) {
                    follow(method.getReturnType());
                    method.getParameters().stream().map(JavaParameter::getType).forEach(this::follow);
                }
            }
        }
        assertThat(records).hasSizeGreaterThan(150);
        records.values().removeIf(named -> named.size() == 1);
        assertThat(records).isEmpty();
    }

    private void follow(JavaType type) {
        for (JavaClass one : type.getAllInvolvedRawTypes()) {
            if (one.getPackageName().startsWith("rovek") && one.isRecord() && seen.add(one)) {
                records.computeIfAbsent(one.getSimpleName(), none -> new TreeSet<>())
                        .add(one.getFullName());
                one.getFields().forEach(field -> follow(field.getType()));
            }
        }
    }
}
