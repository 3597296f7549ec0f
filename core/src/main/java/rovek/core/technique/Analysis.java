package rovek.core.technique;

import java.util.List;
import java.util.Optional;
import rovek.core.wording.Sentence;

/** What a technique makes of a capture. */
public record Analysis(List<Result> results, List<Curve> curves, List<Remark> remarks) {

    public Analysis {
        results = List.copyOf(results);
        curves = List.copyOf(curves);
        remarks = List.copyOf(remarks);
    }

    public static Analysis refused(Remark... remarks) {
        return new Analysis(List.of(), List.of(), List.of(remarks));
    }

    /** The same without what is only drawn: thousands of them are held at once. */
    public Analysis withoutCurves() {
        return new Analysis(results, List.of(), remarks);
    }

    public Optional<Result> result(String id) {
        return results.stream().filter(r -> r.definition().id().equals(id)).findFirst();
    }

    /** Why the reading must not be judged; blank where nothing stands in the way. */
    public Sentence reasonNotToJudge() {
        return Sentence.joined(remarks.stream()
                .filter(Remark::preventsJudgement)
                .map(Remark::sentence)
                .toList());
    }
}
