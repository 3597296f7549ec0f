package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** Records go through Hibernate. Where SQL is written by hand nevertheless, a decision says why. */
class SqlByHandTest {

    private static final Path SOURCE = Path.of("src/main/java");
    private static final List<String> BY_HAND = List.of(
            "BulkCopy",
            "ChangedChecks",
            "NewestReadings",
            "NodeRows",
            "ResultCourse",
            "ResultHours",
            "SharedViews",
            "Turns");

    @Test
    void sqlIsWrittenByHandOnlyWhereADecisionSaysWhy() throws IOException {
        try (Stream<Path> files = Files.walk(SOURCE)) {
            assertThat(files.filter(file -> file.toString().endsWith(".java"))
                            .filter(SqlByHandTest::speaksSql)
                            .map(file -> file.getFileName().toString().replace(".java", ""))
                            .sorted())
                    .containsExactlyElementsOf(BY_HAND);
        }
        String decision = Files.readString(Path.of("../docs/decisions/0030-records-through-hibernate.md"));
        assertThat(BY_HAND).allSatisfy(name -> assertThat(decision).contains("`" + name));
    }

    private static boolean speaksSql(Path file) {
        try {
            String text = Files.readString(file);
            return text.contains("org.springframework.jdbc") && !text.contains("CannotGetJdbcConnectionException")
                    || text.contains("createNativeQuery")
                    || text.contains("nativeQuery")
                    || text.contains("java.sql.Connection")
                    || text.contains("org.postgresql.");
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    /** A table is read by the feature that keeps it, and by no other: each entity has one package that names it. */
    @Test
    void everyTableThatKeepsRecordsIsAnEntityOrBelongsToWhatIsWrittenByHand() throws IOException {
        StringBuilder migrations = new StringBuilder();
        try (Stream<Path> files = Files.list(Path.of("src/main/resources/db/migration"))) {
            for (Path file : files.sorted().toList()) {
                migrations.append(Files.readString(file)).append('\n');
            }
        }
        StringBuilder sources = new StringBuilder();
        try (Stream<Path> files = Files.walk(SOURCE)) {
            for (Path file :
                    files.filter(one -> one.toString().endsWith(".java")).toList()) {
                sources.append(Files.readString(file));
            }
        }
        java.util.Set<String> tables = new java.util.TreeSet<>();
        java.util.regex.Pattern.compile("CREATE (?:UNLOGGED )?TABLE (\\w+)")
                .matcher(migrations)
                .results()
                .forEach(found -> tables.add(found.group(1)));
        java.util.regex.Pattern.compile("DROP TABLE (\\w+)")
                .matcher(migrations)
                .results()
                .forEach(found -> tables.remove(found.group(1)));
        java.util.regex.Pattern.compile("ALTER TABLE (\\w+) RENAME TO (\\w+)")
                .matcher(migrations)
                .results()
                .forEach(found -> {
                    tables.remove(found.group(1));
                    tables.add(found.group(2));
                });
        assertThat(tables).hasSizeGreaterThan(45);
        assertThat(tables.stream().filter(table -> !sources.toString().contains("name = \"" + table + "\"")))
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
}
