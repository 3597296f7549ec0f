package rovek.link.scpi;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;

class ProgramMessageTest {

    private static ProgramMessageReader reading(String text) {
        return new ProgramMessageReader(new ByteArrayInputStream(text.getBytes(StandardCharsets.ISO_8859_1)));
    }

    @Test
    void shortAndLongFormsInAnyCaseAreTheSameCommand() throws IOException {
        for (String form : new String[] {"MMEM:CAT?", "mmemory:catalog?", ":MMEMory:CAT?"}) {
            assertThat(reading(form + " \"X\"\n").next().orElseThrow().is("MMEMory:CATalog?"))
                    .as(form)
                    .isTrue();
        }
        assertThat(reading("MMEMO:CAT?\n").next().orElseThrow().is("MMEMory:CATalog?"))
                .as("neither short nor long")
                .isFalse();
    }

    @Test
    void quotesProtectCommasAndBlocksMayHoldLineFeeds() throws IOException {
        ProgramMessage message =
                reading("MMEM:DATA \"a,b #1.zip\",#15a\nb\nc\n*IDN?\n").next().orElseThrow();
        assertThat(message.parameter(0)).contains("a,b #1.zip");
        assertThat(message.block().orElseThrow()).isEqualTo("a\nb\nc".getBytes(StandardCharsets.UTF_8));
    }

    @Test
    void aBlockShorterThanItSaidIsAnErrorAndNotACommand() {
        assertThatThrownBy(() -> reading("MMEM:DATA \"a\",#210abc").next()).hasMessageContaining("shorter");
        assertThatThrownBy(() -> reading("X #9999999999").next()).hasMessageContaining("impossible");
    }
}
