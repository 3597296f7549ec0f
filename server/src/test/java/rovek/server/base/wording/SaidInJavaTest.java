package rovek.server.base.wording;

import static org.assertj.core.api.Assertions.assertThat;

import com.ibm.icu.text.MessagePattern;
import com.sun.source.tree.AnnotationTree;
import com.sun.source.tree.CompilationUnitTree;
import com.sun.source.tree.ConditionalExpressionTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.LiteralTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.JavacTask;
import com.sun.source.util.TreePathScanner;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import javax.tools.StandardJavaFileManager;
import javax.tools.ToolProvider;
import org.junit.jupiter.api.Test;
import rovek.core.wording.Sentence;

/** What people read stands in message files, by the syntax tree of every source: none of it is written in Java. */
class SaidInJavaTest {

    private static final List<String> MODULES = List.of("core", "link", "server");

    /** Two words beside each other, the second a small one: a sentence or a part of one. */
    private static final Pattern WORDS = Pattern.compile("[A-Za-z]{2,}[,;:]? [a-z]{2,}");

    private static final Pattern SQL = Pattern.compile(
            "(?s)\\s*(SELECT|INSERT|UPDATE|DELETE|COPY|LOCK|FROM|WHERE|JOIN|AND|ORDER|SET|hour BETWEEN|c\\.|f\\.|r\\.).*");

    /** Faults of the program, which nobody but its makers reads, in the log. */
    private static final Set<String> FAULTS = Set.of(
            "IllegalStateException",
            "IllegalArgumentException",
            "UncheckedIOException",
            "IOException",
            "EOFException",
            "CompletionException",
            "DateTimeException");

    /** What the program's own things are called in English; other languages name them by {@link Names}. */
    private static final Set<String> NAMED =
            Set.of("SettingDefinition", "Preset", "ResultDefinition", "KeptTechnique", "Entry.Choice", "ScpiError");

    /** Files whose words are stored, sent or laid out as they are, each with what they are. */
    private static final Map<String, String> OTHERWISE = Map.ofEntries(
            Map.entry("AssetClasses.java", "names of classes"),
            Map.entry("AuditTrail.java", "the actor of what nobody signed in did, as it is stored"),
            Map.entry("BearingDefects.java", "ids of frequencies"),
            Map.entry("CertificatePage.java", "HTML and style sheet"),
            Map.entry("Diagnosis.java", "ids of frequencies"),
            Map.entry("ExchangeController.java", "a header of HTTP"),
            Map.entry("Gauge.java", "the name of a technique"),
            Map.entry("LimitText.java", "a limit as it is written in the plant"),
            Map.entry("LinkHold.java", "for the log"),
            Map.entry("LiveRecordings.java", "for the log, and a note as it is stored"),
            Map.entry("LoggedRun.java", "the name of a technique"),
            Map.entry("LoggerSetup.java", "names, and words to choose from"),
            Map.entry("LookedAt.java", "words to choose from"),
            Map.entry("MachineFrequencies.java", "ids of frequencies"),
            Map.entry("Maker.java", "the model of what was entered by hand, as it is stored"),
            Map.entry("PackageFiles.java", "a kind of job"),
            Map.entry("Question.java", "the name of a technique"),
            Map.entry("ReadBack.java", "a kind of job"),
            Map.entry("ReadingIntake.java", "columns of tables"),
            Map.entry("Register.java", "words to choose from"),
            Map.entry("RegisterNumbering.java", "words to choose from"),
            Map.entry("RegisterSetup.java", "names, and words to choose from"),
            Map.entry("ResultTable.java", "HTML"),
            Map.entry("Routes.java", "an act in the audit trail"),
            Map.entry("Setups.java", "an act in the audit trail"),
            Map.entry("SessionController.java", "an act in the audit trail"),
            Map.entry("SignIn.java", "acts in the audit trail"),
            Map.entry("SignInThrottle.java", "a key"),
            Map.entry("TemplateLibrary.java", "a seed of ids"),
            Map.entry("VibrationResults.java", "names of results"),
            Map.entry("Walk.java", "a state as it goes over the wire"),
            Map.entry("WrittenUnit.java", "ways to write units"));

    private record Found(Path file, String text) {}

    private interface Visit {
        void source(Path file, CompilationUnitTree unit);
    }

    private static void all(Visit visit) {
        List<Path> files = MODULES.stream()
                .flatMap(module -> {
                    try (Stream<Path> walked = Files.walk(Path.of("..", module, "src", "main", "java"))) {
                        return walked.filter(file -> file.toString().endsWith(".java")).toList().stream();
                    } catch (IOException e) {
                        throw new UncheckedIOException(e);
                    }
                })
                .filter(file -> !file.toString().contains("/server/demo/"))
                .toList();
        var compiler = ToolProvider.getSystemJavaCompiler();
        try (StandardJavaFileManager manager = compiler.getStandardFileManager(null, null, null)) {
            JavacTask task = (JavacTask)
                    compiler.getTask(null, manager, null, null, null, manager.getJavaFileObjectsFromPaths(files));
            for (CompilationUnitTree unit : task.parse()) {
                visit.source(Path.of(unit.getSourceFile().toUri()), unit);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @Test
    void noSentenceIsWrittenInJava() {
        List<Found> found = new ArrayList<>();
        all((file, unit) -> new TreePathScanner<Void, Void>() {
            @Override
            public Void visitAnnotation(AnnotationTree annotation, Void none) {
                return null;
            }

            @Override
            public Void visitMethodInvocation(MethodInvocationTree call, Void none) {
                String called = call.getMethodSelect().toString();
                boolean isForMakers = called.startsWith("LOG.")
                        || called.endsWith("audit.note")
                        || called.startsWith("Attribute.")
                        || called.startsWith("Pattern.")
                        || called.startsWith("Entry.option");
                return isForMakers ? null : super.visitMethodInvocation(call, none);
            }

            @Override
            public Void visitNewClass(NewClassTree made, Void none) {
                String type = made.getIdentifier().toString();
                return FAULTS.contains(type) || NAMED.contains(type) ? null : super.visitNewClass(made, none);
            }

            @Override
            public Void visitLiteral(LiteralTree literal, Void none) {
                if (literal.getKind() == Tree.Kind.STRING_LITERAL) {
                    String text = (String) literal.getValue();
                    if (WORDS.matcher(text).find() && !SQL.matcher(text).matches()) {
                        found.add(new Found(file.getFileName(), text));
                    }
                }
                return null;
            }
        }.scan(unit, null));
        Set<String> unknown = new TreeSet<>();
        found.forEach(one -> unknown.add(one.file() + ": " + one.text()));
        Set<String> needless = new TreeSet<>(OTHERWISE.keySet());
        needless.removeIf(file -> unknown.stream().anyMatch(one -> one.startsWith(file + ":")));
        assertThat(needless).as("files that are let off for nothing").isEmpty();
        unknown.removeIf(one -> OTHERWISE.containsKey(one.substring(0, one.indexOf(':'))));
        assertThat(unknown).isEmpty();
    }

    /** Acts and subjects as they are written into the audit trail. */
    static Set<Sentence> audited() {
        Set<Sentence> audited = new HashSet<>();
        all((file, unit) -> new TreePathScanner<Void, Void>() {
            @Override
            public Void visitMethodInvocation(MethodInvocationTree call, Void none) {
                if (call.getMethodSelect().toString().endsWith("audit.note")) {
                    texts(call.getArguments().get(0)).forEach(act -> audited.add(Names.act(act)));
                    texts(call.getArguments().get(1)).forEach(subject -> audited.add(Names.subject(subject)));
                }
                return super.visitMethodInvocation(call, none);
            }
        }.scan(unit, null));
        return audited;
    }

    /** What a call brings is what its message asks for, by name. */
    @Test
    void everyMessageGetsItsValues() {
        Map<String, String> messages = Wording.SHIPPED.of("en");
        Set<String> wrong = new TreeSet<>();
        all((file, unit) -> new TreePathScanner<Void, Void>() {
            @Override
            public Void visitMethodInvocation(MethodInvocationTree call, Void none) {
                if (call.getMethodSelect().toString().equals("Sentence.of")
                        || call.getMethodSelect().toString().equals("of")) {
                    List<? extends ExpressionTree> given = call.getArguments();
                    List<String> keys = texts(given.get(0));
                    Set<String> names = new TreeSet<>();
                    for (int i = 1; i < given.size(); i += 2) {
                        names.addAll(texts(given.get(i)));
                    }
                    Set<String> asked = new TreeSet<>();
                    keys.stream().filter(messages::containsKey).forEach(key -> asked.addAll(asked(messages.get(key))));
                    boolean isSentence = keys.stream().anyMatch(messages::containsKey);
                    if (isSentence && !names.equals(asked)) {
                        wrong.add("%s in %s: brings %s for %s".formatted(keys, file.getFileName(), names, asked));
                    }
                }
                return super.visitMethodInvocation(call, none);
            }
        }.scan(unit, null));
        assertThat(wrong).isEmpty();
    }

    /** Also those within a plural or a choice. */
    static Set<String> asked(String message) {
        Set<String> names = new TreeSet<>();
        MessagePattern pattern = new MessagePattern(message);
        for (int i = 0; i < pattern.countParts(); i++) {
            if (pattern.getPartType(i) == MessagePattern.Part.Type.ARG_NAME) {
                names.add(pattern.getSubstring(pattern.getPart(i)));
            }
        }
        return names;
    }

    /** A text, or both where it is chosen between two. */
    private static List<String> texts(ExpressionTree expression) {
        if (expression instanceof LiteralTree literal && literal.getValue() instanceof String text) {
            return List.of(text);
        }
        if (expression instanceof ConditionalExpressionTree choice) {
            return Stream.concat(
                            texts(choice.getTrueExpression()).stream(), texts(choice.getFalseExpression()).stream())
                    .toList();
        }
        return List.of();
    }
}
