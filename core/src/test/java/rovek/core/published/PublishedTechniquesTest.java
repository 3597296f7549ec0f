package rovek.core.published;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import rovek.core.entry.Entry;
import rovek.core.setup.SetupField;
import rovek.core.setup.SetupForm;
import rovek.core.setup.SetupForms;
import rovek.core.technique.SettingDefinition;
import rovek.core.technique.Technique;
import rovek.core.technique.Techniques;
import rovek.core.wording.Sentence;

/**
 * What makers read of techniques and settings is what there is. {@code -Drovek.renew-published=true} writes it again.
 */
class PublishedTechniquesTest {

    private static final Path PAGE = Path.of("../docs/field-package/techniques.md");
    private static final Path WORDS = Path.of("../server/src/main/resources/rovek/server/words/en/entry.json");

    private static String page() throws IOException {
        StringBuilder page = new StringBuilder("""
                # Techniques and settings

                Written from the program itself. An instrument names a technique in `*OPT?` by its id in capitals; routes and \
                readings name it as it stands here. A
                setting travels as text under its key; one that is left out has its usual value. Units are those of the numbers, \
                which carry none themselves.
                """);
        for (Technique technique : Techniques.all().list()) {
            page.append("\n## %s: %s\n".formatted(technique.id(), technique.name()));
            table(page, technique.settings());
        }
        page.append("\n# Set-ups\n\nThe keys of `values`, and of each of `rows`, in `setup.json`.\n");
        for (SetupForm form : SetupForms.list()) {
            page.append("\n## %s: %s\n".formatted(form.id(), form.name()));
            table(page, form.fields().stream().map(SetupField::definition).toList());
            if (!form.rowFields().isEmpty()) {
                page.append("\nOf each %s:\n".formatted(form.rowName()));
                table(
                        page,
                        form.rowFields().stream().map(SetupField::definition).toList());
            }
        }
        return page.toString();
    }

    private static void table(StringBuilder page, List<SettingDefinition> settings) throws IOException {
        if (settings.isEmpty()) {
            page.append("\nNothing is set.\n");
            return;
        }
        page.append("\n| key | what | unit | usual | takes |\n| --- | --- | --- | --- | --- |\n");
        for (SettingDefinition setting : settings) {
            page.append("| `%s` | %s | %s | %s | %s |\n"
                    .formatted(
                            setting.key(),
                            setting.name(),
                            setting.unit(),
                            setting.defaultValue().isEmpty() ? "" : "`" + setting.defaultValue() + "`",
                            takes(setting.kind())));
        }
    }

    private static String takes(Entry kind) throws IOException {
        if (kind instanceof Entry.Number number) {
            return "a number from %s to %s".formatted(plain(number.least()), plain(number.largest()));
        }
        if (!kind.options().isEmpty()) {
            return String.join(
                    ", ",
                    kind.options().stream().map(option -> "`" + option + "`").toList());
        }
        return kind instanceof Entry.Moment
                ? "a time in UTC, e.g. `2026-11-30T08:00:00Z`"
                : kind.hint().equals(Sentence.NONE) ? "text" : "text, e.g. " + worded(kind.hint());
    }

    /** Makers read English. */
    private static String worded(Sentence hint) throws IOException {
        String said = "\"%s\": \"([^\"]+)\"".formatted(hint.key().replace("entry.", ""));
        return Pattern.compile(said)
                .matcher(Files.readString(WORDS))
                .results()
                .findFirst()
                .orElseThrow()
                .group(1);
    }

    private static String plain(double number) {
        return number == Math.rint(number) && Math.abs(number) < 1e15
                ? String.valueOf((long) number)
                : String.valueOf(number);
    }

    @Test
    void thePageIsWhatThereIs() throws IOException {
        if (Boolean.getBoolean("rovek.renew-published")) {
            Files.writeString(PAGE, page());
        }
        assertThat(Files.readString(PAGE)).isEqualTo(page());
    }
}
