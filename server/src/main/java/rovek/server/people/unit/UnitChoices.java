package rovek.server.people.unit;

import jakarta.annotation.Nullable;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.unit.KindOfQuantity;
import rovek.core.unit.KnownUnits;
import rovek.core.unit.UnitCatalogue;
import rovek.core.unit.UnitOfMeasure;
import rovek.core.wording.Sentence;
import rovek.server.base.audit.AuditTrail;
import rovek.server.base.problem.DomainProblem;

/** Which unit each kind of quantity is shown in: for everybody, for one person, for the reports of one client. */
@Service
public class UnitChoices {

    /** Stands for everybody. */
    public static final UUID EVERYBODY = new UUID(0, 0);

    private static final int MOST_DECIMALS = 6;

    private final UnitChoiceRepository choices;
    private final OwnUnits own;
    private final AuditTrail audit;

    UnitChoices(UnitChoiceRepository choices, OwnUnits own, AuditTrail audit) {
        this.choices = choices;
        this.own = own;
        this.audit = audit;
    }

    /** What is chosen; {@code decimals} null where they follow from the number. */
    public record ChosenUnit(String unit, @Nullable Integer decimals) {}

    /** What somebody chose for a kind. */
    record Choice(
            UUID subject,
            String kind,
            String unit,
            @Nullable Integer decimals) {

        ChosenUnit chosen() {
            return new ChosenUnit(unit, decimals);
        }
    }

    /**
     * A kind of quantity.
     *
     * @param usual the unit that is stored most
     * @param units it can be shown in
     * @param everybody what the company chose; null where it did not, likewise {@code own} for the subject
     */
    public record UnitKind(
            String kind,
            String usual,
            List<String> units,
            @Nullable ChosenUnit everybody,
            @Nullable ChosenUnit own) {}

    /**
     * How what is stored in one unit is shown: shown = factor * stored + offset, a difference = factor * stored.
     *
     * @param decimals null where they follow from the number
     */
    public record ShownUnit(
            String stored,
            String unit,
            double factor,
            double offset,
            @Nullable Integer decimals) {}

    /** All kinds, the units of one's own, and what comes of it for everything that is stored. */
    public record UnitView(List<UnitKind> kinds, List<OwnUnits.OwnUnitLine> ownUnits, List<ShownUnit> shown) {}

    @Transactional(readOnly = true)
    public UnitView view(UUID subject) {
        List<OwnUnits.OwnUnitLine> lines = own.all();
        KnownUnits known = OwnUnits.known(lines);
        Map<UUID, Map<String, ChosenUnit>> chosen = chosen(subject);
        Map<String, ChosenUnit> company = chosen.getOrDefault(EVERYBODY, Map.of());
        Map<String, ChosenUnit> mine = subject.equals(EVERYBODY) ? Map.of() : chosen.getOrDefault(subject, Map.of());
        List<UnitKind> kinds = Arrays.stream(KindOfQuantity.values())
                .map(kind -> new UnitKind(
                        kind.id(),
                        kind.stored().get(0).symbol(),
                        candidates(known)
                                .filter(kind::isShownIn)
                                .map(UnitOfMeasure::symbol)
                                .toList(),
                        company.get(kind.id()),
                        mine.get(kind.id())))
                .toList();
        ShownUnits shown = shown(known, chosen, subject);
        return new UnitView(
                kinds,
                lines,
                UnitCatalogue.symbols().stream()
                        .flatMap(symbol -> shown.of(UnitCatalogue.get(symbol)).stream())
                        .toList());
    }

    private static Stream<UnitOfMeasure> candidates(KnownUnits known) {
        return Stream.concat(UnitCatalogue.symbols().stream().map(UnitCatalogue::get), known.own().stream());
    }

    /** What is shown to a subject, or to everybody, for those who write files and reports. */
    @Transactional(readOnly = true)
    public ShownUnits shown(UUID subject) {
        return shown(own.known(), chosen(subject), subject);
    }

    private ShownUnits shown(KnownUnits known, Map<UUID, Map<String, ChosenUnit>> chosen, UUID subject) {
        Map<String, ChosenUnit> holds = new HashMap<>(chosen.getOrDefault(EVERYBODY, Map.of()));
        holds.putAll(chosen.getOrDefault(subject, Map.of()));
        return new ShownUnits(holds, known);
    }

    private Map<UUID, Map<String, ChosenUnit>> chosen(UUID subject) {
        return choices.of(Stream.of(EVERYBODY, subject).distinct().toList()).stream()
                .collect(Collectors.groupingBy(
                        Choice::subject, Collectors.toMap(Choice::kind, Choice::chosen, (one, other) -> one)));
    }

    /** What is to be chosen for a kind; null follows everybody again, or shows what is stored. */
    public record WantedUnit(String kind, @Nullable ChosenUnit chosen) {}

    /**
     * Chooses for some kinds, all of them or none.
     *
     * @throws DomainProblem.Invalid where a kind cannot be shown so
     */
    @Transactional
    public void choose(UUID subject, List<WantedUnit> wanted) {
        int most = KindOfQuantity.values().length;
        if (wanted.size() > most) {
            throw new DomainProblem.Invalid(
                    "choices", Sentence.of("base.tooManyItems", "path", "choices", "most", most));
        }
        KnownUnits known = own.known();
        Map<String, ChosenUnit> before = chosen(subject).getOrDefault(subject, Map.of());
        wanted.forEach(one -> require(one, known));
        for (WantedUnit one : wanted) {
            if (one.chosen() == null) {
                choices.remove(subject, one.kind());
            } else {
                choices.put(
                        subject, one.kind(), one.chosen().unit(), one.chosen().decimals());
            }
        }
        String whose = subject.equals(EVERYBODY) ? "everybody" : subject.toString();
        audit.note("choose units", "unit", whose, before, wanted);
    }

    private static void require(WantedUnit wanted, KnownUnits known) {
        KindOfQuantity kind = KindOfQuantity.find(wanted.kind())
                .orElseThrow(() -> new DomainProblem.NotFound(Sentence.of("thing.kindOfQuantity")));
        if (wanted.chosen() == null) {
            return;
        }
        boolean isOne = candidates(known)
                .anyMatch(unit -> unit.symbol().equals(wanted.chosen().unit()) && kind.isShownIn(unit));
        if (!isOne) {
            throw new DomainProblem.Invalid("unit", Sentence.of("people.noUnit"));
        }
        Integer decimals = wanted.chosen().decimals();
        if (decimals != null && (decimals < 0 || decimals > MOST_DECIMALS)) {
            throw new DomainProblem.Invalid("decimals", Sentence.of("people.unitDecimals", "most", MOST_DECIMALS));
        }
    }
}
