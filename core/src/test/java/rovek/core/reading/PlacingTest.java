package rovek.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.UUID;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.assertj.core.data.Offset;
import rovek.core.reading.Placing.Candidate;
import rovek.core.reading.Placing.Loose;
import rovek.core.reading.Placing.Placed;
import rovek.core.reading.Placing.Proposal;
import rovek.core.wording.Sentence;

class PlacingTest {

    private static final Instant NOON = Instant.parse("2026-05-04T12:00:00Z");
    private static final double[] ABOUT_TWO = {2.0, 2.1, 1.9, 2.0, 2.05};
    private static final double[] ABOUT_SEVEN = {7.0, 7.1, 6.9, 7.2, 7.0};

    private static UUID id(String name) {
        return UUID.nameUUIDFromBytes(name.getBytes(StandardCharsets.UTF_8));
    }

    private static Candidate at(String tag, String point, double[] history, Instant... measuredThere) {
        return new Candidate(
                id(tag + point),
                tag,
                "Well pump",
                point,
                false,
                List.of(measuredThere),
                false,
                "velocity.rms",
                history);
    }

    private static Loose typed(String label, double value) {
        return new Loose(label, NOON, "velocity.rms", OptionalDouble.of(value));
    }

    @Example
    void aTagIsAWordOfItsOwnHoweverItIsTyped() {
        List<Candidate> candidates = List.of(at("P-10", "Drive end", ABOUT_TWO), at("P-101", "Drive end", ABOUT_TWO));
        for (String label : List.of("P-101", "p101 coupling", "P 101", "at p-101, hot")) {
            assertThat(Placing.rank(typed(label, 2), candidates))
                    .as(label)
                    .singleElement()
                    .extracting(Proposal::check)
                    .isEqualTo(id("P-101Drive end"));
        }
    }

    @Example
    void thePointDecidesBetweenTheChecksOfOneMachineInFullOrByItsInitials() {
        List<Candidate> candidates =
                List.of(at("P-101", "Drive end", ABOUT_TWO), at("P-101", "Non-drive end", ABOUT_TWO));
        assertThat(Placing.rank(typed("P-101 NDE", 2), candidates).get(0).check())
                .isEqualTo(id("P-101Non-drive end"));
        Proposal best = Placing.rank(typed("P-101 drive end", 2), candidates).get(0);
        assertThat(best.check()).isEqualTo(id("P-101Drive end"));
        assertThat(best.reasons())
                .containsExactly(
                        Sentence.of("reading.tagTyped", "tag", "P-101"),
                        Sentence.of("reading.pointTyped"),
                        Sentence.of("reading.usualThere"));
    }

    @Example
    void whatWasMeasuredAroundItSpeaksWhereNothingWasTyped() {
        List<Candidate> candidates = List.of(
                at("P-101", "Drive end", ABOUT_TWO, NOON.minusSeconds(180), NOON.plusSeconds(60)),
                at("P-102", "Drive end", ABOUT_TWO, NOON.plusSeconds(240)),
                at("P-103", "Drive end", ABOUT_TWO, NOON.minusSeconds(3_600)));
        List<Proposal> proposals = Placing.rank(typed("", 2), candidates);
        assertThat(proposals).extracting(Proposal::check).containsExactly(id("P-101Drive end"), id("P-102Drive end"));
        assertThat(proposals.get(1).reasons().get(0)).isEqualTo(Sentence.of("reading.beforeOne", "minutes", 4L));
    }

    @Example
    void theValueAloneProposesNothingButTellsTwoMachinesApart() {
        List<Candidate> alike = List.of(at("P-101", "Drive end", ABOUT_TWO), at("P-102", "Drive end", ABOUT_SEVEN));
        assertThat(Placing.rank(typed("somewhere", 7), alike)).isEmpty();
        List<Candidate> near =
                List.of(at("P-101", "Drive end", ABOUT_TWO, NOON), at("P-102", "Drive end", ABOUT_SEVEN, NOON));
        List<Proposal> proposals = Placing.rank(typed("", 7), near);
        assertThat(proposals.get(0).check()).isEqualTo(id("P-102Drive end"));
    }

    @Property(tries = 200)
    void certaintiesAreSharesOfTheWholeAndInOrder(@ForAll long seed) {
        Random random = new Random(seed);
        List<Candidate> candidates = new ArrayList<>();
        for (int i = 0; i < 1 + random.nextInt(12); i++) {
            Instant[] there = random.nextBoolean()
                    ? new Instant[] {NOON.plusSeconds(random.nextInt(1_200) - 600)}
                    : new Instant[0];
            candidates.add(at(
                    "P-" + random.nextInt(4),
                    i % 2 == 0 ? "Drive end" : "Non-drive end",
                    random.nextBoolean() ? ABOUT_TWO : ABOUT_SEVEN,
                    there));
        }
        List<Proposal> proposals = Placing.rank(typed("P-1 DE", 2), candidates);
        assertThat(proposals.stream().mapToDouble(Proposal::certainty).sum()).isLessThan(1);
        assertThat(proposals).isSortedAccordingTo((a, b) -> Double.compare(b.certainty(), a.certainty()));
        assertThat(proposals)
                .allSatisfy(proposal -> assertThat(proposal.reasons()).isNotEmpty());
    }

    @Example
    void twoThatAreAsLikelyAreEachCertainToLessThanAHalf() {
        Candidate one = at("P-101", "Drive end", ABOUT_TWO);
        Candidate twin = new Candidate(
                id("twin"), "P-101", "Well pump", "Drive end", false, List.of(), false, "velocity.rms", ABOUT_TWO);
        List<Proposal> proposals = Placing.rank(typed("P-101 Drive end", 2), List.of(one, twin));
        assertThat(proposals.get(0).certainty())
                .isLessThan(0.5)
                .isCloseTo(proposals.get(1).certainty(), Offset.offset(1e-12));
        assertThat(Placing.rank(typed("P-101 Drive end", 2), List.of(one))
                        .get(0)
                        .certainty())
                .isGreaterThan(0.95);
    }

    @Example
    void aMachineOfTheSameTagAtAnotherSiteComesSecond() {
        Candidate here = at("P-101", "Drive end", ABOUT_TWO);
        Candidate elsewhere = new Candidate(
                id("elsewhere"), "P-101", "Well pump", "Drive end", true, List.of(), false, "velocity.rms", ABOUT_TWO);
        List<Proposal> proposals = Placing.rank(typed("P-101 Drive end", 2), List.of(elsewhere, here));
        assertThat(proposals).extracting(Proposal::check).containsExactly(here.check(), elsewhere.check());
        assertThat(proposals.get(0).certainty()).isGreaterThan(0.8);
    }

    @Example
    void readingsThatFitCrosswiseWerePerhapsSwapped() {
        List<Placed> placed = List.of(
                new Placed(id("a"), "velocity.rms", 7.05, ABOUT_TWO),
                        new Placed(id("b"), "velocity.rms", 2.0, ABOUT_TWO),
                new Placed(id("c"), "velocity.rms", 2.02, ABOUT_SEVEN),
                        new Placed(id("d"), "acceleration.rms", 2.02, ABOUT_SEVEN),
                new Placed(id("e"), "velocity.rms", 40, ABOUT_TWO),
                        new Placed(id("f"), "velocity.rms", 7.0, new double[] {2, 2, 2}));
        assertThat(Placing.perhapsSwapped(placed)).containsExactly(new Placing.Swap(id("a"), id("c")));
    }
}
