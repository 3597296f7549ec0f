package rovek.server.reading;

import java.util.List;
import rovek.core.limit.Judgement;
import rovek.core.technique.Result;
import rovek.server.plant.CheckView;

/** Compares stored results with the limits that hold now. */
public final class ReadingJudge {

    private ReadingJudge() {}

    public static Judgement judge(ReadingView reading, CheckView check) {
        List<Result> results = check.technique().results(check.settings()).stream()
                .filter(definition -> reading.results().containsKey(definition.id()))
                .map(definition -> new Result(definition, reading.results().get(definition.id())))
                .toList();
        return Judgement.of(results, reading.obstacle(), check.limits());
    }
}
