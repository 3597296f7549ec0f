package rovek.core.certificate;

import java.util.Optional;
import rovek.core.limit.Verdict;
import rovek.core.unit.Amount;

/**
 * One result on a certificate.
 *
 * @param assetTag tag of the asset, may be blank
 * @param check e.g. "Drive end, Velocity 10–1000 Hz"
 * @param quantity e.g. "velocity RMS"
 * @param value empty where nothing was measured
 * @param reasonNotJudged blank unless the verdict is not judged
 */
public record CertificateRow(
        String assetTag,
        String assetName,
        String check,
        String quantity,
        Optional<Amount> value,
        Optional<Amount> watch,
        Optional<Amount> fail,
        Verdict verdict,
        String reasonNotJudged,
        String note) {

    public CertificateRow {
        if (verdict == Verdict.NOT_JUDGED && reasonNotJudged.isBlank()) {
            throw new IllegalArgumentException("A row that was not judged says why.");
        }
        if (verdict != Verdict.NOT_JUDGED && value.isEmpty()) {
            throw new IllegalArgumentException("A verdict needs a value.");
        }
    }
}
