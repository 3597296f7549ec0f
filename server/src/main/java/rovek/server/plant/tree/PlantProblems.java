package rovek.server.plant.tree;

import java.util.List;
import rovek.core.plant.PlantConflictException;
import rovek.core.plant.PlantRefusedException;
import rovek.core.plant.PlantRefusedException.Reason;
import rovek.core.wording.Sentence;
import rovek.server.base.problem.DomainProblem;

/** What the plant refuses, as an answer. */
final class PlantProblems {

    private PlantProblems() {}

    static DomainProblem of(PlantRefusedException refused) {
        List<Reason> reasons = refused.reasons();
        boolean onlyNames = reasons.stream().allMatch(reason -> reason.code().equals("name"));
        if (onlyNames) {
            return new DomainProblem.Invalid(reasons.stream()
                    .map(reason -> new DomainProblem.Fault("name", reason.sentence()))
                    .toList());
        }
        return new DomainProblem.Conflict(
                reasons.get(0).code(),
                Sentence.joined(reasons.stream().map(Reason::sentence).toList()));
    }

    /** A change cannot be taken back over a later one of the same thing. */
    static DomainProblem changedSince(PlantConflictException conflict) {
        var first = conflict.clashes().get(0);
        return new DomainProblem.Conflict(
                "changed-since",
                Sentence.of(
                        "plant.changedAgain",
                        "node",
                        first.label(),
                        "facet",
                        word(first.facet()),
                        "now",
                        first.theirs()));
    }

    /** "setting.vibration.lines" is "lines" where people read it. */
    private static String word(String facet) {
        return facet.substring(facet.lastIndexOf('.') + 1);
    }
}
