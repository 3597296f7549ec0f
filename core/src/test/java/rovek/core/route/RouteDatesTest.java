package rovek.core.route;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import rovek.core.wording.Sentence;

class RouteDatesTest {

    private static final LocalDate TODAY = LocalDate.of(2026, 11, 23);

    @Example
    void aRouteIsDueCountedFromTheDayItWasReallyWalked() {
        DueDates monthly = new DueDates(30, LocalDate.of(2026, 1, 1), Optional.of(LocalDate.of(2026, 10, 20)));
        assertThat(monthly.next()).isEqualTo(LocalDate.of(2026, 11, 19));
        assertThat(monthly.daysLate(TODAY)).isEqualTo(4);
        assertThat(monthly.within(TODAY, 42))
                .as("overdue it falls on today, then goes on")
                .containsExactly(TODAY, LocalDate.of(2026, 12, 23));
        assertThat(new DueDates(7, TODAY, Optional.empty()).daysLate(TODAY))
                .as("due today is not late")
                .isZero();
    }

    @Property
    void withinAStretchItFallsOnDaysThatAreSoFarApart(
            @ForAll @IntRange(min = 1, max = 90) int every,
            @ForAll @IntRange(min = 0, max = 400) int ago,
            @ForAll @IntRange(min = 1, max = 120) int days) {
        List<LocalDate> dates = new DueDates(every, TODAY, Optional.of(TODAY.minusDays(ago))).within(TODAY, days);
        for (int i = 0; i < dates.size(); i++) {
            assertThat(dates.get(i)).isBetween(TODAY, TODAY.plusDays(days - 1L));
            assertThat(dates.get(i)).isEqualTo(dates.get(0).plusDays((long) every * i));
        }
        assertThat(dates.isEmpty())
                .isEqualTo(TODAY.minusDays(ago).plusDays(every).isAfter(TODAY.plusDays(days - 1L)));
    }

    @Example
    void whatChangedSinceARouteWasLoadedIsToldInAFewWords() {
        List<UUID> ids = List.of(UUID.randomUUID(), UUID.randomUUID(), UUID.randomUUID(), UUID.randomUUID());
        Map<UUID, String> then = new LinkedHashMap<>();
        then.put(ids.get(0), "a");
        then.put(ids.get(1), "b");
        then.put(ids.get(2), "c");
        assertThat(RouteChanges.between(then, then).isNone()).isTrue();
        Map<UUID, String> now = new LinkedHashMap<>();
        now.put(ids.get(2), "c");
        now.put(ids.get(0), "a, measured otherwise");
        now.put(ids.get(3), "d");
        assertThat(RouteChanges.between(then, now).sentence())
                .isEqualTo(Sentence.listed(List.of(
                        Sentence.of("route.added", "stops", 1),
                        Sentence.of("route.removed", "stops", 1),
                        Sentence.of("route.otherwise", "stops", 1),
                        Sentence.of("route.reordered"))));
    }
}
