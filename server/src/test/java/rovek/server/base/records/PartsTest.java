package rovek.server.base.records;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class PartsTest {

    /** PostgreSQL takes 65,535 parameters; there may be more of anything. */
    @Test
    void aLongListIsAskedForInPartsThatAStatementCanName() {
        List<Integer> all = IntStream.range(0, 70_001).boxed().toList();
        List<Integer> sizes = new ArrayList<>();
        List<Integer> answers = Parts.asked(all, part -> {
            sizes.add(part.size());
            return part;
        });
        assertThat(answers).isEqualTo(all);
        assertThat(sizes).hasSizeGreaterThan(1).allMatch(size -> size > 0 && size <= 32_767);
    }

    /** What one member leads to is never in two parts: its order would be lost. */
    @Test
    void membersThatLeadToManyOthersAreFewerInAPart() {
        List<Integer> all = IntStream.range(0, 1_000).boxed().toList();
        List<Integer> sizes = new ArrayList<>();
        assertThat(Parts.asked(all, 300, part -> {
                    sizes.add(part.size());
                    return part;
                }))
                .isEqualTo(all);
        assertThat(sizes).allMatch(size -> size * 300 <= 32_767);
        assertThat(Parts.asked(List.of(1, 2), 1_000_000, part -> List.of(part.size())))
                .containsExactly(1, 1);
    }

    @Test
    void whatIsHandedOverIsAllOfItInItsOrder() {
        List<Integer> taken = new ArrayList<>();
        List<Integer> all = IntStream.range(0, 25_000).boxed().toList();
        Parts.each(all, taken::addAll);
        assertThat(taken).isEqualTo(all);
    }

    @Test
    void ofNothingNothingIsAsked() {
        assertThat(Parts.asked(List.of(), part -> {
                    throw new AssertionError("asked for nothing");
                }))
                .isEmpty();
    }
}
