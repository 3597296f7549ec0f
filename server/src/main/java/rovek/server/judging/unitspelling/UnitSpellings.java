package rovek.server.judging.unitspelling;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.unit.UnitCatalogue;
import rovek.core.unit.WrittenUnit;
import rovek.core.wording.Sentence;
import rovek.link.packet.UnitReading;
import rovek.server.base.audit.AuditTrail;
import rovek.server.base.problem.DomainProblem;

/** Units as makers write them: what a person said once counts from then on, whichever file it stands in. */
@Service
public class UnitSpellings {

    private static final int LONGEST = 40;
    private static final int MOST = 200;

    private final UnitSpellingRepository spellings;
    private final AuditTrail audit;

    UnitSpellings(UnitSpellingRepository spellings, AuditTrail audit) {
        this.spellings = spellings;
        this.audit = audit;
    }

    /**
     * A spelling.
     *
     * @param symbol of the unit that is meant
     */
    public record Spelling(String written, String symbol) {}

    /**
     * @param symbols of all units that there are
     * @param said by persons, in the order of the alphabet
     */
    public record Spellings(List<String> symbols, List<Spelling> said) {}

    @Transactional(readOnly = true)
    public Spellings all() {
        return new Spellings(
                UnitCatalogue.symbols(),
                said().entrySet().stream()
                        .map(one -> new Spelling(one.getKey(), one.getValue()))
                        .toList());
    }

    private Map<String, String> said() {
        Map<String, String> said = new LinkedHashMap<>();
        spellings.said().forEach(one -> said.put(one.written(), one.symbol()));
        return said;
    }

    /** How units are to be read in a file. */
    @Transactional(readOnly = true)
    public UnitReading reading() {
        return new UnitReading(said());
    }

    /** Says what a spelling means. */
    @Transactional
    public Spellings say(Spelling spelling) {
        String written = spelling.written() == null ? "" : spelling.written().strip();
        if (written.isEmpty() || written.length() > LONGEST) {
            throw new DomainProblem.Invalid("written", Sentence.of("judging.typeSpelling", "most", LONGEST));
        }
        if (WrittenUnit.find(written).isPresent()) {
            throw new DomainProblem.Invalid(
                    "written",
                    Sentence.of(
                            "judging.knownSpelling",
                            "written",
                            written,
                            "unit",
                            WrittenUnit.find(written).get().symbol()));
        }
        if (UnitCatalogue.find(spelling.symbol()).isEmpty()) {
            throw new DomainProblem.Invalid("symbol", Sentence.of("judging.whichUnit"));
        }
        Map<String, String> before = said();
        if (before.size() >= MOST && !before.containsKey(written)) {
            throw new DomainProblem.Invalid("written", Sentence.of("judging.mostSpellings", "most", MOST));
        }
        spellings.put(written, spelling.symbol());
        audit.note("say what a unit means", "unit", written, before.get(written), spelling.symbol());
        return all();
    }

    /** Forgets a spelling; what was read by it stays as it is. */
    @Transactional
    public Spellings forget(String written) {
        String before = said().get(written);
        if (before == null) {
            throw new DomainProblem.NotFound(Sentence.of("thing.spelling"));
        }
        spellings.remove(written);
        audit.note("forget what a unit means", "unit", written, before, null);
        return all();
    }
}
