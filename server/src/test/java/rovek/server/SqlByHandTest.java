package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** Records go through Hibernate. Where SQL is written by hand nevertheless, a decision says why. */
class SqlByHandTest {

    private static final List<String> BY_HAND = List.of(
            "BulkCopy",
            "ChangedChecks",
            "NewestReadings",
            "NodeRows",
            "ResultCourse",
            "ResultHours",
            "SharedViews",
            "Turns");

    private static final Pattern SQL = Pattern.compile(
            "springframework\\.jdbc\\.core|createNativeQuery|nativeQuery|java\\.sql\\.Connection|org\\.postgresql\\.");

    @Test
    void sqlIsWrittenByHandOnlyWhereADecisionSaysWhy() {
        assertThat(sources()
                        .filter(file -> SQL.matcher(text(file)).find())
                        .map(file -> file.getFileName().toString().replace(".java", ""))
                        .sorted())
                .containsExactlyElementsOf(BY_HAND);
        String decision = text(Path.of("../docs/decisions/0030-records-through-hibernate.md"));
        assertThat(BY_HAND).allSatisfy(name -> assertThat(decision).contains("`" + name));
    }

    @Test
    void everyOtherTableIsAnEntity() {
        String entities = String.join("", sources().map(SqlByHandTest::text).toList());
        assertThat(tables()).hasSizeGreaterThan(45);
        assertThat(tables().stream().filter(table -> !entities.contains("name = \"" + table + "\"")))
                .as(
                        "what the database notes by itself, sums of results, a view that lives for seconds, Spring's own, partitions")
                .containsExactlyInAnyOrder(
                        "measured_check",
                        "plant_news",
                        "result_summary",
                        "result_hour",
                        "stale_hour",
                        "live_view",
                        "spring_session_attributes",
                        "result_",
                        "result_other");
    }

    private static Set<String> tables() {
        String steps = String.join(
                "\n",
                files("src/main/resources/db/migration")
                        .map(SqlByHandTest::text)
                        .toList());
        Set<String> tables = new TreeSet<>();
        found(steps, "CREATE (?:UNLOGGED )?TABLE (\\w+)").forEach(one -> tables.add(one.group(1)));
        found(steps, "DROP TABLE (\\w+)").forEach(one -> tables.remove(one.group(1)));
        found(steps, "ALTER TABLE (\\w+) RENAME TO (\\w+)").forEach(one -> {
            tables.remove(one.group(1));
            tables.add(one.group(2));
        });
        return tables;
    }

    private static Stream<MatchResult> found(String text, String pattern) {
        return Pattern.compile(pattern).matcher(text).results();
    }

    private static Stream<Path> sources() {
        return files("src/main/java").filter(file -> file.toString().endsWith(".java"));
    }

    private static Stream<Path> files(String folder) {
        try (Stream<Path> files = Files.walk(Path.of(folder))) {
            return files.filter(Files::isRegularFile).toList().stream();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static String text(Path file) {
        try {
            return Files.readString(file);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
