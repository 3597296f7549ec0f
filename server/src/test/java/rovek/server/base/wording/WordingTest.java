package rovek.server.base.wording;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import rovek.core.entry.Entry;
import rovek.core.nameplate.AssetClass;
import rovek.core.nameplate.AssetClasses;
import rovek.core.nameplate.Nameplate;
import rovek.core.setup.SetupForm;
import rovek.core.setup.SetupForms;
import rovek.core.technique.SensorUse;
import rovek.core.technique.Technique;
import rovek.core.technique.Techniques;
import rovek.core.wording.Sentence;
import rovek.server.judging.reading.FilledColumn;

/** Every sentence is worded in every language, and no message is there for nothing. */
class WordingTest {

    /** Languages that Rovek speaks whole; what the tests add to them is one more. */
    private static final List<String> WHOLE = List.of("en", "de");

    /** A key in a call, and the names of the values that go with it, as far as the call is seen. */
    private static final Pattern KEY = Pattern.compile("\"((?:[a-z]+)\\.[a-z][A-Za-z0-9]*)\"");

    private static final String NAMES = "names.";

    /** A small word of three letters or more: "1–10 kHz", "Hann" and "Pt100" are none. */
    private static final Pattern WORD = Pattern.compile("\\b[a-z]{3,}\\b|^no$");

    /** With everything that frequencies follow from. */
    private static final Nameplate FULL = Nameplate.of(List.of(Map.of(
            "speedRpm", "1480",
            "supplyHz", "50",
            "bearingBalls", "8",
            "bearingBallMm", "15",
            "bearingPitchMm", "65",
            "blades", "6",
            "teeth", "23")));

    private static final Wording WORDING = Wording.SHIPPED;

    private static List<Path> sources(String... modules) {
        return Stream.of(modules)
                .flatMap(module -> {
                    try (Stream<Path> files = Files.walk(Path.of("..", module, "src", "main", "java"))) {
                        return files.filter(file -> file.toString().endsWith(".java")).toList().stream();
                    } catch (IOException e) {
                        throw new UncheckedIOException(e);
                    }
                })
                .toList();
    }

    private static String read(Path file) {
        try {
            return Files.readString(file);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @Test
    void everyLanguageHasTheSameMessagesWithTheSameValues() {
        Map<String, String> usual = withoutNames(WORDING.of("en"));
        for (String language : WHOLE) {
            Map<String, String> own = withoutNames(WORDING.of(language));
            assertThat(own.keySet()).as(language).containsExactlyInAnyOrderElementsOf(usual.keySet());
            own.forEach((key, message) -> assertThat(SaidInJavaTest.asked(message))
                    .as("%s in %s", key, language)
                    .isEqualTo(SaidInJavaTest.asked(usual.get(key))));
        }
    }

    private static Set<String> namesOf(String language) {
        Set<String> names = new TreeSet<>(WORDING.of(language).keySet());
        names.removeIf(key -> !key.startsWith(NAMES));
        return names;
    }

    private static Map<String, String> withoutNames(Map<String, String> messages) {
        Map<String, String> others = new TreeMap<>(messages);
        others.keySet().removeIf(key -> key.startsWith(NAMES));
        return others;
    }

    /** English is what the core calls them; every other language has all of them, and no more. */
    @Test
    void whatTheProgramKnowsHasANameInEveryLanguage() {
        Set<String> named = new TreeSet<>();
        for (Technique technique : Techniques.all().list()) {
            named.add(Names.technique(technique).key());
            technique.settings().forEach(one -> {
                named.add(one.called(technique.settingGroup()).key());
                addOptions(named, one.kind());
            });
            technique.looks().forEach(one -> {
                named.add(one.called("look:").key());
                addOptions(named, one.kind());
            });
            technique.presets().forEach(one -> named.add(Names.preset(one).key()));
            technique
                    .characteristics(FULL)
                    .forEach(one -> named.add(one.called().key()));
            technique.everyResult().forEach(one -> named.add(Names.result(one).key()));
        }
        for (AssetClass one : AssetClasses.all()) {
            named.add(Names.assetClass(one).key());
            one.attributes().forEach(line -> {
                named.add(line.called().key());
                addOptions(named, line.kind());
            });
        }
        named.add(Names.assetClass(AssetClasses.SITE).key());
        AssetClasses.SITE.attributes().forEach(line -> named.add(line.called().key()));
        for (SetupForm form : SetupForms.list()) {
            named.add(Names.setup(form).key());
            named.add(Entry.option(form.rowName()).key());
            Stream.concat(form.fields().stream(), form.rowFields().stream()).forEach(field -> {
                named.add(field.definition().called(SetupForm.FIELDS).key());
                addOptions(named, field.definition().kind());
            });
        }
        named.add(Entry.option(SensorUse.NONE).key());
        Stream.of(FilledColumn.values()).forEach(one -> named.add(one.called().key()));
        Stream.of("spectrum", "waveform", "envelope", "velocity")
                .forEach(curve -> named.add(Names.curve(curve).key()));
        SaidInJavaTest.audited().forEach(one -> named.add(one.key()));
        Stream.of(
                        "sign in",
                        "sign-in failed",
                        "sign-in put off",
                        "wrong password to sign",
                        "wrong password to change it")
                .forEach(act -> named.add(Names.act(act).key()));
        assertThat(named).as("no name for nothing").containsAll(namesOf("en"));
        for (String language : WHOLE.subList(1, WHOLE.size())) {
            Set<String> own = namesOf(language);
            assertThat(own).as(language).containsExactlyInAnyOrderElementsOf(named);
        }
        Sentence pump = Names.assetClass(AssetClasses.find("pump").orElseThrow());
        assertThat(WORDING.of(pump, Locale.ENGLISH)).isEqualTo("Pump set");
        assertThat(WORDING.of(pump, Locale.GERMAN)).isEqualTo("Pumpenaggregat");
    }

    /** Words that are the same in every language, and names of places, need none. */
    private static void addOptions(Set<String> named, Entry kind) {
        if (!(kind instanceof Entry.Zone)) {
            kind.options().stream()
                    .filter(word -> WORD.matcher(word).find())
                    .forEach(word -> named.add(Entry.option(word).key()));
        }
    }

    /** Keys are found by their shape in every literal: whoever chooses between two still names both. */
    @Test
    void everyMessageIsSaidSomewhereAndEverySentenceHasOne() {
        Set<String> said = new TreeSet<>();
        for (Path file : sources("core", "link", "server")) {
            Matcher keys = KEY.matcher(read(file));
            while (keys.find()) {
                said.add(keys.group(1));
            }
        }
        Set<String> worded = new TreeSet<>(withoutNames(WORDING.of("en")).keySet());
        assertThat(worded).as("no message for nothing").isSubsetOf(said);
        Set<String> wings = new TreeSet<>();
        worded.forEach(key -> wings.add(key.substring(0, key.indexOf('.'))));
        Set<String> wanted = new TreeSet<>();
        for (Path file : sources("core", "link", "server")) {
            Matcher calls = Pattern.compile("Sentence\\.of\\(\\s*\"([^\"]+)\"").matcher(read(file));
            while (calls.find()) {
                wanted.add(calls.group(1));
            }
        }
        assertThat(wanted).as("no sentence without a message").isSubsetOf(worded);
    }

    @Test
    void numbersAndPluralsAreThoseOfTheLanguage() {
        Sentence rows = Sentence.of("plant.wrongRows", "rows", 1);
        assertThat(WORDING.of(rows, Locale.ENGLISH)).isEqualTo("1 row is wrong. Nothing was imported.");
        assertThat(WORDING.of(Sentence.of("plant.wrongRows", "rows", 2), Locale.GERMAN))
                .isEqualTo("2 Zeilen sind falsch. Es wurde nichts importiert.");
        Sentence large = Sentence.of("instruments.paperTooLarge", "size", 12.345, "most", 10);
        assertThat(WORDING.of(large, Locale.ENGLISH)).contains("12.3 MB");
        assertThat(WORDING.of(large, Locale.GERMAN)).contains("12,3 MB");
        assertThat(WORDING.of(Sentence.of("plant.tooManyRows", "most", 50_000), Locale.GERMAN))
                .contains("50.000");
    }

    @Test
    void aSentenceWithinASentenceIsInTheSameLanguage() {
        Sentence gone = Sentence.of("base.notFound", "what", Sentence.of("thing.visit"));
        assertThat(WORDING.of(gone, Locale.GERMAN)).startsWith("Der Einsatz: nicht mehr vorhanden");
        assertThat(WORDING.of(gone, Locale.ENGLISH)).startsWith("The visit no longer exists");
    }

    @Test
    void aSentenceThatEndsWithinAnotherEndsOnce() {
        Sentence broken = Sentence.of(
                "packet.invalid",
                "where",
                "readings.ndjson:2",
                "why",
                Sentence.of("unit.unknown", "symbol", "furlong"));
        assertThat(WORDING.of(broken, Locale.ENGLISH))
                .isEqualTo(
                        "The field package breaks its own rules in readings.ndjson:2: \"furlong\" is not a known unit. "
                                + "Nothing was imported.");
        assertThat(WORDING.of(broken, Locale.GERMAN)).doesNotContain("..");
        assertThat(WORDING.of(Sentence.of("entry.openRangesHint"), Locale.ENGLISH))
                .as("two dots that somebody wrote stay")
                .endsWith("other name: ..9");
    }

    @Test
    void whatPeopleTypeIsNoPartOfAMessage() {
        for (String typed : List.of("{0}", "{what}", "it's", "'{'", "# <b>", "100 %")) {
            assertThat(WORDING.of(Sentence.of("people.unitTaken", "symbol", typed), Locale.ENGLISH))
                    .isEqualTo("There is already a unit \"" + typed + "\". Choose another symbol.");
            assertThat(WORDING.of(Sentence.plain(typed), Locale.GERMAN)).isEqualTo(typed);
        }
    }

    /** A language that is added as files is spoken, and says in the usual one what it has no words for yet. */
    @Test
    void anotherLanguageIsNothingButFiles() {
        Locale esperanto = Locale.forLanguageTag("eo");
        assertThat(WORDING.languages()).contains("eo");
        assertThat(WORDING.of(Sentence.of("people.noRole"), esperanto)).isEqualTo("Elektu rolon.");
        assertThat(WORDING.of(Sentence.of("people.noLanguage"), esperanto))
                .isEqualTo("Choose a language from the list.");
        assertThat(WORDING.of(Sentence.of("people.noRole"), Locale.JAPANESE)).isEqualTo("Choose a role.");
        assertThat(new Wording(new HashMap<>()).of(Sentence.of("people.noRole"), esperanto))
                .isEqualTo("people.noRole");
    }
}
