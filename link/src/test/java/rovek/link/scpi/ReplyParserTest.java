package rovek.link.scpi;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.util.Optional;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import rovek.link.LinkException;
import rovek.link.scpi.ReplyParser.Block;
import rovek.link.scpi.ReplyParser.Line;
import rovek.link.scpi.ReplyParser.Reply;

class ReplyParserTest {

    private static Optional<Reply> feed(byte[] bytes, int piece) throws LinkException {
        ReplyParser parser = new ReplyParser();
        Optional<Reply> reply = Optional.empty();
        for (int i = 0; i < bytes.length; i += piece) {
            assertThat(reply).as("not complete before its last byte").isEmpty();
            byte[] part = java.util.Arrays.copyOfRange(bytes, i, Math.min(bytes.length, i + piece));
            reply = parser.feed(part, part.length);
        }
        return reply;
    }

    private static void feedText(String text) throws LinkException {
        byte[] bytes = text.getBytes(StandardCharsets.UTF_8);
        new ReplyParser().feed(bytes, bytes.length);
    }

    @Property(tries = 200)
    void aBlockComesOutAsItWentInHoweverItIsCut(
            @ForAll @Size(max = 300) byte[] content, @ForAll @IntRange(min = 1, max = 50) int piece)
            throws LinkException {
        Optional<Reply> reply = feed(ReplyParser.block(content), piece);
        assertThat(((Block) reply.orElseThrow()).bytes()).isEqualTo(content);
    }

    @Example
    void aLineEndsAtLineFeed() throws LinkException {
        Optional<Reply> reply = feed("0,\"No error\"\n".getBytes(StandardCharsets.UTF_8), 1);
        assertThat(reply).contains(new Line("0,\"No error\""));
    }

    @Example
    void whatBreaksTheProtocolIsNamed() {
        assertThatThrownBy(() -> feedText("#0\n"))
                .isInstanceOf(LinkException.Garbled.class)
                .hasMessageContaining("link.blockNoLength");
        assertThatThrownBy(() -> feedText("#2x1\n")).hasMessageContaining("link.blockLength");
        assertThatThrownBy(() -> feedText("#13abcd")).hasMessageContaining("link.blockTooLong");
        assertThatThrownBy(() -> feedText("#9999999999")).hasMessageContaining("link.blockLarge");
        assertThatThrownBy(() -> feedText("a\nb")).hasMessageContaining("link.moreBytes");
        assertThatThrownBy(() -> feedText("x".repeat(2 << 20))).hasMessageContaining("link.endlessLine");
    }
}
