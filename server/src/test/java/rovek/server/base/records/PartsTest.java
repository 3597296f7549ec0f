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

    @Test
    void ofNothingNothingIsAsked() {
        assertThat(Parts.asked(List.of(), part -> {
                    throw new AssertionError("asked for nothing");
                }))
                .isEmpty();
    }
}
