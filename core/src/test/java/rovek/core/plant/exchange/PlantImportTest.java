package rovek.core.plant.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.UUID;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import rovek.core.plant.Level;
import rovek.core.plant.Node;
import rovek.core.plant.NodeTree;
import rovek.core.plant.PlantChange;
import rovek.core.plant.Plants;
import rovek.core.plant.exchange.PlannedRow.State;
import rovek.core.plant.template.Template;
import rovek.core.wording.Sentence;

class PlantImportTest {

    private static final ImportKnowledge NOTHING_SPECIAL = new Knowledge(List.of());

    private final UUID area = UUID.randomUUID();
    private final NodeTree tree = plant();

    private record Knowledge(List<Template> templates) implements ImportKnowledge {
        @Override
        public Optional<Template> template(String name) {
            return templates.stream()
                    .filter(template -> template.name().equals(name))
                    .findFirst();
        }

        @Override
        public Optional<ReadyMade> check(String name) {
            return name.equals("Velocity")
                    ? Optional.of(new ReadyMade("vibration", Map.of("measure", "velocity")))
                    : Optional.empty();
        }

        @Override
        public String kept(String facet, String typed) {
            return typed;
        }

        @Override
        public Optional<Sentence> fault(String facet, String value) {
            return facet.equals("setting.vibration.lines") && !value.matches("\\d+")
                    ? Optional.of(Sentence.plain("Lines is a number."))
                    : Optional.empty();
        }
    }

    private NodeTree plant() {
        UUID client = UUID.randomUUID();
        UUID site = UUID.randomUUID();
        return NodeTree.EMPTY.apply(PlantChange.adding(List.of(
                Node.of(client, Node.PLANT, Level.CLIENT, "", "Marrowdale Works"),
                Node.of(site, client, Level.SITE, "", "Works"),
                Node.of(area, site, Level.AREA, "", "Wellfield"),
                Node.of(UUID.randomUUID(), area, Level.ASSET, "P-101", "Well pump 1"))));
    }

    private static TableRow row(int number, int indent, String... cells) {
        Map<String, String> map = new java.util.HashMap<>();
        for (int i = 0; i < cells.length; i += 2) {
            map.put(cells[i], cells[i + 1]);
        }
        return new TableRow(number, indent, map);
    }

    private ImportPlan plan(UUID base, ImportKnowledge knowledge, TableRow... rows) {
        List<String> columns = new ArrayList<>();
        for (TableRow row : rows) {
            row.cells().keySet().stream()
                    .filter(column -> !columns.contains(column))
                    .forEach(columns::add);
        }
        return PlantImport.plan(tree, base, new PlantTable(columns, List.of(rows)), knowledge, UUID::randomUUID);
    }

    private static List<List<Object>> said(NodeTree tree) {
        return tree.subtree(Node.PLANT).stream()
                .map(node -> {
                    Map<String, String> facets = new java.util.HashMap<>(node.facets());
                    facets.remove("place");
                    return List.<Object>of(node.id(), facets);
                })
                .toList();
    }

    @Property(tries = 100)
    void whatIsWrittenAndReadIntoAnEmptyPlantIsTheSamePlant(@ForAll long seed) {
        NodeTree plant = new Plants(seed).worked(40, 40, seed);
        ImportPlan plan = PlantImport.plan(
                NodeTree.EMPTY, Node.PLANT, PlantTable.of(plant, Node.PLANT), NOTHING_SPECIAL, UUID::randomUUID);
        assertThat(plan.rows()).allMatch(row -> row.state() == State.NEW);
        assertThat(said(NodeTree.EMPTY.apply(plan.change()))).isEqualTo(said(plant));
    }

    @Property(tries = 60)
    void readIntoThePlantItCameFromItChangesNothingAndIntoAnOlderOneItBringsItUpToDate(@ForAll long seed) {
        Plants plants = new Plants(seed);
        NodeTree older = plants.grown(30);
        assertThat(PlantImport.plan(
                                older, Node.PLANT, PlantTable.of(older, Node.PLANT), NOTHING_SPECIAL, UUID::randomUUID)
                        .change()
                        .isEmpty())
                .isTrue();
        NodeTree newer = older;
        Random choice = new Random(seed);
        for (int i = 0; i < 15; i++) {
            Node node = newer.subtree(Node.PLANT).get(choice.nextInt(newer.size()));
            String key = "setting.vibration.lines";
            newer = newer.apply(PlantChange.altering(List.of(new rovek.core.plant.Alteration(
                    node.id(),
                    Map.of(
                            key,
                            new rovek.core.plant.Shift(
                                    node.facets().getOrDefault(key, ""), String.valueOf(choice.nextInt(3))))))));
        }
        ImportPlan plan = PlantImport.plan(
                older, Node.PLANT, PlantTable.of(newer, Node.PLANT), NOTHING_SPECIAL, UUID::randomUUID);
        assertThat(said(older.apply(plan.change()))).isEqualTo(said(newer));
    }

    @Example
    void anIndentedListComesToStandWhereItIsPasted() {
        ImportPlan plan = plan(
                area,
                NOTHING_SPECIAL,
                row(1, 0, "name", "P-201 Booster pump"),
                row(2, 1, "name", "Drive end", "checks", "Velocity"),
                row(3, 0, "tag", "P-101", "name", "Renamed"));
        assertThat(plan.rows()).extracting(PlannedRow::state).containsExactly(State.NEW, State.NEW, State.CHANGED);
        assertThat(plan.rows().get(2).notes())
                .containsExactly(Sentence.of(
                        "plant.facetChange",
                        "facet",
                        "name",
                        "from",
                        Sentence.plain("Well pump 1"),
                        "to",
                        Sentence.plain("Renamed")));
        NodeTree after = tree.apply(plan.change());
        assertThat(after.subtree(area))
                .extracting(Node::label)
                .containsExactly("Wellfield", "P-101 Renamed", "P-201 Booster pump", "Drive end", "");
        assertThat(after.subtree(area).get(4).settingsOf("vibration")).containsEntry("measure", "velocity");
    }

    @Example
    void everyRowThatIsWrongSaysSoAndNothingIsImported() {
        ImportPlan plan = plan(
                Node.PLANT,
                NOTHING_SPECIAL,
                row(1, 0, "path", "Marrowdale Works / Works / Wellfield", "tag", "P-300", "level", "machine"),
                row(2, 0, "path", "Marrowdale Works / Elsewhere", "tag", "P-301"),
                row(3, 0, "path", "Marrowdale Works / Works / Wellfield", "level", "check", "name", "x"),
                row(4, 0, "path", "Marrowdale Works / Works / Wellfield", "tag", "P-302", "template", "Unheard of"),
                row(
                        5,
                        0,
                        "path",
                        "Marrowdale Works / Works / Wellfield",
                        "tag",
                        "P-303",
                        "setting.vibration.lines",
                        "many"),
                row(6, 0, "path", "Marrowdale Works / Works", "tag", "P-101", "level", "asset"),
                row(7, 0, "path", "Marrowdale Works / Works / Wellfield", "tag", "P-304"),
                row(8, 0, "path", "Marrowdale Works / Works / Wellfield", "tag", "P-304"),
                row(9, 2, "name", "too deep"));
        assertThat(plan.isSound()).isFalse();
        assertThat(plan.change().isEmpty()).isTrue();
        assertThat(plan.rows())
                .extracting(row -> Sentence.joined(row.notes()).toString())
                .containsExactly(
                        "plant.notALevel {text=machine}",
                        "plant.notInPlace {label=Elsewhere, place=Marrowdale Works}",
                        "base.both {next=plant.checkOfNothing, one=plant.notInLevel {level=plant.level {level=check}, "
                                + "parent=plant.level {level=area}}}",
                        "plant.noTemplate {name=Unheard of}",
                        "Lines is a number.",
                        "plant.tagTaken {place=Marrowdale Works, Works, Wellfield, P-101 Well pump 1, tag=P-101}",
                        "",
                        "base.both {next=plant.rowTwice, one=plant.tagTaken {place=Marrowdale Works, Works, Wellfield, P-304, tag=P-304}}",
                        "plant.tooDeep");
    }

    @Example
    void aRowIsStampedFromTheTemplateItNames() {
        UUID pump = tree.children(area).get(0);
        NodeTree full =
                tree.apply(PlantChange.adding(List.of(Node.of(UUID.randomUUID(), pump, Level.POINT, "", "Drive end"))));
        Template template = Template.of(UUID.randomUUID(), "Well pump set", 1, full, pump);
        ImportPlan plan = plan(
                area,
                new Knowledge(List.of(template)),
                row(1, 0, "tag", "P-201", "template", "Well pump set"),
                row(2, 0, "tag", "P-202", "name", "Other", "template", "Well pump set"));
        assertThat(plan.rows()).extracting(PlannedRow::rows).containsExactly(2, 2);
        assertThat(tree.apply(plan.change()).subtree(area))
                .extracting(Node::label)
                .containsExactly(
                        "Wellfield", "P-101 Well pump 1", "P-201 Well pump 1", "Drive end", "P-202 Other", "Drive end");
    }

    private static List<Map<String, String>> cells(String text) {
        return TypedTable.read(text, name -> name.equals("Belt fan")).rows().stream()
                .map(TableRow::cells)
                .toList();
    }

    @Example
    void whatIsPastedIsReadAsPeopleTypeIt() {
        assertThat(cells("P-201\tBooster pump\tBelt fan\nP-202 Well pump\n\n"))
                .containsExactly(
                        Map.of("tag", "P-201", "name", "Booster pump", "template", "Belt fan"),
                        Map.of("name", "P-202 Well pump"));
        assertThat(TypedTable.read("P-1\n\tDrive end\tVelocity; Acceleration\n    Other end", name -> false)
                        .rows())
                .extracting(TableRow::indent)
                .containsExactly(0, 1, 2);
        assertThat(cells("Name\tTAG\n  Motor\tM-1"))
                .as("a heading in any case")
                .containsExactly(Map.of("name", "Motor", "tag", "M-1"));
        assertThat(TypedTable.read("tag\tname\nP-1\t  Motor", name -> false)
                        .rows()
                        .get(0)
                        .indent())
                .as("spaces before the name")
                .isEqualTo(1);
        assertThat(TypedTable.read("\t".repeat(100_000) + "far out", name -> false)
                        .rows()
                        .get(0)
                        .indent())
                .isLessThan(1_000);
    }

    @Example
    void aRowWithoutPlaceStaysWhereItIs() {
        Node pump = tree.find(tree.children(area).get(0)).orElseThrow();
        ImportPlan plan =
                plan(Node.PLANT, NOTHING_SPECIAL, row(1, 0, "id", pump.id().toString(), "name", "Renamed"));
        Node after = tree.apply(plan.change()).find(pump.id()).orElseThrow();
        assertThat(after.parentId()).isEqualTo(area);
        assertThat(after.name()).isEqualTo("Renamed");
        assertThat(after.tag()).as("a column that is missing leaves its value").isEqualTo("P-101");
    }
}
