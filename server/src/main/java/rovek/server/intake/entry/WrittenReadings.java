package rovek.server.intake.entry;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.Base64;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Service;
import rovek.core.reading.PictureCapture;
import rovek.core.technique.ByHand;
import rovek.core.unit.KnownUnits;
import rovek.core.wording.Refused;
import rovek.core.wording.Sentence;
import rovek.link.packet.Maker;
import rovek.link.packet.PackedCapture;
import rovek.link.packet.PackedReading;
import rovek.link.packet.ReadingsPackage;
import rovek.link.packet.Walk;
import rovek.server.base.audit.AuditTrail;
import rovek.server.base.problem.DomainProblem;
import rovek.server.intake.entry.WrittenRound.WrittenReading;
import rovek.server.intake.transfer.PackageFiles;
import rovek.server.people.unit.OwnUnits;
import rovek.server.plant.picture.Pictures;
import rovek.server.plant.tree.CheckView;
import rovek.server.plant.tree.Plant;
import rovek.server.rounds.visit.VisitIntake;

/**
 * Takes what people write down: packed as an instrument would have packed it, kept as an original, and from there on
 * like any other reading. Sent twice it is taken once.
 */
@Service
public class WrittenReadings {

    private static final Instant EARLIEST = Instant.parse("2000-01-01T00:00:00Z");
    /** How much a browser's clock may be ahead. */
    private static final Duration AHEAD = Duration.ofMinutes(5);

    private static final int MOST_PHOTOS = 5;
    private static final int LONGEST_NOTE = 500;

    private final Plant plant;
    private final HandRounds rounds;
    private final Pictures pictures;
    private final PackageFiles files;
    private final OwnUnits units;
    private final Clock clock;

    WrittenReadings(
            Plant plant, HandRounds rounds, Pictures pictures, PackageFiles files, OwnUnits units, Clock clock) {
        this.units = units;
        this.plant = plant;
        this.rounds = rounds;
        this.pictures = pictures;
        this.files = files;
        this.clock = clock;
    }

    /**
     * Takes a round whole or not at all.
     *
     * @throws DomainProblem.Invalid naming the first thing that is wrong, with its place
     */
    public VisitIntake.Outcome take(WrittenRound round) {
        if (round.readings().isEmpty() && round.skipped().isEmpty()) {
            throw new DomainProblem.Invalid("readings", Sentence.of("intake.nothingWritten"));
        }
        KnownUnits known = units.known();
        List<PackedReading> packed =
                round.readings().stream().map(reading -> packed(reading, known)).toList();
        Instant createdAt = packed.stream()
                .map(PackedReading::takenAt)
                .max(Instant::compareTo)
                .orElseGet(clock::instant);
        byte[] bytes = ReadingsPackage.pack(createdAt, Maker.byHand(AuditTrail.actor()), walk(round), packed);
        return files.takeMadeHere("written-%s.zip".formatted(round.walkId()), bytes);
    }

    private PackedReading packed(WrittenReading reading, KnownUnits known) {
        CheckView check = plant.check(reading.checkId());
        ByHand byHand = check.technique()
                .byHand()
                .orElseThrow(() ->
                        new DomainProblem.Invalid("readings", Sentence.of("intake.notByHand", "place", check.place())));
        if (reading.note().length() > LONGEST_NOTE) {
            throw new DomainProblem.Invalid(
                    "note", Sentence.of("intake.noteTooLong", "place", check.place(), "most", LONGEST_NOTE));
        }
        try {
            return new PackedReading(
                    reading.id().toString(),
                    takenAt(reading, check),
                    check.technique().id(),
                    Optional.of(check.id()),
                    "",
                    reading.note().strip(),
                    Optional.empty(),
                    check.settings().values(),
                    new PackedCapture.Plain(byHand.read(reading.written(), check.settings(), known)),
                    photos(reading, check));
        } catch (Refused e) {
            throw new DomainProblem.Invalid(
                    "written",
                    Sentence.of(
                            "intake.atCheck",
                            "place",
                            check.place(),
                            "check",
                            check.node().name(),
                            "why",
                            e.sentence()));
        }
    }

    private Instant takenAt(WrittenReading reading, CheckView check) {
        Instant at;
        try {
            at = OffsetDateTime.parse(reading.takenAt()).toInstant();
        } catch (DateTimeParseException e) {
            throw new DomainProblem.Invalid(
                    "takenAt", Sentence.of("intake.notDateAndTime", "place", check.place(), "text", reading.takenAt()));
        }
        if (at.isBefore(EARLIEST) || at.isAfter(clock.instant().plus(AHEAD))) {
            throw new DomainProblem.Invalid(
                    "takenAt",
                    Sentence.of(
                            "intake.timeOutside",
                            "place",
                            check.place(),
                            "at",
                            LocalDate.ofInstant(at, ZoneOffset.UTC),
                            "how",
                            Sentence.of(at.isBefore(EARLIEST) ? "intake.tooLongAgo" : "intake.ahead")));
        }
        return at;
    }

    private List<PictureCapture> photos(WrittenReading reading, CheckView check) {
        if (reading.photos().size() > MOST_PHOTOS) {
            throw new DomainProblem.Invalid(
                    "photos", Sentence.of("intake.mostPhotos", "place", check.place(), "most", MOST_PHOTOS));
        }
        List<PictureCapture> photos = new ArrayList<>();
        for (WrittenRound.WrittenPhoto photo : reading.photos()) {
            byte[] bytes = Base64.getDecoder().decode(photo.base64());
            Pictures.Image picture = pictures.requirePicture(bytes);
            photos.add(new PictureCapture(picture.mediaType(), picture.bytes()));
        }
        return photos;
    }

    /** A stop neither written nor skipped is still to do. */
    private Optional<Walk> walk(WrittenRound round) {
        if (round.routeId() == null) {
            return Optional.empty();
        }
        HandRounds.HandRound planned = rounds.ofRoute(round.routeId());
        Set<UUID> done = new HashSet<>();
        round.readings().forEach(reading -> done.add(reading.checkId()));
        Map<UUID, String> skipped = new HashMap<>();
        round.skipped().forEach(stop -> skipped.put(stop.checkId(), stop.reason()));
        Map<UUID, String> notes = new HashMap<>();
        round.readings()
                .forEach(reading -> notes.put(reading.checkId(), reading.note().strip()));
        return Optional.of(new Walk(
                round.walkId(),
                round.routeId(),
                planned.title(),
                planned.stops().stream()
                        .map(stop -> done.contains(stop.checkId())
                                ? new Walk.WalkedStop(stop.checkId(), Walk.Progress.DONE, notes.get(stop.checkId()))
                                : skipped.containsKey(stop.checkId())
                                        ? new Walk.WalkedStop(
                                                stop.checkId(),
                                                Walk.Progress.SKIPPED,
                                                skipped.get(stop.checkId()).strip())
                                        : new Walk.WalkedStop(stop.checkId(), Walk.Progress.TO_DO, ""))
                        .toList()));
    }
}
