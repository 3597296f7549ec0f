package rovek.server.limit;

import jakarta.annotation.Nullable;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.limit.Limit;
import rovek.core.technique.ResultDefinition;
import rovek.core.unit.Amount;
import rovek.core.unit.UnitCatalogue;
import rovek.server.audit.AuditTrail;
import rovek.server.plant.CheckView;
import rovek.server.plant.Plant;
import rovek.server.problem.DomainProblem;

/** What is right for each check's results. */
@Service
public class Limits {

    private final LimitRepository limits;
    private final Plant plant;
    private final AuditTrail audit;

    Limits(LimitRepository limits, Plant plant, AuditTrail audit) {
        this.limits = limits;
        this.plant = plant;
        this.audit = audit;
    }

    /**
     * A result of a check with its limit.
     *
     * @param watch null where none is set; likewise {@code fail}
     */
    public record LimitLine(String resultId, String name, String unit, @Nullable Double watch, @Nullable Double fail) {}

    /** Boundaries in the result's own unit; both null removes the limit. */
    public record NewLimit(@Nullable Double watch, @Nullable Double fail) {}

    @Transactional(readOnly = true)
    public List<LimitLine> lines(UUID checkId) {
        CheckView check = plant.check(checkId);
        Map<String, LimitEntity> set = new HashMap<>();
        limits.findByCheckIdIn(List.of(checkId)).forEach(limit -> set.put(limit.resultId, limit));
        List<LimitLine> lines = new ArrayList<>();
        for (ResultDefinition result : check.technique().results(check.settings())) {
            LimitEntity limit = set.get(result.id());
            lines.add(new LimitLine(
                    result.id(), result.name(), result.unit().symbol(),
                    limit == null ? null : limit.watch, limit == null ? null : limit.fail));
        }
        return lines;
    }

    @Transactional
    public List<LimitLine> set(UUID checkId, String resultId, NewLimit wanted) {
        CheckView check = plant.check(checkId);
        ResultDefinition result = check.technique().results(check.settings()).stream()
                .filter(candidate -> candidate.id().equals(resultId))
                .findFirst()
                .orElseThrow(() -> new DomainProblem.Invalid("resultId", "This check does not yield " + resultId + "."));
        LimitEntity.Key key = new LimitEntity.Key(checkId, resultId);
        Optional<LimitEntity> existing = limits.findById(key);
        NewLimit before = existing.map(limit -> new NewLimit(limit.watch, limit.fail)).orElse(null);
        if (wanted.watch() == null && wanted.fail() == null) {
            existing.ifPresent(limits::delete);
        } else {
            requireSound(result, wanted);
            LimitEntity limit = existing.orElseGet(LimitEntity::new);
            limit.checkId = checkId;
            limit.resultId = resultId;
            limit.unit = result.unit().symbol();
            limit.watch = wanted.watch();
            limit.fail = wanted.fail();
            limits.save(limit);
        }
        audit.note("limit " + resultId, "node", checkId, before, wanted);
        return lines(checkId);
    }

    private static void requireSound(ResultDefinition result, NewLimit wanted) {
        try {
            new Limit(result.sense(), amount(wanted.watch(), result), amount(wanted.fail(), result));
        } catch (IllegalArgumentException e) {
            throw new DomainProblem.Invalid("limit", e.getMessage());
        }
    }

    private static Optional<Amount> amount(Double value, ResultDefinition result) {
        return Optional.ofNullable(value).map(number -> new Amount(number, result.unit()));
    }

    /**
     * The limits of many checks.
     *
     * @return check to result id to limit; checks without any are left out
     */
    @Transactional(readOnly = true)
    public Map<UUID, Map<String, Limit>> of(Collection<CheckView> checks) {
        Map<UUID, CheckView> byId = new HashMap<>();
        checks.forEach(check -> byId.put(check.id(), check));
        Map<UUID, Map<String, Limit>> found = new HashMap<>();
        for (LimitEntity limit : limits.findByCheckIdIn(byId.keySet())) {
            CheckView check = byId.get(limit.checkId);
            check.technique().results(check.settings()).stream()
                    .filter(result -> result.id().equals(limit.resultId))
                    .findFirst()
                    .ifPresent(result -> found.computeIfAbsent(limit.checkId, none -> new HashMap<>())
                            .put(limit.resultId, limit(result, limit)));
        }
        return found;
    }

    private static Limit limit(ResultDefinition result, LimitEntity limit) {
        var unit = UnitCatalogue.get(limit.unit);
        return new Limit(
                result.sense(),
                Optional.ofNullable(limit.watch).map(value -> new Amount(value, unit)),
                Optional.ofNullable(limit.fail).map(value -> new Amount(value, unit)));
    }
}
