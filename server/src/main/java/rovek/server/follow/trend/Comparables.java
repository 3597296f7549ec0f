package rovek.server.follow.trend;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.core.plant.Sisters;
import rovek.core.technique.ResultDefinition;
import rovek.core.unit.Amount;
import rovek.core.wording.Sentence;
import rovek.server.base.problem.DomainProblem;
import rovek.server.base.wording.Names;
import rovek.server.follow.trend.ComparableView.Comparable;
import rovek.server.follow.trend.ComparableView.ResultLine;
import rovek.server.judging.reading.ReadingView;
import rovek.server.judging.reading.Readings;
import rovek.server.judging.reading.Recalculation;
import rovek.server.judging.verdict.Boundaries;
import rovek.server.judging.verdict.ReadingVerdict;
import rovek.server.judging.verdict.Verdicts;
import rovek.server.plant.tree.CheckView;
import rovek.server.plant.tree.Plant;
import rovek.server.plant.tree.PlantTree;

/** What a reading can be laid beside, and what it came to in all its results. */
@Service
public class Comparables {

    private static final int MOST_OF_ITS_OWN = 200;

    private final Plant plant;
    private final Readings readings;
    private final Verdicts verdicts;
    private final Recalculation calculation;

    Comparables(Plant plant, Readings readings, Verdicts verdicts, Recalculation calculation) {
        this.plant = plant;
        this.readings = readings;
        this.verdicts = verdicts;
        this.calculation = calculation;
    }

    @Transactional(readOnly = true)
    public ComparableView of(UUID checkId) {
        PlantTree tree = plant.tree();
        CheckView check = tree.check(checkId).orElseThrow(() -> new DomainProblem.NotFound(Sentence.of("thing.check")));
        List<Comparable> own = new ArrayList<>();
        readings.newest(List.of(checkId), MOST_OF_ITS_OWN)
                .getOrDefault(checkId, List.of())
                .forEach(reading -> own.add(0, comparable(reading, check)));
        List<UUID> sisterChecks = new Sisters(tree.nodes(), tree::name)
                .checks(checkId).stream().map(node -> node.id()).toList();
        Map<UUID, List<ReadingView>> newest = readings.newest(sisterChecks, 1);
        List<Comparable> sisters = sisterChecks.stream()
                .filter(newest::containsKey)
                .flatMap(id -> tree.check(id).stream()
                        .map(sister -> comparable(newest.get(id).get(0), sister)))
                .toList();
        return new ComparableView(own, sisters, calculation.otherwise(check));
    }

    private static Comparable comparable(ReadingView reading, CheckView check) {
        return new Comparable(
                reading.id(),
                reading.takenAt().toString(),
                check.asset().tag().isBlank()
                        ? check.asset().name()
                        : check.asset().tag());
    }

    /** Every result of a reading with what it was judged by; nothing of a loose one. */
    @Transactional(readOnly = true)
    public List<ResultLine> results(UUID readingId) {
        PlantTree tree = plant.tree();
        ReadingView reading = readings.get(readingId);
        CheckView check =
                reading.checkId() == null ? null : tree.check(reading.checkId()).orElse(null);
        if (check == null) {
            return List.of();
        }
        ReadingVerdict verdict = verdicts.of(tree, reading);
        List<ResultLine> lines = new ArrayList<>();
        for (ResultDefinition result : check.technique().results(check.settings())) {
            Amount value = reading.results().get(result.id());
            if (value != null) {
                ReadingVerdict.OfResult own = verdict.results().get(result.id());
                Boundaries boundaries = own == null
                        ? Boundaries.NONE
                        : Boundaries.of(own.outcome().bounds());
                lines.add(new ResultLine(
                        result.id(),
                        Names.result(result),
                        value.in(result.unit()).value(),
                        result.unit().shown(),
                        boundaries.watch(),
                        boundaries.fail(),
                        boundaries.watchLow(),
                        boundaries.failLow(),
                        boundaries.isLower(),
                        verdict.onlyOn(result.id()).judgement().verdict()));
            }
        }
        return lines;
    }
}
