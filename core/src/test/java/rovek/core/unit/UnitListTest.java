package rovek.core.unit;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** The page that makers of instruments read lists every unit and every spelling there is. */
class UnitListTest {

    @Test
    void thePageListsThemAll() throws IOException {
        String units = "By their symbols: "
                + UnitCatalogue.symbols().stream().map("`%s`"::formatted).collect(Collectors.joining(" ")) + ".";
        String spellings = "Also in the usual ways of writing: "
                + WrittenUnit.spellings().entrySet().stream()
                        .map(one -> "`%s` (%s)"
                                .formatted(one.getKey(), one.getValue().symbol()))
                        .collect(Collectors.joining(", "))
                + ".";
        Path page = Path.of("..", "docs", "field-package", "README.md");
        if (Boolean.getBoolean("rovek.renew-tables")) {
            Files.writeString(
                    page,
                    Files.readString(page)
                            .replaceFirst(
                                    "By their symbols: .*",
                                    java.util.regex.Matcher.quoteReplacement(
                                            units + " " + spellings + " Large and small letters")));
        }
        assertThat(Files.readString(page)).contains(units).contains(spellings);
    }
}
