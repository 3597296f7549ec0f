package rovek.server.judging.reading;

import java.time.Instant;
import java.util.UUID;
import rovek.core.technique.Result;
import rovek.link.packet.PackedReading;
import rovek.server.base.wording.StoredSentence;
import rovek.server.plant.tree.CheckView;

/** A reading as its rows. */
record StoredReading(
        UUID id, PreparedReading prepared, Instant takenAt, String label, String settings, CaptureEntity capture) {

    private UUID checkId() {
        return prepared.check().map(CheckView::id).orElse(null);
    }

    void writeReading(
            BinaryRows out, UUID visitId, UUID originalId, Instant storedAt, InstrumentCalibration calibration) {
        PackedReading packed = prepared.packed();
        out.row()
                .uuid(id)
                .uuid(checkId())
                .uuid(visitId)
                .uuid(originalId)
                .uuid(prepared.identity().instrument())
                .text(prepared.identity().instrumentReadingId())
                .text(prepared.identity().captureSha256())
                .text(packed.technique())
                .time(takenAt)
                .time(packed.takenAt())
                .text(label)
                .text(packed.note())
                .text(settings)
                .text(StoredSentence.write(prepared.analysis().reasonNotToJudge()))
                .truth(false)
                .text(null)
                .text("{}")
                .time(storedAt)
                .whole(0)
                .text(packed.replaces().orElse(""))
                .uuid(packed.stop().orElse(null))
                .truth(false)
                .date(calibration.on())
                .date(calibration.until());
    }

    void writeCapture(BinaryRows out) {
        out.row()
                .uuid(id)
                .text(capture.description)
                .text(capture.unit)
                .number(capture.rateHz)
                .number(capture.scale)
                .number(capture.sensitivity)
                .number(capture.fullScale)
                .bytes(capture.samples);
    }

    void writeResults(BinaryRows out, Instant storedAt) {
        boolean counts =
                prepared.analysis().reasonNotToJudge().isBlank() && !ReadingView.isDatedAhead(takenAt, storedAt);
        int place = 0;
        for (Result result : prepared.analysis().results()) {
            out.row()
                    .uuid(id)
                    .text(result.definition().id())
                    .time(takenAt)
                    .uuid(checkId())
                    .small(place++)
                    .number(result.value().value())
                    .text(result.value().unit().symbol())
                    .truth(counts);
        }
    }
}
