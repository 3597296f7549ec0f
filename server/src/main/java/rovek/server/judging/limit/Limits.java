package rovek.server.judging.limit;

import jakarta.annotation.Nullable;
import java.time.Clock;
import java.time.Instant;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.limit.Baselines;
import rovek.core.limit.HistoryProposal;
import rovek.core.limit.Limit;
import rovek.core.limit.LimitLayers;
import rovek.core.limit.LimitRevision;
import rovek.core.limit.LimitTimeline;
import rovek.core.limit.SeriesJudge;
import rovek.core.plant.Alteration;
import rovek.core.plant.Facet;
import rovek.core.plant.Level;
import rovek.core.plant.Node;
import rovek.core.technique.ResultDefinition;
import rovek.core.technique.Sense;
import rovek.core.trend.TimedValue;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;
import rovek.server.base.problem.DomainProblem;
import rovek.server.base.wording.Names;
import rovek.server.judging.verdict.Verdicts;
import rovek.server.people.unit.OwnUnits;
import rovek.server.plant.tree.CheckView;
import rovek.server.plant.tree.Plant;
import rovek.server.plant.tree.PlantEditor;
import rovek.server.plant.tree.PlantLedger;
import rovek.server.plant.tree.PlantNode;
import rovek.server.plant.tree.PlantTree;

/** What is right for the results of checks. Limits stand in the plant, over time, and are inherited like settings. */
@Service
public class Limits {

    /** Each with all that was ever measured. */
    private static final int HISTORIES_AT_ONCE = 50;

    private final PlantEditor editor;
    private final Plant plant;
    private final Verdicts verdicts;
    private final OwnUnits units;
    private final Clock clock;

    Limits(PlantEditor editor, Plant plant, Verdicts verdicts, OwnUnits units, Clock clock) {
        this.units = units;
        this.editor = editor;
        this.plant = plant;
        this.verdicts = verdicts;
        this.clock = clock;
    }

    /**
     * A result of a check, or of checks below a node, with its limit there.
     *
     * @param limit what counts now; null where nothing does
     * @param originId the node that says so; null where there is no limit
     * @param originName how that node is called
     * @param revisions what the node itself said over time, in the order it was said
     * @param checks how many checks yield the result
     * @param unlimited how many of them have no limit on it now
     * @param proposals to be taken by a person, or not
     * @param wanting why the history of a check proposes nothing yet; blank where it does, or cannot be asked
     */
    public record LimitLine(
            String technique,
            String resultId,
            Sentence name,
            String unit,
            Sense sense,
            @Nullable LimitForm limit,
            @Nullable UUID originId,
            String originName,
            List<RevisionLine> revisions,
            int checks,
            int unlimited,
            List<Proposal> proposals,
            Sentence wanting) {}

    /**
     * What was said once.
     *
     * @param saidAt null where that was not noted
     * @param from null where it holds for all before, too
     * @param limit null where it is inherited from then on, or there is none
     */
    public record RevisionLine(
            int number,
            @Nullable String saidAt,
            @Nullable String from,
            @Nullable String until,
            boolean isInherited,
            @Nullable LimitForm limit,
            boolean isInForce) {}

    /** A limit to be taken by a person, with why. */
    public record Proposal(LimitForm limit, Sentence evidence) {}

    /**
     * What is to be right.
     *
     * @param limit null, or without rules, for none at all
     * @param isInherited whether the node says nothing any more; there is no {@code limit} then
     * @param from the first moment it holds for, ISO 8601; null judges all readings again
     * @param until the first moment it no longer holds for; null where it goes on
     */
    public record Saying(
            @Nullable LimitForm limit,
            boolean isInherited,
            @Nullable String from,
            @Nullable String until) {

        /** An upper limit for all that was and will be measured. */
        public static Saying above(@Nullable Double watch, @Nullable Double fail) {
            return new Saying(LimitForm.plain(RuleDraft.plain(RuleDraft.Kind.ABOVE, watch, fail)), false, null, null);
        }
    }

    private record Key(String technique, String result) {}

    /** The results of a check, or of all checks below another node, in the order they come. */
    @Transactional(readOnly = true)
    public List<LimitLine> lines(UUID nodeId) {
        PlantTree tree = plant.tree();
        Instant now = clock.instant();
        Map<Key, List<CheckView>> yielding = new LinkedHashMap<>();
        Map<Key, ResultDefinition> results = new LinkedHashMap<>();
        for (CheckView check : checks(tree, nodeId)) {
            for (ResultDefinition result : check.technique().results(check.settings())) {
                Key key = new Key(check.technique().id(), result.id());
                results.put(key, result);
                yielding.computeIfAbsent(key, none -> new ArrayList<>()).add(check);
            }
        }
        return results.entrySet().stream()
                .map(entry -> line(tree, nodeId, entry.getKey(), entry.getValue(), yielding.get(entry.getKey()), now))
                .toList();
    }

    static List<CheckView> checks(PlantTree tree, UUID nodeId) {
        tree.find(nodeId).orElseThrow(() -> new DomainProblem.NotFound(Sentence.of("thing.node")));
        return tree.checks(tree.checksBelow(nodeId).stream().map(PlantNode::id).toList());
    }

    private LimitLine line(
            PlantTree tree, UUID nodeId, Key key, ResultDefinition result, List<CheckView> checks, Instant now) {
        LimitLayers layers = tree.limitLayers(nodeId, key.technique(), result);
        Optional<LimitLayers.InForce> counting = layers.at(now);
        int unlimited = (int) checks.stream()
                .filter(check -> limitNow(check, result, now).isEmpty())
                .count();
        List<TimedValue> history =
                checks.size() == 1 ? sinceLastStart(verdicts.series(tree, checks.get(0), result)) : List.of();
        return new LimitLine(
                key.technique(),
                key.result(),
                Names.result(result),
                result.unit().shown(),
                result.sense(),
                counting.map(one -> LimitForm.of(one.limit(), result)).orElse(null),
                counting.map(LimitLayers.InForce::node).orElse(null),
                counting.flatMap(one -> tree.nodes().find(one.node()))
                        .map(Node::label)
                        .orElse(""),
                revisions(layers, nodeId, result, now),
                checks.size(),
                unlimited,
                checks.size() == 1 ? proposals(checks.get(0), result, history) : List.of(),
                checks.size() == 1 ? wanting(history) : Sentence.NONE);
    }

    private static Sentence wanting(List<TimedValue> values) {
        return values.size() >= HistoryProposal.LEAST_READINGS
                ? Sentence.NONE
                : Sentence.of(
                        "judging.historyWanting", "wanted", HistoryProposal.LEAST_READINGS, "readings", values.size());
    }

    private static List<TimedValue> sinceLastStart(SeriesJudge history) {
        List<Baselines.Start> starts = history.baselines().starts();
        return starts.isEmpty()
                ? history.values()
                : history.values().stream()
                        .filter(value -> !value.at()
                                .isBefore(starts.get(starts.size() - 1).at()))
                        .toList();
    }

    private static Optional<LimitLayers.InForce> limitNow(CheckView check, ResultDefinition result, Instant now) {
        return check.limits().getOrDefault(result.id(), LimitLayers.NONE).at(now);
    }

    private static List<RevisionLine> revisions(LimitLayers layers, UUID nodeId, ResultDefinition result, Instant now) {
        return layers.layers().stream()
                .filter(layer -> layer.node().equals(nodeId))
                .findFirst()
                .map(LimitLayers.Layer::timeline)
                .stream()
                .flatMap(timeline -> timeline.revisions().stream()
                        .map(revision -> line(
                                revision,
                                result,
                                timeline.at(now).filter(revision::equals).isPresent())))
                .toList();
    }

    private static RevisionLine line(LimitRevision revision, ResultDefinition result, boolean isInForce) {
        return new RevisionLine(
                revision.number(),
                revision.saidAt().map(Instant::toString).orElse(null),
                revision.from().map(Instant::toString).orElse(null),
                revision.until().map(Instant::toString).orElse(null),
                revision.isInherited(),
                revision.limit().map(limit -> LimitForm.of(limit, result)).orElse(null),
                isInForce);
    }

    private static List<Proposal> proposals(CheckView check, ResultDefinition result, List<TimedValue> history) {
        List<Proposal> proposals = new ArrayList<>();
        check.technique().proposals(check.settings(), check.nameplate()).stream()
                .filter(one -> one.resultId().equals(result.id()))
                .forEach(one -> proposals.add(new Proposal(
                        plain(result, one.watch().orElse(null), one.fail().orElse(null)), one.evidence())));
        HistoryProposal.of(history, result)
                .ifPresent(one -> proposals.add(new Proposal(plain(result, one.watch(), one.fail()), one.evidence())));
        return proposals;
    }

    /** One boundary or two on the side that is worse. */
    static LimitForm plain(ResultDefinition result, @Nullable Double watch, @Nullable Double fail) {
        RuleDraft.Kind kind = result.sense() == Sense.HIGHER_IS_WORSE ? RuleDraft.Kind.ABOVE : RuleDraft.Kind.BELOW;
        return LimitForm.plain(RuleDraft.plain(kind, watch, fail));
    }

    /**
     * Says what is right for a result at a node, and for all below that says nothing nearer. What was said before is
     * kept.
     */
    @Transactional
    public PlantLedger.Committed say(UUID nodeId, String technique, String resultId, Saying saying) {
        PlantTree tree = plant.tree();
        ResultDefinition result = result(tree, nodeId, technique, resultId);
        return editor.alter(
                new PlantEditor.Altering(null, List.of(alteration(tree, nodeId, technique, result, saying))));
    }

    private Alteration alteration(
            PlantTree tree, UUID nodeId, String technique, ResultDefinition result, Saying saying) {
        Node node = tree.nodes().find(nodeId).orElseThrow();
        String before = node.limitsOf(technique).getOrDefault(result.id(), "");
        LimitTimeline timeline = before.isEmpty() ? LimitTimeline.EMPTY : LimitTimeline.parse(before, result.sense());
        Optional<Limit> limit = Optional.ofNullable(saying.limit())
                .filter(form -> !form.rules().isEmpty())
                .map(form -> form.limit(result, units.known()));
        String after;
        try {
            after = timeline.saying(
                            Optional.of(clock.instant()),
                            time(saying.from()),
                            time(saying.until()),
                            limit,
                            saying.isInherited())
                    .write(result.sense());
        } catch (Refused wrong) {
            throw new DomainProblem.Invalid("limit", wrong.sentence());
        }
        return Alteration.between(node, node.saying(Map.of(Facet.limit(technique, result.id()), after)));
    }

    static Optional<Instant> time(@Nullable String text) {
        try {
            return Optional.ofNullable(text).map(Instant::parse);
        } catch (DateTimeParseException notOne) {
            throw new DomainProblem.Invalid("from", Sentence.of("base.noTime", "text", text));
        }
    }

    /** Whose numbers each check is to take. */
    public enum Source {
        STANDARD,
        HISTORY
    }

    /** What came of it. */
    public record LimitsTaken(
            int checks, int without, @Nullable UUID changeId) {}

    /**
     * What would be given to checks that have no limit now.
     *
     * @param without how many checks without a limit there is nothing to go by for
     */
    record Proposed(Map<CheckView, LimitForm> limits, int without) {}

    Proposed proposed(PlantTree tree, UUID nodeId, String technique, ResultDefinition result, Source source) {
        Map<CheckView, LimitForm> proposed = new LinkedHashMap<>();
        Instant now = clock.instant();
        List<CheckView> unlimited = yielding(tree, nodeId, technique, result).stream()
                .filter(check -> limitNow(check, result, now).isEmpty())
                .toList();
        for (int from = 0; from < unlimited.size(); from += HISTORIES_AT_ONCE) {
            List<CheckView> some = unlimited.subList(from, Math.min(unlimited.size(), from + HISTORIES_AT_ONCE));
            Map<UUID, SeriesJudge> histories =
                    source == Source.HISTORY ? verdicts.series(tree, some, result, false) : Map.of();
            some.forEach(check -> proposed(check, result, Optional.ofNullable(histories.get(check.id())))
                    .ifPresent(limit -> proposed.put(check, limit)));
        }
        return new Proposed(proposed, unlimited.size() - proposed.size());
    }

    /** The checks at or below a node that yield a result. */
    static List<CheckView> yielding(PlantTree tree, UUID nodeId, String technique, ResultDefinition result) {
        return checks(tree, nodeId).stream()
                .filter(check -> check.technique().id().equals(technique)
                        && check.technique().results(check.settings()).contains(result))
                .toList();
    }

    /**
     * Gives each check below a node that has no limit on a result the one proposed for it. One change, undone at once.
     *
     * @param from the first moment the limits hold for, ISO 8601; null judges all readings again
     */
    @Transactional
    public LimitsTaken take(UUID nodeId, String technique, String resultId, Source source, @Nullable String from) {
        PlantTree tree = plant.tree();
        ResultDefinition result = result(tree, nodeId, technique, resultId);
        Proposed proposed = proposed(tree, nodeId, technique, result, source);
        List<Alteration> alterations = proposed.limits().entrySet().stream()
                .map(one -> alteration(
                        tree, one.getKey().id(), technique, result, new Saying(one.getValue(), false, from, null)))
                .toList();
        PlantLedger.Committed committed = editor.alter(new PlantEditor.Altering(null, alterations));
        return new LimitsTaken(alterations.size(), proposed.without(), committed.changeId());
    }

    /** @param history to go by; empty for the technique's own numbers */
    private Optional<LimitForm> proposed(CheckView check, ResultDefinition result, Optional<SeriesJudge> history) {
        if (history.isPresent()) {
            return HistoryProposal.of(sinceLastStart(history.get()), result)
                    .map(one -> plain(result, one.watch(), one.fail()));
        }
        return check.technique().proposals(check.settings(), check.nameplate()).stream()
                .filter(one -> one.resultId().equals(result.id()))
                .findFirst()
                .map(one -> plain(result, one.watch().orElse(null), one.fail().orElse(null)));
    }

    /** @throws DomainProblem.Invalid where no check at or below the node yields it */
    static ResultDefinition result(PlantTree tree, UUID nodeId, String technique, String resultId) {
        List<CheckView> checks = checks(tree, nodeId);
        boolean isCheck =
                tree.find(nodeId).filter(node -> node.level() == Level.CHECK).isPresent();
        return checks.stream()
                .filter(check -> check.technique().id().equals(technique))
                .flatMap(check -> check.technique().results(check.settings()).stream())
                .filter(result -> result.id().equals(resultId))
                .findFirst()
                .orElseThrow(() -> new DomainProblem.Invalid(
                        "resultId",
                        isCheck
                                ? Sentence.of("judging.checkYieldsNot", "result", resultId)
                                : Sentence.of("judging.noCheckYields", "result", resultId)));
    }
}
