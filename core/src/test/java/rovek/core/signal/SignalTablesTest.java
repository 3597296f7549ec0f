package rovek.core.signal;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

/**
 * What is made for a length is kept for the few lengths that instruments use, whatever lengths a stranger's records
 * have.
 */
class SignalTablesTest {

    @Test
    void fewLengthsAreKeptAndNoLongOnes() {
        SignalTables tables = new SignalTables();
        FourierTransform first = tables.transform(1_024);
        assertThat(tables.transform(1_024)).isSameAs(first);
        assertThat(tables.window(Window.HANN, 512)).isSameAs(tables.window(Window.HANN, 512));
        for (int length = 100; length < 120; length++) {
            tables.transform(length);
        }
        assertThat(tables.transform(1_024)).as("sixteen others came in between").isNotSameAs(first);
        int tooLong = (1 << 18) + 2;
        assertThat(tables.window(Window.HANN, tooLong)).isNotSameAs(tables.window(Window.HANN, tooLong));
    }
}
