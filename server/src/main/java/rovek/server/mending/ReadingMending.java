package rovek.server.mending;

import jakarta.annotation.Nullable;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rovek.server.mending.Mendings.Mended;
import rovek.server.mending.Mendings.Wanted;
import rovek.server.problem.DomainProblem;
import rovek.server.reading.FilledColumn;
import rovek.server.reading.ReadingState;
import rovek.server.reading.ReadingStates;

/** What is done to readings where they are: placed on a check, discarded, restored, columns filled. */
@Service
public class ReadingMending {

    private final Mendings mendings;
    private final ReadingStates readings;

    ReadingMending(Mendings mendings, ReadingStates readings) {
        this.mendings = mendings;
        this.readings = readings;
    }

    /** Where a reading goes; without a check it is loose again. */
    public record PlacementOf(UUID readingId, @Nullable UUID checkId) {}

    /** All of them or none; the same check may be given back and forth, which swaps two. */
    @Transactional
    public Mended place(List<PlacementOf> placements) {
        Map<UUID, ReadingState> states = readings.of(placements.stream().map(PlacementOf::readingId).toList());
        placements.forEach(one -> states.computeIfPresent(one.readingId(), (id, state) -> state.on(one.checkId())));
        boolean off = placements.stream().allMatch(one -> one.checkId() == null);
        return mendings.commit(Wanted.of(off ? "take off" : "place", states));
    }

    /** @param reason why they do not count; blank takes discarded ones back */
    @Transactional
    public Mended discard(List<UUID> ids, String reason) {
        Map<UUID, ReadingState> states = readings.of(ids);
        String said = reason.isBlank() ? null : reason.strip();
        states.replaceAll((id, state) -> state.discarded(said));
        return mendings.commit(Wanted.of(said == null ? "restore" : "discard", states));
    }

    /**
     * Fills one column for many readings.
     *
     * @param value blank takes what was there away
     * @throws DomainProblem.Invalid where the value does not suit the column
     */
    @Transactional
    public Mended fill(List<UUID> ids, FilledColumn column, String value) {
        column.fault(value.strip()).ifPresent(fault -> {
            throw new DomainProblem.Invalid("value", fault);
        });
        Map<UUID, ReadingState> states = readings.of(ids);
        states.replaceAll((id, state) -> {
            Map<String, String> filled = new LinkedHashMap<>(state.filled());
            filled.put(column.name(), value.strip());
            filled.values().removeIf(String::isBlank);
            return state.filledWith(filled);
        });
        return mendings.commit(Wanted.of("fill " + column.title().toLowerCase(java.util.Locale.ROOT), states));
    }
}
