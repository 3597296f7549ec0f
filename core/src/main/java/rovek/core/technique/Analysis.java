package rovek.core.technique;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

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

    /** Why the reading must not be judged, in one sentence; blank where nothing stands in the way. */
    public String reasonNotToJudge() {
        return remarks.stream()
                .filter(Remark::preventsJudgement)
                .map(Remark::sentence)
                .collect(Collectors.joining(" "));
    }
}
