package rovek.link;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What an instrument says is believed only as far as it makes sense. */
class InstrumentTest {

    private final ScriptedInstrument script = new ScriptedInstrument();

    private Instrument connected() throws LinkException {
        return Instrument.connect(script, Optional.empty());
    }

    @Test
    void optionsMayComeWithOrWithoutRevisionAndDatesMayBeMissing() throws LinkException {
        script.answering("*IDN?", "Maker,VH-2,30417,2.4.1").answering("*OPT?", "\"VIBRATION:2,Envelope\"");
        InstrumentIdentity identity = connected().identity();
        assertThat(identity.options()).containsEntry("vibration", "2").containsEntry("envelope", "");
        assertThat(identity.calibratedOn()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "*IDN? | only,three,parts | link.identityIncomplete",
                "ROVek:CALibration:DATE? | \"yesterday\" | link.notADate"
            })
    void anIdentityThatMakesNoSenseIsGarbled(String query, String answer, String sentence) {
        script.answering("*IDN?", "Maker,VH-2,30417,2.4.1").answering(query, answer);
        assertThatThrownBy(() -> connected().identity())
                .isInstanceOf(LinkException.Garbled.class)
                .hasMessageContaining(sentence);
    }

    @ParameterizedTest
    @CsvSource({"101", "-1", "full"})
    void aBatteryIsBetweenEmptyAndFull(String charge) {
        script.answering("ROVek:BATTery?", charge);
        assertThatThrownBy(() -> connected().batteryPercent()).isInstanceOf(LinkException.Garbled.class);
    }

    @Test
    void theClockIsReadToTheSecondAndAnImpossibleOneIsRefused() throws LinkException {
        script.answering("SYSTem:DATE?", "2026,11,23").answering("SYSTem:TIME?", "9,5,7");
        assertThat(connected().clock()).contains(Instant.parse("2026-11-23T09:05:07Z"));
        script.answering("SYSTem:DATE?", "2026,2,30");
        assertThatThrownBy(() -> connected().clock()).hasMessageContaining("link.clockNoTime");
        script.answering("SYSTem:DATE?", "2026,11");
        assertThatThrownBy(() -> connected().clock()).hasMessageContaining("link.clockIncomplete");
    }

    @Test
    void liveChannelsAreNamesWithUnitsAndNotBeyondNumber() throws LinkException {
        String query = "ROVek:LIVE:CHANnels?";
        script.answering(query, "\"Flow\",\"l/s\"" + ",\"Level\",\"m\"".repeat(63));
        assertThat(connected().liveChannels()).hasSize(64);
        script.answering(query, "\"Flow\",\"l/s\"" + ",\"Level\",\"m\"".repeat(64));
        assertThatThrownBy(() -> connected().liveChannels()).hasMessageContaining("link.liveTooMany {most=64}");
        script.answering(query, "\"Flow\"");
        assertThatThrownBy(() -> connected().liveChannels()).hasMessageContaining("link.liveNoUnits");
        script.answering(query, "\"" + "x".repeat(201) + "\",\"m\"");
        assertThatThrownBy(() -> connected().liveChannels()).hasMessageContaining("link.liveLongName {most=200}");
    }

    @Test
    void theMemoryListIsTakenApartWithItsQuotes() throws LinkException {
        script.answering("MMEMory:CATalog?", "100,900,\"RESULTS/W0001.zip,READINGS,60\",\"ROUTES/A.zip,ROUTE,40\"");
        MemoryCatalogue catalogue = connected().catalogue();
        assertThat(catalogue.freeBytes()).isEqualTo(900);
        assertThat(catalogue.files())
                .containsExactly(
                        new InstrumentFile("RESULTS/W0001.zip", "READINGS", 60),
                        new InstrumentFile("ROUTES/A.zip", "ROUTE", 40));
        script.answering("MMEMory:CATalog?", "100");
        assertThatThrownBy(() -> connected().catalogue()).hasMessageContaining("link.memoryIncomplete");
        script.answering("MMEMory:CATalog?", "1,2,\"name only\"");
        assertThatThrownBy(() -> connected().catalogue()).hasMessageContaining("link.fileIncomplete");
    }

    @Test
    void aDigestIsOneAndASliceIsNoLongerThanAskedFor() {
        script.answering("ROVek:FILE:DIGest? \"A\"", "\"1234\"");
        assertThatThrownBy(() -> connected().digest("A")).hasMessageContaining("link.notADigest");
        script.answering("ROVek:FILE:SLICe? \"A\",0,2", "#13abc");
        assertThatThrownBy(() -> connected().slice("A", 0, 2)).hasMessageContaining("link.pieceTooLong");
    }
}
