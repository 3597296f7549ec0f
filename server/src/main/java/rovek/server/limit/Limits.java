package rovek.server.limit;

import jakarta.annotation.Nullable;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.limit.Limit;
import rovek.core.limit.LimitText;
import rovek.core.plant.Facet;
import rovek.core.plant.Node;
import rovek.core.technique.LimitProposal;
import rovek.core.technique.ResultDefinition;
import rovek.core.unit.Amount;
import rovek.server.plant.CheckView;
import rovek.server.plant.Plant;
import rovek.server.plant.PlantEditor;
import rovek.server.plant.PlantTree;
import rovek.server.problem.DomainProblem;

/** What is right for each check's results. Limits stand in the plant and are inherited like settings. */
@Service
public class Limits {

    private final PlantEditor editor;
    private final Plant plant;

    Limits(PlantEditor editor, Plant plant) {
        this.editor = editor;
        this.plant = plant;
    }

    /**
     * A result of a check with its limit.
     *
     * @param watch null where none is set; likewise {@code fail}
     * @param originId the node that says so; null where there is no limit
     * @param originName how that node is called
     * @param proposal what a standard says of a machine with this nameplate; null where none does
     */
    public record LimitLine(
            String resultId, String name, String unit, @Nullable Double watch, @Nullable Double fail, @Nullable UUID originId, String originName, @Nullable Proposal proposal) {}

    /** A limit to be taken by a person, with why. */
    public record Proposal(@Nullable Double watch, @Nullable Double fail, String evidence) {}

    /** Boundaries in the result's own unit; both null inherits the limit again. */
    public record NewLimit(@Nullable Double watch, @Nullable Double fail) {}

    public List<LimitLine> lines(UUID checkId) {
        PlantTree tree = plant.tree();
        CheckView check = tree.check(checkId).orElseThrow(() -> new DomainProblem.NotFound("The check"));
        List<LimitProposal> proposals = check.technique().proposals(check.settings(), check.nameplate());
        List<LimitLine> lines = new ArrayList<>();
        for (ResultDefinition result : check.technique().results(check.settings())) {
            Boundaries boundaries = Boundaries.of(check.limits().get(result.id()));
            Optional<Node> origin = tree.limitOrigin(checkId, check.technique().id(), result.id());
            lines.add(new LimitLine(
                    result.id(), result.name(), result.unit().symbol(), boundaries.watch(), boundaries.fail(),
                    origin.map(Node::id).orElse(null), origin.map(Node::label).orElse(""), proposal(proposals, result.id())));
        }
        return lines;
    }

    private static @Nullable Proposal proposal(List<LimitProposal> proposals, String resultId) {
        return proposals.stream()
                .filter(one -> one.resultId().equals(resultId))
                .findFirst()
                .map(one -> new Proposal(one.watch().orElse(null), one.fail().orElse(null), one.evidence()))
                .orElse(null);
    }

    @Transactional
    public List<LimitLine> set(UUID checkId, String resultId, NewLimit wanted) {
        CheckView check = plant.check(checkId);
        ResultDefinition result = check.technique().results(check.settings()).stream()
                .filter(candidate -> candidate.id().equals(resultId))
                .findFirst()
                .orElseThrow(() -> new DomainProblem.Invalid("resultId", "This check does not yield " + resultId + "."));
        requireSound(result, wanted);
        boolean none = wanted.watch() == null && wanted.fail() == null;
        String text = none
                ? ""
                : LimitText.write(Optional.ofNullable(wanted.watch()), Optional.ofNullable(wanted.fail()), result.unit());
        editor.set(checkId, Map.of(Facet.limit(check.technique().id(), resultId), text));
        return lines(checkId);
    }

    private static void requireSound(ResultDefinition result, NewLimit wanted) {
        if (wanted.watch() == null && wanted.fail() == null) {
            return;
        }
        try {
            new Limit(result.sense(), amount(wanted.watch(), result), amount(wanted.fail(), result));
        } catch (IllegalArgumentException e) {
            throw new DomainProblem.Invalid("limit", e.getMessage());
        }
    }

    private static Optional<Amount> amount(Double value, ResultDefinition result) {
        return Optional.ofNullable(value).map(number -> new Amount(number, result.unit()));
    }
}
