package rovek.core.foreign;

import java.time.Instant;
import java.time.LocalTime;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import rovek.core.foreign.ForeignColumn.Use;
import rovek.core.technique.byhand.Quantity;
import rovek.core.unit.Amount;
import rovek.core.unit.UnitCatalogue;
import rovek.core.unit.UnitOfMeasure;
import rovek.core.unit.WrittenAmount;
import rovek.core.unit.WrittenUnit;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;

/** What of a foreign table would be taken, and what not and why. */
public record ForeignPlan(List<ForeignReading> readings, List<Fault> faults) {

    /** A cell that cannot be taken, as a sentence; the rest of its row still can. */
    public record Fault(int line, String heading, Sentence sentence) {}

    /** Where a row's values belong. */
    public interface Places {

        /** The one check of a quantity at an asset, or at one of its points; empty where there is none, or several. */
        Optional<UUID> check(String tag, String point, UnitOfMeasure unit);
    }

    /** @throws Refused with a sentence, where the mapping as a whole makes no sense */
    public static ForeignPlan of(ForeignTable table, ForeignMapping mapping, Places places) {
        if (mapping.columns().size() != table.headings().size()) {
            throw new Refused(Sentence.of(
                    "foreign.otherColumns",
                    "columns",
                    table.headings().size(),
                    "mapped",
                    mapping.columns().size()));
        }
        Reader reader = new Reader(table, mapping, places);
        if (reader.columns(Use.VALUE).isEmpty()) {
            throw new Refused(Sentence.of("foreign.noValues"));
        }
        if (reader.columns(Use.DATE_AND_TIME).size() + reader.columns(Use.DATE).size() != 1) {
            throw new Refused(Sentence.of("foreign.noDates"));
        }
        table.rows().forEach(reader::take);
        return new ForeignPlan(List.copyOf(reader.readings), List.copyOf(reader.faults));
    }

    private static final class Reader {

        private final ForeignTable table;
        private final ForeignMapping mapping;
        private final Places places;
        private final List<ForeignReading> readings = new ArrayList<>();
        private final List<Fault> faults = new ArrayList<>();

        private Reader(ForeignTable table, ForeignMapping mapping, Places places) {
            this.table = table;
            this.mapping = mapping;
            this.places = places;
        }

        private List<Integer> columns(Use use) {
            return IntStream.range(0, mapping.columns().size())
                    .filter(i -> mapping.columns().get(i).use() == use)
                    .boxed()
                    .toList();
        }

        private String text(ForeignTable.Row row, Use use) {
            return String.join(
                    " ",
                    columns(use).stream()
                            .map(row.cells()::get)
                            .filter(cell -> !cell.isBlank())
                            .toList());
        }

        private void take(ForeignTable.Row row) {
            List<Integer> values = columns(Use.VALUE).stream()
                    .filter(column -> !row.cells().get(column).isBlank())
                    .toList();
            if (values.isEmpty()) {
                return;
            }
            Optional<Instant> at = time(row);
            at.ifPresent(instant -> values.forEach(column -> take(row, column, instant)));
        }

        private Optional<Instant> time(ForeignTable.Row row) {
            int column = Stream.concat(columns(Use.DATE_AND_TIME).stream(), columns(Use.DATE).stream())
                    .findFirst()
                    .orElseThrow();
            String written = row.cells().get(column);
            Optional<DateOrder.Read> date = mapping.order().read(written);
            if (date.isEmpty()) {
                faults.add(new Fault(
                        row.line(),
                        table.headings().get(column),
                        written.isBlank()
                                ? Sentence.of("foreign.noDate")
                                : Sentence.of("foreign.notADate", "written", written)));
                return Optional.empty();
            }
            ZonedDateTime at = date.get().in(mapping.zone());
            for (int timeColumn : columns(Use.TIME_OF_DAY)) {
                Optional<LocalTime> time = DateOrder.timeOfDay(row.cells().get(timeColumn));
                if (time.isEmpty()) {
                    faults.add(new Fault(
                            row.line(),
                            table.headings().get(timeColumn),
                            Sentence.of(
                                    "foreign.notATime", "written", row.cells().get(timeColumn))));
                    return Optional.empty();
                }
                at = at.toLocalDate().atTime(time.get()).atZone(at.getZone());
            }
            return Optional.of(at.toInstant());
        }

        private void take(ForeignTable.Row row, int column, Instant at) {
            String heading = table.headings().get(column);
            try {
                Amount value = amount(row, column);
                Quantity quantity = quantity(mapping.columns().get(column), value.unit());
                String tag = text(row, Use.TAG);
                String point = text(row, Use.POINT);
                Optional<UUID> check = mapping.columns()
                        .get(column)
                        .check()
                        .or(() -> tag.isEmpty() ? Optional.empty() : places.check(tag, point, value.unit()));
                String label = Stream.of(tag, point, heading)
                        .filter(part -> !part.isBlank())
                        .reduce((a, b) -> a + " " + b)
                        .orElse("");
                readings.add(new ForeignReading(
                        row.line(), heading, at, check, label, quantity, value, text(row, Use.NOTE)));
            } catch (Refused e) {
                faults.add(new Fault(row.line(), heading, e.sentence()));
            }
        }

        private Amount amount(ForeignTable.Row row, int column) {
            String written = row.cells().get(column);
            String symbol = mapping.columns().get(column).unit().isBlank()
                    ? text(row, Use.UNIT)
                    : mapping.columns().get(column).unit();
            OptionalDouble number = mapping.mark().read(written);
            if (number.isPresent()) {
                UnitOfMeasure unit = WrittenUnit.find(symbol)
                        .orElseThrow(() -> new Refused(
                                symbol.isBlank()
                                        ? Sentence.of("foreign.noUnit")
                                        : Sentence.of("unit.unknown", "symbol", symbol)));
                return new Amount(number.getAsDouble(), unit);
            }
            return withItsUnit(written, symbol);
        }

        /** A cell that says its unit itself. */
        private Amount withItsUnit(String written, String symbol) {
            Amount amount = WrittenAmount.read(written, UnitCatalogue.ONE);
            String number = written.replaceAll("[^0-9.,' eE+\u2212-].*$", "").strip();
            OptionalDouble marked = mapping.mark().read(number);
            if (marked.isEmpty() || number.length() == written.strip().length()) {
                throw new Refused(Sentence.of("unit.notANumber", "written", written));
            }
            boolean fits = symbol.isBlank()
                    || WrittenUnit.find(symbol)
                            .filter(amount.unit()::isComparableTo)
                            .isPresent();
            if (!fits) {
                throw new Refused(Sentence.of("foreign.otherUnit", "written", written, "unit", symbol));
            }
            return new Amount(marked.getAsDouble(), amount.unit());
        }

        private static Quantity quantity(ForeignColumn column, UnitOfMeasure unit) {
            if (column.quantity().isBlank()) {
                return Quantity.measuredIn(unit)
                        .orElseThrow(() -> new Refused(Sentence.of("foreign.noQuantity", "unit", unit)));
            }
            Quantity quantity = Quantity.of(column.quantity());
            if (!quantity.unit().isComparableTo(unit)) {
                throw new Refused(Sentence.of("byhand.otherQuantity", "quantity", quantity.called(), "unit", unit));
            }
            return quantity;
        }
    }
}
