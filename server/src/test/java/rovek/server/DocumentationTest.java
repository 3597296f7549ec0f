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
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** What the documentation names is there: the test that shows a promise, the class to begin reading at. */
class DocumentationTest {

    private static final Path HOUSE = Path.of("..");
    private static final List<String> MODULES = List.of("core", "link", "fieldsim", "server", "e2e");
    private static final Pattern TEST = Pattern.compile("`([A-Z]\\w*Test)(?:\\.(\\w+))?`");
    private static final Pattern CLASS = Pattern.compile("`(?:([a-z.]+)\\.)?([A-Z]\\w+)(?:\\.(\\w+))?`");
    private static final Pattern FEATURE = Pattern.compile("`(\\w+)`");

    private final Map<String, String> sources = sources();

    /** Class to its source. */
    private static Map<String, String> sources() {
        Map<String, String> sources = new HashMap<>();
        for (String module : MODULES) {
            try (Stream<Path> files = Files.walk(HOUSE.resolve(module).resolve("src"))) {
                files.filter(file -> file.toString().endsWith(".java"))
                        .forEach(file ->
                                sources.put(file.getFileName().toString().replace(".java", ""), read(file)));
            } catch (IOException e) {
                throw new UncheckedIOException(e);
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

    private static List<MatchResult> named(Pattern pattern, String page) {
        return pattern.matcher(read(HOUSE.resolve("docs").resolve(page)))
                .results()
                .toList();
    }

    private boolean isThere(String type, String before, String member, String end) {
        String source = sources.getOrDefault(type, "");
        return !source.isEmpty() && (member == null || source.contains(before + member + end));
    }

    @Test
    void everyTestThatThePagesNameIsThere() {
        List<String> missing = new ArrayList<>();
        int count = 0;
        for (String page : List.of("faults.md", "security.md")) {
            for (MatchResult one : named(TEST, page)) {
                count++;
                if (!isThere(one.group(1), "void ", one.group(2), "(")) {
                    missing.add(page + ": " + one.group());
                }
            }
        }
        assertThat(missing).isEmpty();
        assertThat(count).isGreaterThan(100);
    }

    @Test
    void everyClassThatThePageOnTheHouseNamesIsThere() {
        List<MatchResult> all = named(CLASS, "architecture.md");
        assertThat(all.stream()
                        .filter(one -> !isThere(one.group(2), " ", one.group(3), "(")
                                || !isThere(one.group(2), ".", one.group(1), ";"))
                        .map(MatchResult::group))
                .isEmpty();
        assertThat(all).hasSizeGreaterThan(25);
    }

    @Test
    void everyFeatureThatItNamesIsThere() {
        Path server = HOUSE.resolve("server/src/main/java/rovek/server");
        List<String> missing = new ArrayList<>();
        int count = 0;
        for (String line : read(HOUSE.resolve("docs/architecture.md")).lines().toList()) {
            String[] cells = line.split("\\|");
            if (line.startsWith("| `")) {
                Path wing = server.resolve(cells[1].strip().replace("`", ""));
                for (MatchResult feature : FEATURE.matcher(cells[3]).results().toList()) {
                    count++;
                    if (!Files.isDirectory(wing.resolve(feature.group(1)))) {
                        missing.add(line);
                    }
                }
            }
        }
        assertThat(missing).isEmpty();
        assertThat(count).isGreaterThan(30);
    }
}
