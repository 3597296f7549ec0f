package rovek.core.certificate;

import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import rovek.core.limit.Bounds;
import rovek.core.limit.Judgement;
import rovek.core.limit.Verdict;
import rovek.core.unit.Amount;
import rovek.core.unit.UnitOfMeasure;
import rovek.core.wording.Sentence;

/**
 * One result on a certificate.
 *
 * @param assetTag tag of the asset, may be blank
 * @param check e.g. "Drive end, Velocity 10–1000 Hz"
 * @param quantity e.g. "velocity RMS"
 * @param unit of the value and of the bounds; {@code 1} where there is no number to it
 * @param decimals that were chosen for the unit; empty where they follow from the number
 * @param value empty where nothing was measured
 * @param bounds the boundaries that held for it, one for each rule of its limit; empty where there was none
 * @param boundaryIsPast whether a value on a boundary is past it
 * @param judgement with the computed verdict beside a person's own
 */
public record CertificateRow(
        String assetTag,
        String assetName,
        String check,
        String quantity,
        UnitOfMeasure unit,
        OptionalInt decimals,
        Optional<Amount> value,
        List<Bounds> bounds,
        boolean boundaryIsPast,
        Judgement judgement,
        String note) {

    public CertificateRow {
        bounds = List.copyOf(bounds);
        if (judgement.verdict() != Verdict.NOT_JUDGED && value.isEmpty()) {
            throw new IllegalArgumentException("A verdict needs a value.");
        }
    }

    public Verdict verdict() {
        return judgement.verdict();
    }

    /** Blank unless the verdict is not judged. */
    public Sentence reasonNotJudged() {
        return verdict() == Verdict.NOT_JUDGED ? judgement.reason() : Sentence.NONE;
    }
}
