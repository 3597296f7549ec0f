package rovek.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** A promise in the documentation names the test that shows it, and there is such a test. */
class NamedTestsTest {

    private static final Path HOUSE = Path.of("..");
    private static final List<String> MODULES = List.of("core", "link", "fieldsim", "server", "e2e");
    private static final Pattern NAMED = Pattern.compile("`([A-Z]\\w*Test)(?:\\.(\\w+))?`");

    private static Map<String, String> tests() throws IOException {
        Map<String, String> sources = new HashMap<>();
        for (String module : MODULES) {
            try (Stream<Path> files = Files.walk(HOUSE.resolve(module).resolve("src/test/java"))) {
                files.filter(file -> file.toString().endsWith("Test.java"))
                        .forEach(file ->
                                sources.put(file.getFileName().toString().replace(".java", ""), read(file)));
            }
        }
        return sources;
    }

    private static String read(Path file) {
        try {
            return Files.readString(file);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @Test
    void everyTestThatThePagesNameIsThere() throws IOException {
        Map<String, String> tests = tests();
        List<String> missing = new ArrayList<>();
        int named = 0;
        for (String page : List.of("faults.md", "security.md")) {
            Matcher one = NAMED.matcher(read(HOUSE.resolve("docs").resolve(page)));
            for (; one.find(); named++) {
                String source = tests.getOrDefault(one.group(1), "");
                if (source.isEmpty() || one.group(2) != null && !source.contains("void " + one.group(2) + "(")) {
                    missing.add(page + ": " + one.group());
                }
            }
        }
        assertThat(missing).isEmpty();
        assertThat(named).isGreaterThan(100);
    }
}
