package rovek.server.intake.transfer;

import jakarta.annotation.Nullable;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Service;
import rovek.core.technique.Result;
import rovek.core.wording.Sentence;
import rovek.link.Instrument;
import rovek.link.InstrumentFile;
import rovek.link.LinkException;
import rovek.link.packet.ListedReading;
import rovek.link.packet.PackageException;
import rovek.link.packet.ReadingsFile;
import rovek.link.packet.ReadingsPackage;
import rovek.server.base.problem.DomainProblem;
import rovek.server.base.room.WorkingRoom;
import rovek.server.instruments.instrument.Instruments;
import rovek.server.instruments.instrument.LinkHold;
import rovek.server.judging.original.Originals;
import rovek.server.judging.original.Spool;
import rovek.server.judging.reading.PreparedReading;
import rovek.server.judging.reading.ReadingIntake;
import rovek.server.judging.unitspelling.UnitSpellings;
import rovek.server.plant.tree.CheckView;
import rovek.server.plant.tree.Plant;

/**
 * A look at what lies in an instrument's file before it is taken. What was transferred for it need not be transferred
 * again.
 */
@Service
public class LookInside {

    private static final long LARGEST = 24L << 20;

    private final Transfers transfers;
    private final Instruments instruments;
    private final Originals originals;
    private final PieceFetch pieces;
    private final ReadingIntake intake;
    private final Plant plant;
    private final UnitSpellings spellings;
    private final WorkingRoom room;

    LookInside(
            Transfers transfers,
            Instruments instruments,
            Originals originals,
            PieceFetch pieces,
            ReadingIntake intake,
            Plant plant,
            UnitSpellings spellings,
            WorkingRoom room) {
        this.transfers = transfers;
        this.instruments = instruments;
        this.originals = originals;
        this.pieces = pieces;
        this.intake = intake;
        this.plant = plant;
        this.spellings = spellings;
        this.room = room;
    }

    /**
     * A reading as it lies on the instrument.
     *
     * @param takenAt by the instrument's clock
     * @param place where it belongs, or what was typed for it
     * @param value of its leading result; null where there is none
     * @param isStored whether it is stored here already
     */
    public record InsideLine(
            String takenAt,
            String technique,
            String place,
            @Nullable Double value,
            String unit,
            String note,
            boolean isStored) {}

    /**
     * @param walk name of the route that was walked; blank for none
     * @param leftOut what could not be taken, and why
     */
    public record Inside(String file, String walk, List<InsideLine> readings, List<Sentence> leftOut) {}

    /** @throws DomainProblem.Conflict where the file is too large for a look, or there is no such file */
    public Inside look(UUID instrumentId, String name) {
        try (Spool file = transfers.looked(
                instrumentId,
                Sentence.of("intake.purposePreview", "file", name),
                (link, identity, hold) -> fetched(instrumentId, link, name, hold))) {
            return inside(instrumentId, name, file);
        }
    }

    private Spool fetched(UUID instrumentId, Instrument link, String name, LinkHold hold) throws LinkException {
        InstrumentFile file = link.catalogue().files().stream()
                .filter(one -> one.name().equals(name) && !Loading.isLoaded(one))
                .findFirst()
                .orElseThrow(() -> new LinkException.NoSuchFile(name));
        if (file.bytes() > LARGEST) {
            throw new DomainProblem.Conflict(
                    "too-large", Sentence.of("intake.previewTooLarge", "name", name, "size", file.bytes() / 1e6));
        }
        String digest = link.digest(name);
        Optional<Originals.Kept> kept = originals.find(instrumentId, digest);
        if (kept.isPresent()) {
            return originals.spooled(kept.get().id());
        }
        return pieces.fetch(instrumentId, link, file, digest, true, bytes -> hold.giveWay())
                .file();
    }

    private Inside inside(UUID readFrom, String name, Spool file) {
        try (WorkingRoom.Taken taken = room.take(needed(file));
                ReadingsFile readings = ReadingsFile.open(file.path(), spellings.reading())) {
            Set<String> fresh = new HashSet<>();
            instruments
                    .knownWriter(readings.maker(), readFrom)
                    .map(writer -> intake.freshOf(readings.readings(), writer))
                    .orElse(readings.readings())
                    .forEach(reading -> fresh.add(reading.id()));
            ReadingIntake.Preparation preparation = intake.preparation(readings, readFrom, plant.tree());
            List<InsideLine> lines = new ArrayList<>();
            for (List<ListedReading> part : ReadingsFile.parts(readings.readings())) {
                preparation
                        .of(part)
                        .forEach(reading -> lines.add(
                                line(reading, !fresh.contains(reading.packed().id()))));
            }
            return new Inside(
                    name,
                    readings.walk().map(walk -> walk.name()).orElse(""),
                    lines,
                    readings.leftOut().stream()
                            .map(ReadingsPackage.LeftOut::reason)
                            .toList());
        } catch (PackageException e) {
            throw new DomainProblem.LinkTrouble(e.code(), e.sentence());
        }
    }

    private long needed(Spool file) throws PackageException {
        try (WorkingRoom.Taken taken = room.take(ReadingsFile.GLANCE_BYTES)) {
            return ReadingsFile.glance(file.path()).memory();
        }
    }

    private static InsideLine line(PreparedReading reading, boolean isStored) {
        Optional<Result> leading = reading.analysis().results().stream().findFirst();
        return new InsideLine(
                reading.packed().takenAt().toString(),
                reading.packed().technique(),
                reading.check().map(CheckView::place).orElse(reading.packed().label()),
                leading.map(result -> result.value().value()).orElse(null),
                leading.map(result -> result.value().unit().shown()).orElse(""),
                reading.packed().note(),
                isStored);
    }
}
