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
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** What the documentation names is there: the test that shows a promise, the class to begin reading at. */
class DocumentationTest {

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

    /** Every class and package of the page on the house. */
    @Test
    void whatThePageOnTheHouseNamesIsThere() throws IOException {
        Map<String, String> sources = new HashMap<>();
        Set<String> packages = new TreeSet<>();
        for (String module : List.of("core", "link", "fieldsim", "server")) {
            Path root = HOUSE.resolve(module).resolve("src");
            try (Stream<Path> files = Files.walk(root)) {
                files.filter(file -> file.toString().endsWith(".java")).forEach(file -> {
                    sources.put(file.getFileName().toString().replace(".java", ""), read(file));
                    packages.add(root.relativize(file.getParent())
                            .toString()
                            .replaceAll("^\\w+/java/", "")
                            .replace('/', '.'));
                });
            }
        }
        String page = read(HOUSE.resolve("docs/architecture.md"));
        List<String> missing = new ArrayList<>();
        Matcher named =
                Pattern.compile("`(?:([a-z.]+)\\.)?([A-Z]\\w+)(?:\\.(\\w+))?`").matcher(page);
        int count = 0;
        for (; named.find(); count++) {
            String source = sources.getOrDefault(named.group(2), "");
            boolean isThere = !source.isEmpty()
                    && (named.group(1) == null || source.contains("." + named.group(1) + ";"))
                    && (named.group(3) == null || source.contains(" " + named.group(3) + "("));
            if (!isThere) {
                missing.add(named.group());
            }
        }
        assertThat(missing).isEmpty();
        assertThat(count).isGreaterThan(25);
        for (String line : page.lines().filter(one -> one.startsWith("| `")).toList()) {
            String[] cells = line.split("\\|");
            String wing = cells[1].strip().replace("`", "");
            Matcher feature = Pattern.compile("`(\\w+)`").matcher(cells[3]);
            while (feature.find()) {
                assertThat(packages).contains("rovek.server." + wing + "." + feature.group(1));
            }
        }
    }
}
