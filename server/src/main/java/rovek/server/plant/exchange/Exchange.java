package rovek.server.plant.exchange;

import jakarta.annotation.Nullable;
import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.plant.Level;
import rovek.core.plant.Node;
import rovek.core.plant.exchange.ImportKnowledge;
import rovek.core.plant.exchange.ImportPlan;
import rovek.core.plant.exchange.PlannedRow;
import rovek.core.plant.exchange.PlannedRow.State;
import rovek.core.plant.exchange.PlantImport;
import rovek.core.plant.exchange.PlantTable;
import rovek.core.plant.exchange.TypedTable;
import rovek.core.plant.template.Template;
import rovek.core.wording.Sentence;
import rovek.link.Sha256;
import rovek.server.base.job.JobProgress;
import rovek.server.base.job.JobStopped;
import rovek.server.base.problem.DomainProblem;
import rovek.server.plant.template.Templates;
import rovek.server.plant.tree.Plant;
import rovek.server.plant.tree.PlantKnowledge;
import rovek.server.plant.tree.PlantLedger;
import rovek.server.plant.tree.PlantTree;
import tools.jackson.databind.json.JsonMapper;

/** The plant, or a branch of it, out into files and in again: shown first, then whole or not at all. */
@Service
public class Exchange {

    private static final int MOST_ROWS_SHOWN = 400;

    private final Plant plant;
    private final PlantLedger ledger;
    private final PlantKnowledge knowledge;
    private final Templates templates;
    private final List<PlantFile> files;

    Exchange(Plant plant, PlantLedger ledger, PlantKnowledge knowledge, Templates templates, JsonMapper json) {
        this.plant = plant;
        this.ledger = ledger;
        this.knowledge = knowledge;
        this.templates = templates;
        this.files = List.of(new CsvPlantFile(), new XlsxPlantFile(), new JsonPlantFile(json));
    }

    /**
     * What an import would do.
     *
     * @param rows those that are wrong first, then the others in their order, as far as can be looked through
     * @param ignored headings that name no column
     * @param changes how many rows of the plant would come or change
     * @param digest to be given back when it is done: what is done is what was shown
     */
    public record ImportPreview(
            List<RowView> rows,
            int fresh,
            int changed,
            int same,
            int wrong,
            int changes,
            List<String> ignored,
            String digest) {}

    /** A row as it would be taken. */
    public record RowView(
            int number, int depth, String label, @Nullable Level level, State state, List<Sentence> notes, int rows) {

        static RowView of(PlannedRow row) {
            return new RowView(
                    row.number(),
                    row.depth(),
                    row.label(),
                    row.level().orElse(null),
                    row.state(),
                    row.notes(),
                    row.rows());
        }
    }

    /** A table to take in, in whatever way it came. */
    @FunctionalInterface
    interface Source {
        PlantTable table(ImportKnowledge knowledge) throws IOException;
    }

    static Source typed(String text) {
        return known -> TypedTable.read(text, name -> known.template(name).isPresent());
    }

    Source file(InputStream in) {
        return known -> {
            BufferedInputStream bytes = new BufferedInputStream(in);
            bytes.mark(4);
            int first = bytes.read();
            int second = bytes.read();
            bytes.reset();
            if (first < 0) {
                throw new DomainProblem.Invalid("file", Sentence.of("plant.emptyFile"));
            }
            String ending = first == 'P' && second == 'K' ? "xlsx" : first == '{' ? "json" : "csv";
            return way(ending).read(bytes);
        };
    }

    private PlantFile way(String ending) {
        return files.stream()
                .filter(file -> file.ending().equals(ending.toLowerCase(Locale.ROOT)))
                .findFirst()
                .orElseThrow(() -> new DomainProblem.Invalid("format", Sentence.of("plant.fileKinds")));
    }

    @Transactional(readOnly = true)
    public ImportPreview preview(@Nullable UUID base, Source source) {
        PlantTree tree = plant.tree();
        ImportKnowledge known = known();
        PlantTable table = table(source, known);
        return preview(plan(tree, base, table, known), table.ignored());
    }

    private static PlantTable table(Source source, ImportKnowledge known) {
        try {
            return source.table(known);
        } catch (IOException broken) {
            throw new DomainProblem.Invalid("file", Sentence.of("plant.fileBrokeOff"));
        }
    }

    private ImportKnowledge known() {
        Map<String, Template> byName = new HashMap<>();
        templates.latest().forEach(template -> byName.put(template.name().toLowerCase(Locale.ROOT), template));
        return knowledge.with(
                name -> Optional.ofNullable(byName.get(name.strip().toLowerCase(Locale.ROOT))));
    }

    private static ImportPlan plan(PlantTree tree, @Nullable UUID base, PlantTable table, ImportKnowledge known) {
        UUID root = base == null ? Node.PLANT : base;
        if (base != null && tree.nodes().find(base).isEmpty()) {
            throw new DomainProblem.NotFound(Sentence.of("thing.node"));
        }
        return PlantImport.plan(tree.nodes(), root, table, known, UUID::randomUUID);
    }

    private static ImportPreview preview(ImportPlan plan, List<String> ignored) {
        List<PlannedRow> shown = new ArrayList<>(plan.rows().stream()
                .filter(row -> row.state() == State.WRONG)
                .limit(MOST_ROWS_SHOWN)
                .toList());
        plan.rows().stream()
                .filter(row -> row.state() != State.WRONG)
                .limit(MOST_ROWS_SHOWN)
                .forEach(shown::add);
        if (plan.rows().size() <= MOST_ROWS_SHOWN) {
            shown.sort(Comparator.comparingInt(PlannedRow::number));
        }
        return new ImportPreview(
                shown.stream().map(RowView::of).toList(),
                plan.count(State.NEW),
                plan.count(State.CHANGED),
                plan.count(State.SAME),
                plan.count(State.WRONG),
                plan.change().added().size() + plan.change().altered().size(),
                ignored,
                digest(plan));
    }

    /** Of what was shown, row by row. */
    private static String digest(ImportPlan plan) {
        StringBuilder said = new StringBuilder();
        plan.rows().forEach(row -> said.append(row).append('\n'));
        return Sha256.of(said.toString().getBytes(StandardCharsets.UTF_8));
    }

    /**
     * Does what was shown, if that is still what would be done.
     *
     * @throws JobStopped where somebody stopped it; then nothing was imported
     */
    @Transactional
    public PlantLedger.Committed take(
            @Nullable UUID base, Source source, UUID changeId, String digest, JobProgress progress) {
        ImportKnowledge known = known();
        progress.report(0, 0, Sentence.of("plant.readingRows"));
        PlantTable table = table(source, known);
        return ledger.commit(
                changeId,
                tree -> {
                    goOn(progress);
                    progress.report(0, 0, Sentence.of("plant.comparingRows"));
                    ImportPlan plan = plan(tree, base, table, known);
                    if (!plan.isSound()) {
                        throw new DomainProblem.Conflict(
                                "wrong-rows", Sentence.of("plant.wrongRows", "rows", plan.count(State.WRONG)));
                    }
                    if (!digest(plan).equals(digest)) {
                        throw new DomainProblem.Conflict("plant-changed", Sentence.of("plant.changedMeanwhile"));
                    }
                    goOn(progress);
                    return PlantLedger.Proposal.typed(sentence(plan), plan.change());
                },
                (written, of) -> {
                    progress.report(written, of, Sentence.of("plant.writingRows"));
                    goOn(progress);
                });
    }

    private static void goOn(JobProgress progress) {
        if (progress.isStopRequested()) {
            throw new JobStopped(Sentence.of("plant.importStopped"));
        }
    }

    private static Sentence sentence(ImportPlan plan) {
        Object first = plan.rows().stream()
                .filter(row -> row.state() != State.SAME)
                .findFirst()
                .<Object>map(PlannedRow::label)
                .orElse(Sentence.of("plant.nothing"));
        return Sentence.of(
                "plant.imported", "first", first, "fresh", plan.count(State.NEW), "changed", plan.count(State.CHANGED));
    }

    /** How a plant is written: the file's name and kind, and what writes it. */
    record Export(String fileName, String mediaType, Writing writing) {}

    @FunctionalInterface
    interface Writing {
        void to(OutputStream out) throws IOException;
    }

    Export export(@Nullable UUID node, String ending) {
        PlantFile way = way(ending);
        PlantTree tree = plant.tree();
        String name = node == null
                ? "plant"
                : tree.nodes()
                        .find(node)
                        .map(Node::label)
                        .orElseThrow(() -> new DomainProblem.NotFound(Sentence.of("thing.node")));
        PlantTable table = PlantTable.of(tree.nodes(), node == null ? Node.PLANT : node);
        return new Export(
                name.replaceAll("[^\\w.-]+", "-") + "." + way.ending(), way.mediaType(), out -> way.write(table, out));
    }
}
