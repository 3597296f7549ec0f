package rovek.server.plant.template;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.core.annotation.Order;
import org.springframework.core.io.Resource;
import org.springframework.core.io.support.PathMatchingResourcePatternResolver;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import rovek.core.plant.Level;
import rovek.core.plant.Node;
import rovek.core.plant.NodeTree;
import rovek.core.plant.PlantChange;
import rovek.core.plant.exchange.ImportPlan;
import rovek.core.plant.exchange.PlantImport;
import rovek.core.plant.exchange.TypedTable;
import rovek.core.plant.template.Template;
import rovek.server.plant.tree.PlantKnowledge;

/** The templates that come with Rovek: lists as a person would paste them, put in where they are missing. */
@Component
@Order(0)
class TemplateLibrary implements ApplicationRunner {

    private final TemplateRows rows;
    private final PlantKnowledge knowledge;
    private final TransactionTemplate transaction;
    private final Clock clock;

    TemplateLibrary(TemplateRows rows, PlantKnowledge knowledge, TransactionTemplate transaction, Clock clock) {
        this.rows = rows;
        this.knowledge = knowledge;
        this.transaction = transaction;
        this.clock = clock;
    }

    @Override
    public void run(ApplicationArguments arguments) {
        try {
            Resource[] files = new PathMatchingResourcePatternResolver()
                    .getResources("classpath:/rovek/server/plant/template/library/*.tsv");
            List<Template> templates = Arrays.stream(files)
                    .sorted(Comparator.comparing(Resource::getFilename))
                    .map(this::read)
                    .toList();
            transaction.executeWithoutResult(
                    status -> templates.forEach(template -> rows.save(template, true, clock.instant(), "Rovek")));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private Template read(Resource file) {
        try {
            String text = file.getContentAsString(StandardCharsets.UTF_8);
            UUID area = UUID.randomUUID();
            NodeTree bench = bench(area);
            ImportPlan plan = PlantImport.plan(
                    bench,
                    area,
                    TypedTable.read(text, name -> false),
                    knowledge.with(name -> Optional.empty()),
                    UUID::randomUUID);
            if (!plan.isSound()) {
                throw new IllegalStateException(file.getFilename() + ": " + plan.rows());
            }
            NodeTree tree = bench.apply(plan.change());
            UUID asset = tree.children(area).get(0);
            String name = tree.find(asset).orElseThrow().name();
            UUID id = UUID.nameUUIDFromBytes(("rovek template " + file.getFilename()).getBytes(StandardCharsets.UTF_8));
            return Template.of(id, name, 1, tree, asset);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Somewhere for an asset to stand. */
    private static NodeTree bench(UUID area) {
        UUID client = UUID.randomUUID();
        UUID site = UUID.randomUUID();
        return NodeTree.EMPTY.apply(PlantChange.adding(List.of(
                Node.of(client, Node.PLANT, Level.CLIENT, "", "Bench"),
                Node.of(site, client, Level.SITE, "", "Bench"),
                Node.of(area, site, Level.AREA, "", "Bench"))));
    }
}
