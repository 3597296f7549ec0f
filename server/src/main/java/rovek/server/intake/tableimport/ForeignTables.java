package rovek.server.intake.tableimport;

import jakarta.annotation.Nullable;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Service;
import rovek.core.foreign.DateOrder;
import rovek.core.foreign.ForeignGuess;
import rovek.core.foreign.ForeignPlan;
import rovek.core.foreign.ForeignReading;
import rovek.core.foreign.ForeignTable;
import rovek.core.reading.ValueCapture;
import rovek.core.unit.DecimalMark;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;
import rovek.link.Sha256;
import rovek.link.packet.Maker;
import rovek.link.packet.PackedCapture;
import rovek.link.packet.PackedReading;
import rovek.link.packet.ReadingsPackage;
import rovek.server.base.problem.DomainProblem;
import rovek.server.base.time.HomeZone;
import rovek.server.intake.tableimport.ForeignDraft.ColumnDraft;
import rovek.server.intake.transfer.PackageFiles;
import rovek.server.plant.exchange.DelimitedText;
import rovek.server.plant.tree.CheckView;
import rovek.server.plant.tree.Plant;
import rovek.server.plant.tree.PlantTree;
import rovek.server.rounds.visit.VisitIntake;

/**
 * Takes tables that instruments without a field package write. Their file goes into the package that is made of it, so
 * that the original holds every byte that came; a mapping is remembered by the table's headings.
 */
@Service
public class ForeignTables {

    private static final int SHOWN = 12;
    private static final int SHOWN_READINGS = 50;
    private static final int MOST_READINGS = 200_000;

    /** More than a person places in a day. */
    private static final int LONGEST_NAME = 60;

    private static final int MOST_LOOSE = 1_000;

    private final Plant plant;
    private final ForeignMappings mappings;
    private final PackageFiles files;
    private final Clock clock;
    private final String zone;

    ForeignTables(Plant plant, ForeignMappings mappings, PackageFiles files, Clock clock, HomeZone zone) {
        this.plant = plant;
        this.mappings = mappings;
        this.files = files;
        this.clock = clock;
        this.zone = zone.id().getId();
    }

    /**
     * A table as it lies there, and how it is most likely meant.
     *
     * @param rows the first ones
     * @param rowCount of all
     * @param marks the decimal marks its numbers may be written with; a question where there are two
     * @param orders the orders its dates may be written in; a question where there are several
     * @param dateSample a date that reads differently in them; blank where none does
     * @param draft what to begin with
     * @param isRemembered whether that is how one like it was taken before
     */
    public record ForeignLook(
            List<String> headings,
            List<List<String>> rows,
            int rowCount,
            Set<DecimalMark> marks,
            Set<DateOrder> orders,
            String dateSample,
            ForeignDraft draft,
            boolean isRemembered) {}

    /** @throws DomainProblem.Invalid where the file is no table */
    public ForeignLook look(byte[] bytes) {
        ForeignTable table = table(bytes);
        ForeignGuess guess = ForeignGuess.of(table, new PlantPlaces(plant.tree())::isTag);
        Optional<ForeignDraft> remembered = mappings.of(table.signature());
        List<ColumnDraft> columns = guess.columns().stream()
                .map(column -> new ColumnDraft(
                        column.use(),
                        column.unit(),
                        column.quantity(),
                        column.check().orElse(null)))
                .toList();
        DecimalMark mark = guess.marks().size() == 1 ? guess.marks().iterator().next() : null;
        DateOrder order = guess.orders().size() == 1 ? guess.orders().iterator().next() : null;
        ForeignDraft draft = remembered
                .map(known -> fitting(known, guess, mark, order))
                .orElse(new ForeignDraft(mark, order, zone, columns, "", "", ""));
        return new ForeignLook(
                table.headings(),
                table.rows().stream().limit(SHOWN).map(ForeignTable.Row::cells).toList(),
                table.rows().size(),
                guess.marks(),
                guess.orders(),
                sample(table, guess),
                draft,
                remembered.isPresent());
    }

    /** What was remembered, but for a mark or an order that this file cannot be written with. */
    private static ForeignDraft fitting(
            ForeignDraft known, ForeignGuess guess, @Nullable DecimalMark mark, @Nullable DateOrder order) {
        return new ForeignDraft(
                guess.marks().contains(known.mark()) ? known.mark() : mark,
                guess.orders().contains(known.order()) ? known.order() : order,
                known.zone(),
                known.columns(),
                known.maker(),
                known.model(),
                known.serial());
    }

    private static String sample(ForeignTable table, ForeignGuess guess) {
        return guess.orders().size() < 2
                ? ""
                : table.rows().stream()
                        .flatMap(row -> row.cells().stream())
                        .filter(cell -> guess.orders().stream()
                                        .map(order -> order.read(cell))
                                        .distinct()
                                        .count()
                                > 1)
                        .findFirst()
                        .orElse("");
    }

    /**
     * What would be taken.
     *
     * @param placed how many go to their check
     * @param first the first readings
     * @param faults the first cells that cannot be taken, of {@code faultCount}
     * @param obstacle why the table is not taken like this; blank where nothing stands in the way
     */
    public record ForeignPreview(
            int readings,
            int placed,
            int faultCount,
            List<ForeignLine> first,
            List<ForeignPlan.Fault> faults,
            Sentence obstacle) {}

    /**
     * A reading that would be taken.
     *
     * @param place of the check; blank where it would lie in the tray
     */
    public record ForeignLine(
            int line, String at, String heading, String place, String label, double value, String unit, String note) {}

    /** @throws DomainProblem.Invalid where the mapping as a whole makes no sense */
    public ForeignPreview preview(byte[] bytes, ForeignDraft draft) {
        PlantTree tree = plant.tree();
        ForeignPlan plan = plan(table(bytes), draft, tree);
        List<ForeignLine> first = plan.readings().stream()
                .limit(SHOWN_READINGS)
                .map(reading -> line(reading, tree))
                .toList();
        int placed = (int) plan.readings().stream()
                .filter(reading -> reading.check().isPresent())
                .count();
        return new ForeignPreview(
                plan.readings().size(),
                placed,
                plan.faults().size(),
                first,
                plan.faults().stream().limit(SHOWN_READINGS).toList(),
                obstacle(plan).orElse(Sentence.NONE));
    }

    private static ForeignLine line(ForeignReading reading, PlantTree tree) {
        return new ForeignLine(
                reading.line(),
                reading.at().toString(),
                reading.heading(),
                reading.check().flatMap(tree::check).map(CheckView::place).orElse(""),
                reading.label(),
                reading.value().value(),
                reading.value().unit().symbol(),
                reading.note());
    }

    /** A log of thousands of rows is no heap of readings that a person could place one by one. */
    private static Optional<Sentence> obstacle(ForeignPlan plan) {
        long loose = plan.readings().stream()
                .filter(reading -> reading.check().isEmpty())
                .count();
        return loose <= MOST_LOOSE
                ? Optional.empty()
                : Optional.of(Sentence.of("intake.tooManyLoose", "loose", loose, "most", MOST_LOOSE));
    }

    /** Takes what can be taken; the file itself is kept whole. The mapping is remembered. */
    public VisitIntake.Outcome take(String fileName, byte[] bytes, ForeignDraft draft) {
        Maker.MakingInstrument writer = draft.writer();
        if (writer.serial().isEmpty() || writer.model().isEmpty()) {
            throw new DomainProblem.Invalid("serial", Sentence.of("intake.whichInstrument"));
        }
        for (String name : new String[] {writer.maker(), writer.model(), writer.serial()}) {
            if (name.length() > LONGEST_NAME) {
                throw new DomainProblem.Invalid("serial", Sentence.of("intake.identityTooLong", "most", LONGEST_NAME));
            }
        }
        ForeignTable table = table(bytes);
        PlantTree tree = plant.tree();
        ForeignPlan plan = plan(table, draft, tree);
        if (plan.readings().isEmpty()) {
            throw new DomainProblem.Invalid(
                    "file",
                    Sentence.of(
                            "intake.nothingToTake",
                            "why",
                            plan.faults().stream()
                                    .findFirst()
                                    .map(ForeignPlan.Fault::sentence)
                                    .orElse(Sentence.NONE)));
        }
        obstacle(plan).ifPresent(reason -> {
            throw new DomainProblem.Invalid("file", reason);
        });
        Maker maker = new Maker("Rovek", Optional.of(writer));
        Instant newest = plan.readings().stream()
                .map(ForeignReading::at)
                .max(Instant::compareTo)
                .orElseThrow();
        byte[] packed = ReadingsPackage.pack(
                newest,
                maker,
                Optional.empty(),
                plan.readings().stream().map(ForeignTables::packed).toList(),
                Map.of("source/table.csv", bytes));
        VisitIntake.Outcome outcome = files.takeMadeOfAFile((fileName == null ? "table" : fileName) + ".zip", packed);
        mappings.remember(table.signature(), draft);
        return outcome;
    }

    private static PackedReading packed(ForeignReading reading) {
        return new PackedReading(
                ownId(reading),
                reading.at(),
                PlantPlaces.GAUGE,
                reading.check(),
                reading.label(),
                reading.note(),
                Optional.empty(),
                Map.of("quantity", reading.quantity().word()),
                new PackedCapture.Plain(new ValueCapture(reading.value())));
    }

    /**
     * A longer table of the same instrument holds the shorter one: what makes a reading is when, where and what, not
     * its line.
     */
    private static String ownId(ForeignReading reading) {
        String what = reading.at() + "|" + reading.label();
        return "table-" + Sha256.of(what.getBytes(StandardCharsets.UTF_8)).substring(0, 24);
    }

    private ForeignPlan plan(ForeignTable table, ForeignDraft draft, PlantTree tree) {
        for (ColumnDraft column : draft.columns()) {
            if (column.checkId() != null
                    && tree.check(column.checkId())
                            .filter(check -> check.technique().id().equals(PlantPlaces.GAUGE))
                            .isEmpty()) {
                throw new DomainProblem.Invalid("columns", Sentence.of("intake.columnNeedsGauge"));
            }
        }
        try {
            ForeignPlan plan = ForeignPlan.of(table, draft.mapping(), new PlantPlaces(tree));
            if (plan.readings().size() > MOST_READINGS) {
                throw new DomainProblem.Invalid(
                        "file",
                        Sentence.of(
                                "intake.tooManyValues", "count", plan.readings().size(), "most", MOST_READINGS));
            }
            if (plan.readings().stream()
                    .anyMatch(reading -> reading.at().isAfter(clock.instant().plusSeconds(86_400)))) {
                throw new DomainProblem.Invalid("order", Sentence.of("intake.datesAhead"));
            }
            return plan;
        } catch (Refused e) {
            throw new DomainProblem.Invalid("columns", e.sentence());
        }
    }

    private static ForeignTable table(byte[] bytes) {
        String text = ForeignText.of(bytes);
        try {
            return ForeignTable.of(DelimitedText.lines(text, DelimitedText.ofTable(text)));
        } catch (Refused e) {
            throw new DomainProblem.Invalid("file", e.sentence());
        }
    }
}
