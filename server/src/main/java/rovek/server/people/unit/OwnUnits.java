package rovek.server.people.unit;

import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.unit.KnownUnits;
import rovek.core.unit.OwnUnit;
import rovek.core.unit.UnitCatalogue;
import rovek.core.unit.UnitOfMeasure;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;
import rovek.server.base.audit.AuditTrail;
import rovek.server.base.problem.DomainProblem;

/** Units that the company made itself: they can be typed in any field, and shown. */
@Service
public class OwnUnits {

    private static final int LONGEST_NAME = 80;
    private static final int MOST = 100;

    private final OwnUnitRepository units;
    private final UnitChoiceRepository choices;
    private final AuditTrail audit;

    OwnUnits(OwnUnitRepository units, UnitChoiceRepository choices, AuditTrail audit) {
        this.units = units;
        this.choices = choices;
        this.audit = audit;
    }

    /**
     * A unit of one's own.
     *
     * @param base symbol of the unit it is said in
     * @param factor how much of that one of it is, as typed: "100/60"
     * @param offset where its zero lies in that unit, as typed; "0" for nearly all
     */
    public record OwnUnitLine(String symbol, String name, String base, String factor, String offset) {

        UnitOfMeasure unit() {
            return new OwnUnit(symbol, UnitCatalogue.get(base), factor, offset).unit();
        }
    }

    @Transactional(readOnly = true)
    public List<OwnUnitLine> all() {
        return units.all();
    }

    /** Every unit that may be typed. */
    @Transactional(readOnly = true)
    public KnownUnits known() {
        return known(all());
    }

    static KnownUnits known(List<OwnUnitLine> lines) {
        return new KnownUnits(lines.stream().map(OwnUnitLine::unit).toList());
    }

    /** @throws DomainProblem.Invalid where there is such a unit, or it cannot be */
    @Transactional
    public void add(OwnUnitLine wanted) {
        OwnUnit unit = read(wanted);
        String name = wanted.name().strip();
        if (name.isEmpty() || name.length() > LONGEST_NAME) {
            throw new DomainProblem.Invalid("name", Sentence.of("people.unitName", "most", LONGEST_NAME));
        }
        List<OwnUnitLine> before = all();
        if (before.size() >= MOST) {
            throw new DomainProblem.Invalid("symbol", Sentence.of("people.mostUnits", "most", MOST));
        }
        boolean isTaken = KnownUnits.CATALOGUE.find(unit.symbol()).isPresent()
                || units.add(unit.symbol(), name, wanted.base(), unit.factor(), unit.offset()) == 0;
        if (isTaken) {
            throw new DomainProblem.Invalid("symbol", Sentence.of("people.unitTaken", "symbol", unit.symbol()));
        }
        audit.note("add unit", "unit", unit.symbol(), null, wanted);
    }

    private static OwnUnit read(OwnUnitLine wanted) {
        UnitOfMeasure base = UnitCatalogue.find(wanted.base())
                .orElseThrow(() -> new DomainProblem.Invalid("base", Sentence.of("people.unitBase")));
        try {
            return new OwnUnit(
                    wanted.symbol(),
                    base,
                    wanted.factor().strip(),
                    wanted.offset().strip());
        } catch (Refused wrong) {
            throw new DomainProblem.Invalid("factor", wrong.sentence());
        }
    }

    /** Removes it; whoever chose it sees the unit that is stored again. */
    @Transactional
    public void remove(String symbol) {
        OwnUnitLine before = all().stream()
                .filter(one -> one.symbol().equals(symbol))
                .findFirst()
                .orElseThrow(() -> new DomainProblem.NotFound(Sentence.of("thing.unit")));
        units.remove(symbol);
        choices.removeUnit(symbol);
        audit.note("remove unit", "unit", symbol, before, null);
    }
}
