package rovek.server.intake.tableimport;

import jakarta.annotation.Nullable;
import java.time.DateTimeException;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import rovek.core.foreign.DateOrder;
import rovek.core.foreign.ForeignColumn;
import rovek.core.foreign.ForeignMapping;
import rovek.core.unit.DecimalMark;
import rovek.core.wording.Sentence;
import rovek.link.packet.Maker;
import rovek.server.base.problem.DomainProblem;

/**
 * How somebody has a foreign table understood.
 *
 * @param mark null where it was not decided yet; likewise {@code order}
 * @param zone an IANA name, for times that name no zone
 * @param maker of the instrument that wrote it; null or blank where nobody says
 * @param model of the instrument that wrote it
 * @param serial of the instrument that wrote it
 */
public record ForeignDraft(
        @Nullable DecimalMark mark,
        @Nullable DateOrder order,
        String zone,
        List<ColumnDraft> columns,
        @Nullable String maker,
        String model,
        String serial) {

    Maker.MakingInstrument writer() {
        return new Maker.MakingInstrument(maker == null ? "" : maker, model, serial, "");
    }

    /**
     * One column.
     *
     * @param unit symbol, or blank
     * @param quantity of a value; blank where the unit says it
     * @param checkId all of its values are of; null where each row names its place
     */
    public record ColumnDraft(
            ForeignColumn.Use use,
            String unit,
            String quantity,
            @Nullable UUID checkId) {}

    ForeignMapping mapping() {
        if (mark == null) {
            throw new DomainProblem.Invalid("mark", Sentence.of("intake.decimalMark"));
        }
        if (order == null) {
            throw new DomainProblem.Invalid("order", Sentence.of("intake.dateOrder"));
        }
        List<ForeignColumn> meant = columns.stream()
                .map(column -> new ForeignColumn(
                        column.use(), column.unit(), column.quantity(), Optional.ofNullable(column.checkId())))
                .toList();
        try {
            return new ForeignMapping(mark, order, ZoneId.of(zone), meant);
        } catch (DateTimeException e) {
            throw new DomainProblem.Invalid("zone", Sentence.of("intake.noZone", "zone", zone));
        }
    }
}
